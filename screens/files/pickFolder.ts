/** A folder that files are put into. */
export interface Folder {
  getFileHandle(
    name: string,
    options?: { create: boolean },
  ): Promise<{ createWritable(): Promise<{ write(data: Blob): Promise<void>; close(): Promise<void> }> }>;
}

type Pick = (options: object) => Promise<FileSystemDirectoryHandle>;
const picker = (): Pick | undefined => (window as unknown as { showDirectoryPicker?: Pick }).showDirectoryPicker;

/** Whether this browser lets one pick folders at all. */
export const canPickFolders = (): boolean => picker() !== undefined;

/** A folder that somebody picks; null where the browser has none to pick, "none" where they think better of it. */
export async function pickFolder(
  mode: "read" | "readwrite" = "readwrite",
): Promise<FileSystemDirectoryHandle | null | "none"> {
  const pick = picker();
  if (!pick) return null;
  return pick({ mode }).catch(() => "none" as const);
}
