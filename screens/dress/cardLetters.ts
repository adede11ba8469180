/**
 * What the card's fonts have letters for: Latin with its accents, Vietnamese, Greek, Cyrillic, and usual signs. Others would
 * need shaping that the PDF's maker does not do.
 */
const MISSING = /[^\u0020-\u024f\u0370-\u03ff\u0400-\u045f\u0490-\u0491\u1e00-\u1eff\u2010-\u2027\u2212]/gu;

/** Stands for a letter that the fonts do not have: a mark rather than a wrong letter. */
const MARK = "\u00a4";

export const printable = (text: string): string => text.replace(MISSING, MARK);

/** Letters of some texts that the card would print as marks, each once, in the order they come in. */
export function missingLetters(texts: readonly string[]): string[] {
  return [...new Set(texts.flatMap((text) => text.match(MISSING) ?? []))];
}
