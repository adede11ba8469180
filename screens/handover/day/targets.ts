/** Whether two of the folders are the same one, or one lies in the other. */
export async function isTwice(folders: readonly FileSystemDirectoryHandle[]): Promise<boolean> {
  for (const [at, one] of folders.entries())
    for (const other of folders.slice(at + 1)) {
      if (await one.isSameEntry(other)) return true;
      if ((await one.resolve(other)) !== null || (await other.resolve(one)) !== null) return true;
    }
  return false;
}
