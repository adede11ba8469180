import { writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { CHROMIUM } from "./browser";

/** Writes what the browser's pretended microphone hears: it reads 16-bit files only. */
export function heardFile(name: string, wav: Buffer): string {
  const path = join(tmpdir(), `hypophon-${name}-${process.pid}.wav`);
  writeFileSync(path, wav);
  return path;
}

/** A browser whose microphone plays a file, round and round. */
export const hearing = (path: string) => ({
  executablePath: CHROMIUM,
  args: [
    ...(process.getuid?.() === 0 ? ["--no-sandbox"] : []),
    "--disable-quic",
    "--use-fake-ui-for-media-stream",
    "--use-fake-device-for-media-stream",
    `--use-file-for-fake-audio-capture=${path}`,
  ],
});
