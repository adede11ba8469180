/** How figures, lists and plurals are written in English. */

const plural = new Intl.PluralRules("en");
/** "1 card", "2 cards". */
export const count = (number: number, one: string, other: string): string =>
  `${number} ${plural.select(number) === "one" ? one : other}`;

const conjunction = new Intl.ListFormat("en-GB", { style: "long", type: "conjunction" });
/** "a", "a and b", "a, b and c". */
export const list = (words: readonly string[]): string => conjunction.format(words);

/** A time of day from minutes after midnight, 24 hours. */
export function clock(minutes: number): string {
  const whole = ((Math.round(minutes) % 1440) + 1440) % 1440;
  const two = (number: number) => String(number).padStart(2, "0");
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
}

/** A figure with so many decimals, and a minus sign for what is below zero. */
export const figure = (value: number, digits = 0): string =>
  value
    .toFixed(digits)
    .replace(/^-(?=0\.?0*$)/, "")
    .replace("-", "−");

export const upperFirst = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
export const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
