/** How figures, lists and plurals are written in English. */

const plural = new Intl.PluralRules("en");
/** "1 card", "2 cards". */
export const count = (number: number, one: string, other: string): string =>
  `${number} ${plural.select(number) === "one" ? one : other}`;

const conjunction = new Intl.ListFormat("en-GB", { style: "long", type: "conjunction" });
/** "a", "a and b", "a, b and c". */
export const list = (words: readonly string[]): string => conjunction.format(words);

let isTwelve = false;

/** Whether times of day are told by a clock of 12 hours from now on. */
export function tellTimeIn(hours: "24" | "12"): void {
  isTwelve = hours === "12";
}

/** A time of day from minutes after midnight, by the clock of the shoot: "14:05"; "2:05 pm", "12:00 am" for midnight. */
export function clock(minutes: number): string {
  const whole = ((Math.round(minutes) % 1440) + 1440) % 1440;
  const two = (number: number) => String(number).padStart(2, "0");
  const hours = Math.floor(whole / 60);
  if (!isTwelve) return `${two(hours)}:${two(whole % 60)}`;
  return `${hours % 12 || 12}:${two(whole % 60)} ${hours < 12 ? "am" : "pm"}`;
}

/** A time that is kept as "HH:MM", by the clock of the shoot; what is no time stays as it is. */
export const timeWords = (time: string): string => {
  const parts = /^(\d\d):(\d\d)$/.exec(time);
  return parts ? clock(Number(parts[1]) * 60 + Number(parts[2])) : time;
};

/** A figure with so many decimals, and a minus sign for what is below zero. */
export const figure = (value: number, digits = 0): string =>
  value
    .toFixed(digits)
    .replace(/^-(?=0\.?0*$)/, "")
    .replace("-", "−");

export const upperFirst = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
export const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
