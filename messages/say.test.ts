import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import type { TSchema } from "@sinclair/typebox";
import { LevelAdvice } from "../core/chain";
import { Cause, FindingAdvice, FindingWhat } from "../core/check";
import { DressReason } from "../core/dress";
import { ClapRemark } from "../core/room";
import { say, type AnyMessage } from ".";
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

test("a correction names each knob with where it goes, and a cure where no knob can go lower", () => {
  const turn = (device: string, control: string, byDb: number, to: string) => ({
    ...{ knob: "gain" as const, device, control, byDb, to },
  });
  const turns = [turn("pack", "Sensitivity", -9, "−30 dB"), turn("recorder, XLR mic input", "Gain", 1, "+3 dB")];
  const correction = { code: "proof.correction", byDb: -9, isAtLeast: true, turns, advice: null } as const;
  expect(say({ ...correction, turns })).toBe(
    "Turn the pack's sensitivity down by 9 dB (to −30 dB) and the recorder's gain up by 1 dB (to +3 dB).",
  );
  expect(say({ ...correction, turns: [], advice: { code: "chain.packOverloadsAtLowest", lessDb: 4 } })).toBe(
    "It needs to come down by at least 9 dB, and no control can go lower. The pack overloads even at its lowest sensitivity: " +
      "a capsule 4 dB less sensitive is the cure. No later control can repair it.",
  );
  expect(say({ ...correction, byDb: null, turns: [] })).toBe("Leave the levels as they are.");
});

test("what is to be got: figures with their spares", () => {
  const toGet = (missing: number, spares: number) => say({ code: "packing.toGet", missing, spares, how: "buy" });
  expect([toGet(2, 1), toGet(2, 0), toGet(1, 1), toGet(2, 2)]).toEqual([
    "2 to buy (1 spare)",
    "2 to buy",
    "1 spare to buy",
    "2 spares to buy",
  ]);
});

/** Something that fits a schema, made of its own bounds. */
function sampleOf(schema: TSchema): unknown {
  const {
    anyOf,
    const: literal,
    enum: values,
    type,
    properties,
  } = schema as {
    anyOf?: TSchema[];
    const?: unknown;
    enum?: unknown[];
    type?: string;
    properties?: Record<string, TSchema>;
  };
  if (literal !== undefined) return literal;
  if (values) return values[0];
  if (anyOf) return sampleOf(anyOf[0]!);
  if (type === "object")
    return Object.fromEntries(Object.entries(properties ?? {}).map(([name, own]) => [name, sampleOf(own)]));
  if (type === "array") return [sampleOf((schema as { items?: TSchema }).items!)];
  return { number: 3.4, integer: 2, boolean: true, string: "Name" }[type ?? ""] ?? null;
}

test.each(Object.entries({ FindingWhat, FindingAdvice, Cause, DressReason, LevelAdvice, ClapRemark }))(
  "everything that may be stored as %s can be said",
  (_, schema) => {
    for (const each of (schema as unknown as { anyOf: TSchema[] }).anyOf) {
      const message = sampleOf(each) as AnyMessage;
      const said = say(message);
      expect([message.code, said]).toEqual([message.code, expect.stringMatching(/^[A-Z0-9].*[.?]$|^Name$/)]);
      expect([message.code, said]).not.toEqual([
        message.code,
        expect.stringMatching(/undefined|NaN|\[object|null|  |\.\.$/),
      ]);
    }
  },
);

test("every code says its subject", () => {
  for (const code of Object.keys(en)) expect(code).toMatch(/^[a-z]+\.[a-zA-Z0-9]+$/);
});

/** What is called by its name, cites where a figure is from, or gives the reason for what a situation expects. */
const NAMES = /^(title|name|plural|source|why)$/;
const NAME_TABLES = /(_NAMES|^RECALLED|^ESTIMATE|^HANDBOOKS)$/;

/** Literals of a file that somebody would read: three words or more, but for names, errors that only developers read, and SQL. */
function sentencesOf(path: string): string[] {
  const source = ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const isName = ({ parent }: ts.Node): boolean =>
    (ts.isPropertyAssignment(parent) && NAMES.test(parent.name.getText())) ||
    (ts.isCallExpression(parent) && parent.expression.getText() !== "Error") ||
    (ts.isNewExpression(parent) && /^(Range|Type)?Error$/.test(parent.expression.getText())) ||
    (ts.isTaggedTemplateExpression(parent) && parent.tag.getText() === "sql") ||
    ts.isImportDeclaration(parent);
  const visit = (node: ts.Node): void => {
    if (ts.isVariableDeclaration(node) && NAME_TABLES.test(node.name.getText())) return;
    const text =
      ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
        ? node.text
        : ts.isTemplateExpression(node)
          ? [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join(" … ")
          : "";
    const isWords = text.split(/\s+/).filter((word) => /^[a-z]{2,}/i.test(word)).length >= 3;
    if (isWords && text !== "dB of full" && !isName(node)) found.push(text);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const codeOf = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes(".test."))
    .map((name) => join(folder, name));

test.each(["core", "server"])("no sentence stands in %s", (folder) => {
  const sentences = codeOf(folder).flatMap((path) => sentencesOf(path).map((text) => `${path}: ${text}`));
  expect(codeOf(folder).length).toBeGreaterThan(5);
  expect(sentences).toEqual([]);
});

test.each([
  ["poor", "poor", "Too reverberant, and too noisy."],
  ["poor", "good", "Too reverberant, but quiet enough for soft speech."],
  ["good", "good", "Dry enough, and quiet enough for soft speech."],
  ["good", "poor", "Dry enough, but too noisy."],
  ["open", "usable", "No reverberation outdoors, but noise is heard in the pauses."],
  ["usable", "usable", "The room will be heard, and noise is heard in the pauses."],
] as const)("a place whose reverberation is %s and whose noise is %s", (reverberation, noise, says) => {
  expect(say({ code: "room.verdict", reverberation, noise })).toBe(says);
});

test("what is wrong with a take, and what each control is turned by", () => {
  const turns = [
    { knob: "sensitivity" as const, device: "pack", control: "Sensitivity", byDb: -9, to: "−30 dB" },
    { knob: "gain" as const, device: "recorder, XLR mic input", control: "Gain", byDb: 1.04, to: "+3 dB" },
  ];
  expect(say({ code: "proof.turns", turns })).toBe("Pack sensitivity down 9 dB and recorder gain up 1 dB.");
  expect(
    say({
      ...{ code: "proof.redress", kind: "rustle", times: 14, durationS: 190, from: "High breastbone" },
      ...{ siteId: "knot", to: "Behind the tie knot", rank: 2 },
    }),
  ).toBe("Rustle, 14 times in 3 min: high breastbone. Use place 2 instead: behind the tie knot.");
});
