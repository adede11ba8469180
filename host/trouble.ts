import { statfsSync } from "node:fs";

/** Less than this on a disk is nothing to work with, bytes. */
const NEARLY_NOTHING = 8e6;

function isFull(folder: string): boolean {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize < NEARLY_NOTHING;
  } catch {
    return false;
  }
}

/** Why something failed that wrote to a folder, from what it said: a full disk is called one. */
export function whyFailed(said: string, folder: string): string {
  if (/no space left on device|ENOSPC|EDQUOT|disk quota exceeded/i.test(said) || isFull(folder))
    return `the disk is full: free some space for ${folder}, then call this again.`;
  if (/EACCES|EROFS|permission denied|read-only file system/i.test(said))
    return `${folder} cannot be written: check the rights.`;
  return said.trim().split("\n").at(-1) ?? "";
}
