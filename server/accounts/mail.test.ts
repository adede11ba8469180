import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { newPasswordMail } from "../../messages";
import { sendMail } from "./mail";

const folder = mkdtempSync(join(tmpdir(), "hypophon-mail-test-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const mail = { to: "tam@example.org", ...newPasswordMail("tam@example.org", "https://sound.example.org/x?a=1&b=2") };

test("a mail is written into the folder that stands for a server, for its owner's eyes only", async () => {
  const mails = join(folder, "mails");
  await sendMail(mail, { HYPOPHON_MAILS: mails, HYPOPHON_MAIL_FROM: "Sound <sound@example.org>" });
  await sendMail(mail, { HYPOPHON_MAILS: mails });
  const names = readdirSync(mails).sort((one, other) => one.localeCompare(other));
  expect(names).toHaveLength(2);
  const text = readFileSync(join(mails, names[0]!), "utf8");
  expect(text).toContain("To: tam@example.org");
  expect(text).toContain("From: Sound <sound@example.org>");
  expect(text).toContain("Subject: A new password for Hypophon");
  // As mail programs read it: quoted-printable or as it is.
  expect(text.replace(/=\n/g, "").replaceAll("=3D", "=")).toContain("https://sound.example.org/x?a=1&b=2");
  expect(statSync(join(mails, names[0]!)).mode & 0o077).toBe(0);
});

test("nothing that a name holds becomes a header of its own", async () => {
  const mails = join(folder, "hostile");
  const to = "tam@example.org\nBcc: all@example.org";
  await sendMail({ to, subject: "One\nBcc: all@example.org", text: "x" }, { HYPOPHON_MAILS: mails }).catch(
    () => undefined,
  );
  for (const name of readdirSync(mails)) expect(readFileSync(join(mails, name), "utf8")).not.toMatch(/^Bcc:/m);
});

test("without a server and a folder it fails, and a folder that is a file too", async () => {
  await expect(sendMail(mail, {})).rejects.toThrow("no mail server");
  const file = join(folder, "file");
  writeFileSync(file, "");
  await expect(sendMail(mail, { HYPOPHON_MAILS: file })).rejects.toThrow();
});
