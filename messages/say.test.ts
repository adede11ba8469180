import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { say } from ".";
import { en } from "./en";

test("cards: figures, times and plurals as they are written", () => {
  const end = { code: "media.cardsEnd", atMin: 860.4, title: "Quay", minutes: 419.2, gigabytes: 4 } as const;
  expect(say({ ...end, more: 14 })).toBe(
    "The cards last until 14:20: Quay needs 420 min more. Bring 14 more cards of 4 GB.",
  );
  expect(say({ ...end, more: 1 })).toContain("Bring 1 more card of 4 GB.");
  expect(say({ code: "media.tracks", tracks: 6, isSame: false })).toBe(
    "6 tracks in one polyphonic file stay in sync with each other.",
  );
});

test("batteries: lists, and a bank that is empty before the day is over", () => {
  expect(
    say({
      code: "power.tooShort",
      ...{ name: "Recorder", hours: 2.22, use: "Afternoon", helps: "mainsOrLargerBank" },
      swaps: [
        { title: "Afternoon", atMin: 928 },
        { title: "Night", atMin: 1080 },
      ],
      bank: { feeds: ["Morning", "Afternoon"], emptyAtMin: 795 },
    }),
  ).toBe(
    "Recorder: a set lasts 2.2 h, too short for Afternoon with a fifth in reserve. Use mains or a larger power bank. " +
      "The power bank feeds Morning and Afternoon and is empty at 13:15. Change it during Afternoon at 15:28 and Night at 18:00.",
  );
});

test("every code says its subject", () => {
  for (const code of Object.keys(en)) expect(code).toMatch(/^[a-z]+\.[a-zA-Z0-9]+$/);
});

/** Subjects whose sentences are in messages/; the others follow. */
const WORDLESS = ["message", "media", "power"];

/** Literals of a file that somebody would read: three words or more. */
function sentencesOf(path: string): string[] {
  const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    const text =
      ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
        ? node.text
        : ts.isTemplateExpression(node)
          ? node.getText()
          : "";
    if (
      !ts.isImportDeclaration(node.parent ?? node) &&
      text.split(/\s+/).filter((word) => /[a-z]{2,}/i.test(word)).length >= 3
    )
      found.push(text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

test.each(WORDLESS)("no sentence stands in core/%s", (subject) => {
  const folder = join("core", subject);
  // Titles of fields are labels of controls.
  const isLabel = (text: string) => /^[A-Z][\w ,]{0,40}$/.test(text);
  const sentences = readdirSync(folder)
    .filter((name) => name.endsWith(".ts") && !name.includes(".test."))
    .flatMap((name) => sentencesOf(join(folder, name)).filter((text) => !isLabel(text)));
  expect(sentences).toEqual([]);
});
