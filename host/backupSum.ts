import { createHash } from "node:crypto";
import { appendFileSync, closeSync, fstatSync, openSync, readSync } from "node:fs";

/** What stands behind a backup: a sum over all before it. PostgreSQL's own reader passes over what follows the last block. */
const MARK = "\nHYPOPHON SHA-256 ";
const HEX = 64;
const LENGTH = MARK.length + HEX + 1;
const PIECE = 1 << 20;

/** SHA-256 of the first so many bytes of a file, hex. */
function sumOf(opened: number, bytes: number): string {
  const hash = createHash("sha256");
  const piece = Buffer.alloc(PIECE);
  for (let at = 0; at < bytes;) {
    const read = readSync(opened, piece, 0, Math.min(PIECE, bytes - at), at);
    if (read === 0) break;
    hash.update(piece.subarray(0, read));
    at += read;
  }
  return hash.digest("hex");
}

/** Puts the sum of a file behind it. */
export function addSum(file: string): void {
  const opened = openSync(file, "r");
  const sum = sumOf(opened, fstatSync(opened).size);
  closeSync(opened);
  appendFileSync(file, `${MARK}${sum}\n`);
}

/** Whether a file is as it was written; null where it has no sum, as backups of earlier releases. */
export function isWhole(file: string): boolean | null {
  const opened = openSync(file, "r");
  try {
    const { size } = fstatSync(opened);
    const end = Buffer.alloc(Math.min(LENGTH, size));
    readSync(opened, end, 0, end.length, size - end.length);
    const words = end.toString("latin1");
    if (!words.startsWith(MARK)) return null;
    return words.slice(MARK.length, -1) === sumOf(opened, size - LENGTH);
  } finally {
    closeSync(opened);
  }
}
