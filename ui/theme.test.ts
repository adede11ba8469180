import { dark, day } from "./theme";

/** Relative luminance and contrast as the Web Content Accessibility Guidelines 2.2 define them. */
function luminance(colour: string): number {
  const parts = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16) / 255);
  const [red, green, blue] = parts.map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4));
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
}
function contrast(one: string, other: string): number {
  const [light, deep] = [luminance(one), luminance(other)].toSorted((a, b) => b - a);
  return (light! + 0.05) / (deep! + 0.05);
}

/** What text needs, and what only marks a border or a shape. */
const [TEXT, SHAPE] = [4.5, 3];

const coloursOf = (set: typeof day) =>
  new Map(
    [
      ...set
        .map(String)
        .join("")
        .matchAll(/--([\w-]+): (#[0-9a-f]{6});/g),
    ].map(([, name, colour]) => [name!, colour!]),
  );
const SETS = { day: coloursOf(day), dark: coloursOf(dark) };

test("contrast, by the published examples: black on white, and the lightest grey that text on white may have", () => {
  expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
  expect(contrast("#767676", "#ffffff")).toBeCloseTo(4.54, 2);
  expect(contrast("#ffffff", "#777777")).toBeLessThan(4.5);
});

test("both sets have the same colours", () => {
  expect([...SETS.dark.keys()]).toEqual([...SETS.day.keys()]);
});

describe.each(["day", "dark"] as const)("in the %s set", (name) => {
  const set = SETS[name];
  const grounds = ["cloth", "paper", "paper-deep"];
  const below = (inks: readonly string[], on: readonly string[], least: number) =>
    inks.flatMap((ink) =>
      on
        .map((ground) => ({ ink, ground, is: contrast(set.get(ink)!, set.get(ground)!) }))
        .filter(({ is }) => is < least)
        .map(({ is, ground }) => `${ink} on ${ground}: ${is.toFixed(2)}`),
    );

  test("text is read on every ground", () => {
    expect(below(["ink", "ink-soft", "chalk", "good", "warn", "bad"], grounds, TEXT)).toEqual([]);
    expect(below(["ink", "ink-soft", "chalk"], ["chalk-soft"], TEXT)).toEqual([]);
    expect(below(["on-chalk"], ["chalk"], TEXT)).toEqual([]);
  });

  test("threads and lines of charts are told from their ground", () => {
    const threads = ["madder", "indigo", "moss", "ochre", "plum", "teal", "umber", "slate"];
    expect(below(threads, grounds, SHAPE)).toEqual([]);
  });
});
