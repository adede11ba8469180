import type { BagFault, BagResult } from "@/workers/copyWorker";
import type { CopyState } from "./useCopy";

/** "840 MB", "41.2 GB"; sizes of disks are decimal. */
export const sizeWords = (bytes: number): string =>
  bytes >= 1e9
    ? `${(bytes / 1e9).toFixed(1)} GB`
    : bytes >= 1e6
      ? `${Math.round(bytes / 1e6)} MB`
      : `${Math.ceil(bytes / 1e3)} kB`;

export const filesWords = (count: number): string => (count === 1 ? "1 file" : `${count} files`);

const leftWords = (seconds: number): string =>
  seconds < 90 ? `${Math.max(1, Math.round(seconds))} s left` : `${Math.round(seconds / 60)} min left`;

export function progressWords({ name, bytesPerS, leftS }: CopyState): string {
  const pace = bytesPerS > 0 ? `, ${Math.round(bytesPerS / 1e6)} MB/s` : "";
  return `Copying and comparing ${name || "the files"}${pace}${leftS === null ? "" : `, ${leftWords(leftS)}`}`;
}

/** Why a file is not as it should be. */
export function faultWords({ path, why, target }: BagFault): string {
  const where = target === null ? "" : ` in ${target}`;
  switch (why) {
    case "differs":
      return `${path}${where} differs from its source.`;
    case "unreadable":
      return `${path}${where} cannot be read.`;
    case "unwritable":
      return `${path} cannot be written${where}.`;
    case "missing":
      return `${path} is missing${where}.`;
    case "unlisted":
      return `${path}${where} is on no list.`;
  }
}

/** Why a copy could not go on; null where it went to its end. */
export function stoppedWords({ stopped }: Pick<BagResult, "stopped">): string | null {
  switch (stopped) {
    case null:
      return null;
    case "full":
      return "A target is full. What is copied stays: make room, and press again to go on.";
    case "unwritable":
      return "A target can no longer be written. What is copied stays: plug it in, and press again to go on.";
    case "taken":
      return "A target holds something else, or a finished copy. Choose an empty folder.";
  }
}
