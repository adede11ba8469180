import { spawnSync } from "node:child_process";
import Papa from "papaparse";
import { reportOf } from "@/core/planning";
import { DEMO_LOG } from "@/demo/log";
import { SLACK_WATER } from "@/demo/slackWater";
import { stored, wholeBundleOf } from "@/fixtures/testShoot";
import { csvOf } from "../files/csv";
import { reportCells } from "./reportCells";

/** Notes as people type them, and as nobody should. */
const NOTES = [
  'She says "no, wait", then laughs',
  "two lines\nof a note; and a semicolon",
  "=1+1",
  "Öland, Łódź, Ελλάδα, 中文, עברית, 🎬",
  'ends with a quote"',
  "\ttab first",
  "",
];

const bundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }, at) =>
    stored<"roll">(id, { ...body, note: NOTES[at % NOTES.length]!, slate: at === 3 ? '12"A", x' : body.slate }),
  ),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
};
const report = reportOf(bundle, null);
const text = csvOf(reportCells(report));
/** The same table as Python's own module reads it (independent program). */
const READ =
  "import csv, io, json, sys; print(json.dumps(list(csv.reader(io.StringIO(sys.stdin.read(), newline='')))))";
const inPython = JSON.parse(spawnSync("python3", ["-c", READ], { input: text, encoding: "utf8" }).stdout) as string[][];

test("the report as CSV is the same table to Python's reader and to papaparse", () => {
  expect(inPython).toHaveLength(DEMO_LOG.rolls.length + 1);
  expect(Papa.parse<string[]>(text.trimEnd()).data).toEqual(inPython);
  const width = inPython[0]!.length;
  expect(inPython.filter((row) => row.length !== width)).toEqual([]);
});

test("what was typed comes back letter by letter; what a spreadsheet would run is led by an apostrophe", () => {
  const column = (name: string) => inPython.slice(1).map((row) => row[inPython[0]!.indexOf(name)]!);
  const typed = report.rows.map(({ roll }) => roll.body.note);
  const guarded = (note: string) => (/^[=\t]/.test(note) ? `'${note}` : note);
  expect(column("Note")).toEqual(typed.map(guarded));
  expect(column("Slate")).toContain('12"A", x');
  expect(column("Take").map(Number)).toEqual(report.rows.map(({ roll }) => roll.body.take));
});

test("the same day twice is the same file", () => {
  expect(csvOf(reportCells(reportOf(bundle, null)))).toBe(text);
});
