/** Control characters but for tab, line feed and carriage return; and halves of surrogate pairs. */
const UNSTORABLE = /(?![\t\n\r\u0080-\u009F])\p{Cc}|\p{Cs}/gu;

/** Whether a text can be stored and shown everywhere as it is: no control characters, no half characters. */
export const isStorable = (text: string): boolean => text.search(UNSTORABLE) < 0;

/** A text without what cannot be stored. */
export const cleanText = (text: string): string => text.replace(UNSTORABLE, "");

/** The beginning of a text, at most so many UTF-16 units long, cleaned: no character that a person sees is cut in two. */
export function clipText(text: string, most: number): string {
  const clean = cleanText(text);
  if (clean.length <= most) return clean;
  let end = 0;
  for (const { index, segment } of new Intl.Segmenter("en", { granularity: "grapheme" }).segment(clean)) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return clean.slice(0, end);
}
