import { randomUUID } from "node:crypto";
import { mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import nodemailer from "nodemailer";

export interface Mail {
  to: string;
  subject: string;
  text: string;
}

const SENDER = "hypophon@localhost";

/**
 * Sends a mail: to the server that HYPOPHON_SMTP names, or as a file into the folder of HYPOPHON_MAILS, which stands for one.
 * Errors: those of the server or the disk; Error "no mail server" without either.
 */
export async function sendMail(
  mail: Mail,
  environment: Readonly<Record<string, string | undefined>> = process.env,
): Promise<void> {
  const message = { from: environment["HYPOPHON_MAIL_FROM"] ?? SENDER, ...mail };
  const folder = environment["HYPOPHON_MAILS"];
  if (folder) {
    const written = nodemailer.createTransport({ streamTransport: true, buffer: true, newline: "unix" });
    const { message: bytes } = await written.sendMail(message);
    await mkdir(folder, { recursive: true, mode: 0o700 });
    await writeFile(join(folder, `${Date.now()}-${randomUUID()}.eml`), bytes as Buffer, { mode: 0o600, flag: "wx" });
    return;
  }
  const server = environment["HYPOPHON_SMTP"];
  if (!server) throw new Error("no mail server");
  await nodemailer.createTransport(server).sendMail(message);
}
