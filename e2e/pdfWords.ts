import { execFileSync } from "node:child_process";

export interface PdfWord {
  text: string;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Words of a PDF with their boxes, as poppler's pdftotext reads them, in points. */
export function pdfWords(pdf: Buffer): PdfWord[] {
  const text = execFileSync("pdftotext", ["-bbox", "-", "-"], { input: pdf, encoding: "utf8" });
  return [...text.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g)].map(
    ([, left, top, right, bottom, word]) => ({
      text: word!,
      left: Number(left),
      right: Number(right),
      top: Number(top),
      bottom: Number(bottom),
    }),
  );
}

/** Pairs of words printed over each other, by more than a hair. */
export function overprinted(words: readonly PdfWord[]): string[] {
  const hair = 1.5;
  return words.flatMap((one, index) =>
    words
      .slice(index + 1)
      .filter(
        (other) =>
          Math.min(one.right, other.right) - Math.max(one.left, other.left) > hair &&
          Math.min(one.bottom, other.bottom) - Math.max(one.top, other.top) > (one.bottom - one.top) / 2,
      )
      .map((other) => `${one.text} over ${other.text}`),
  );
}
