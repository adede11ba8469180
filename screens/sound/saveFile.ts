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
