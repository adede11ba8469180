import type { Cell } from "./csv";

/** Gives something to the browser to be saved. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const anchor = document.createElement("a");
  anchor.href = url;
  anchor.download = name;
  anchor.click();
  // The browser has taken it by then.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Gives a text to the browser to be saved. */
export function saveFile(name: string, type: string, text: string): void {
  saveBlob(name, new Blob([text], { type }));
}

/** Gives a table to the browser to be saved as CSV. */
export async function saveCsv(name: string, rows: readonly (readonly Cell[])[]): Promise<void> {
  const { csvOf } = await import("./csv");
  saveFile(name, "text/csv;charset=utf-8", csvOf(rows));
}
