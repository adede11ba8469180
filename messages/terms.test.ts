import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { TERMS } from ".";

const ROOT = process.cwd();

/** Terms that are not used any more, each with what is said instead. */
const OLD: readonly [RegExp, string][] = [
  [/\bwearers?\b/i, "talent"],
  [/\bcome at\b/i, "call time"],
  [/\bset it so\b/i, "mark as set"],
  [/\bways? from a voice\b/i, "signal chain"],
  [/^its figures$/i, "specifications"],
  [/\b(in|from) the bag\b/i, "kit"],
  [/\bcoming back\b/i, "return check"],
  [/\b(basted|sewn|unpicked|proved)\b/i, "planned, verified, redo"],
  // A distinct repeat is an echo.
  [/(?<!\ban )\becho(es|ing)?\b(?! cancel)/i, "reverberation"],
  [/\bvoice over (room|noise)\b/i, "direct to reverberant, above noise"],
  [/\broom (is )?as loud as the voice\b/i, "critical distance"],
  [/\blows (are )?lifted\b/i, "proximity effect"],
  [/\bspectrum\b.*\bWAV\b/i, "spectrogram"],
  [/\b(own|its) (mic|microphone)s? (is|are) recorded/i, "built-in microphone"],
  [/\bcut short\b/i, "truncated"],
  [/\boff centre\b/i, "DC offset"],
  [/\bgain follows\b/i, "AGC pumping"],
  [/\bguards?\b/i, "spacing"],
  [/^must stay$/i, "locked"],
  [/\breceiver needs\b/i, "receiver sensitivity"],
  [/\blives? together\b/i, "compatible"],
  [/\bleads?\b(?! (on|to|here|a|where)\b)/i, "cable"],
  [/\bsilently wrong\b/i, "miswired, no warning"],
  [/\bown making\b/i, "custom"],
  [/\bwho sees to it\b/i, "responsible"],
  [/\bparts of sides\b/i, "wall sections"],
  [/\bsends? (the voice|it) back\b/i, "no reverberation outdoors"],
  [/\brecord it again, turned down\b/i, "lower the gain and go again"],
  [/\bdress it anew\b/i, "re-rig"],
  [/\bsharp s\b/i, "sibilance"],
  [/\bleft by age\b/i, "battery health"],
  [/\bkept in hand\b/i, "reserve"],
  [/\bthat is enough\b/i, "stop"],
  [/\btake off the board\b/i, "delete"],
  [/\btake away\b/i, "remove"],
  [/\bfarther\b/i, "zoom out, further"],
  [/!(?=["'`\s]|$)/, "no exclamation marks"],
];

/** Texts of a source file that a person may read: of at least two words, or a capitalised label; styles are left out. */
function textsOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (ts.isTaggedTemplateExpression(node)) return;
    if (ts.isJsxText(node)) texts.push(node.text.trim());
    if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      texts.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return texts.filter((text) => /^[A-Z]/.test(text) || /[a-z] [a-z]/i.test(text));
}

const filesIn = (room: string, ending: RegExp): string[] =>
  readdirSync(join(ROOT, room), { recursive: true, encoding: "utf8" })
    .filter((name) => ending.test(name) && !name.includes(".test."))
    .map((name) => join(ROOT, room, name));

const found = (texts: readonly string[]): string[] =>
  texts.flatMap((text) =>
    OLD.filter(([old]) => old.test(text)).map(([old, now]) => `${now} → ${old.exec(text)![0]}: ${text.slice(0, 90)}`),
  );

test.each(["messages/en", "screens", "ui", "core/devices"])("no old term in what %s says", (room) => {
  const files = filesIn(room, /\.tsx?$/);
  expect(files.length).toBeGreaterThan(5);
  expect(found(files.flatMap(textsOf))).toEqual([]);
});

test("no old term in the documents", () => {
  const lines = [join(ROOT, "README.md"), ...filesIn("docs", /\.md$/)].flatMap((file) =>
    readFileSync(file, "utf8")
      .split("\n")
      // Names of code and addresses are as they are.
      .map((line) => line.replace(/`[^`]*`|\]\([^)]*\)/g, "")),
  );
  expect(found(lines)).toEqual([]);
});

test("the list of terms in docs/ is the application's", () => {
  const listed = [...readFileSync(join(ROOT, "docs/terms.md"), "utf8").matchAll(/^- \*\*(.+?)\*\*: (.+)$/gm)].map(
    ([, name, means]) => [name, means],
  );
  const terms = Object.values(TERMS).sort((one, other) => one.name.localeCompare(other.name, "en"));
  expect(listed).toEqual(terms.map(({ name, means }) => [name, means]));
});
