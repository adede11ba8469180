import type { Page } from "@playwright/test";

/** Drops an hour of 48 kHz 24-bit stereo, made in the page from one second repeated: no gigabyte crosses the test's pipe. */
export async function dropHour(page: Page, withAnother = false): Promise<void> {
  await page.evaluate((isCard) => {
    const seconds = 3600;
    const rate = 48000;
    const second = new Uint8Array(rate * 6).map((_, index) => (index * 2654435761) >>> 24);
    for (let at = 2; at < second.length; at += 3) second[at] = second[at]! & 1 ? 0xff : 0;
    const header = new DataView(new ArrayBuffer(44));
    const tag = (at: number, text: string) =>
      [...text].forEach((letter, index) => header.setUint8(at + index, letter.charCodeAt(0)));
    tag(0, "RIFF");
    header.setUint32(4, 36 + seconds * second.length, true);
    tag(8, "WAVEfmt ");
    header.setUint32(16, 16, true);
    header.setUint16(20, 1, true);
    header.setUint16(22, 2, true);
    header.setUint32(24, rate, true);
    header.setUint32(28, rate * 6, true);
    header.setUint16(32, 6, true);
    header.setUint16(34, 24, true);
    tag(36, "data");
    header.setUint32(40, seconds * second.length, true);
    const minute = new Blob(new Array<Uint8Array<ArrayBuffer>>(60).fill(second));
    const file = new File([header.buffer, ...new Array<Blob>(60).fill(minute)], "hour.wav", { type: "audio/wav" });
    const transfer = new DataTransfer();
    transfer.items.add(file);
    // A second of the same beside it makes them a card.
    if (isCard) {
      const short = header.buffer.slice(0);
      new DataView(short).setUint32(4, 36 + second.length, true);
      new DataView(short).setUint32(40, second.length, true);
      transfer.items.add(new File([short, second], "second.wav", { type: "audio/wav" }));
    }
    const input = document.querySelector<HTMLInputElement>("input[type=file]")!;
    input.files = transfer.files;
    input.dispatchEvent(new Event("change", { bubbles: true }));
  }, withAnother);
}

/** Drops a file of zeros, made in the page: no large one crosses the test's pipe. */
export async function dropZeros(page: Page, name: string, type: string, bytes: number): Promise<void> {
  await page.evaluate(
    ([fileName, mimeType, length]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(length)], fileName, { type: mimeType }));
      const input = document.querySelector<HTMLInputElement>("input[type=file]")!;
      input.files = transfer.files;
      input.dispatchEvent(new Event("change", { bubbles: true }));
    },
    [name, type, bytes] as const,
  );
}
