import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { toWav } from "../core/audio";
import { shootFileOf } from "../core/records";
import { DEMO_LOG } from "../demo/log";
import { SLACK_WATER } from "../demo/slackWater";
import { sine } from "../fixtures/testSignals";
import { stored, wholeBundleOf } from "../fixtures/testShoot";

const BUNDLES = join(__dirname, "..", ".build", "cli");
const folder = mkdtempSync(join(tmpdir(), "hypophon-roll-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = (tool: string, args: readonly string[], input = "") =>
  spawnSync(process.execPath, [join(BUNDLES, `${tool}.mjs`), ...args], { encoding: "utf8", input, cwd: folder });

const wav = join(folder, "take.wav");
writeFileSync(
  wav,
  toWav([sine({ frequencyHz: 440, levelDbfs: -12, seconds: 1, sampleRateHz: 48000 })], {
    sampleRateHz: 48000,
    bits: 24,
  }),
);
const TAGS = {
  bext: { description: "12A take 3", timeReference: 96_000 },
  markers: [{ atFrame: 480, frames: 0, label: "clap" }],
};

describe("meta", () => {
  test("writes into a copy and reads it back; the file itself stays as it is", () => {
    const before = createHash("sha256").update(readFileSync(wav)).digest("hex");
    const copy = join(folder, "copy.wav");
    expect(run("metaTool", [wav, "--write", "-", "--to", copy], JSON.stringify(TAGS))).toMatchObject({
      status: 0,
      stderr: "",
    });
    const { stdout } = run("metaTool", [copy]);
    const read = JSON.parse(stdout) as { bext: { description: string; timeReference: number }; markers: unknown[] };
    expect(read.bext).toMatchObject(TAGS.bext);
    expect(read.markers).toEqual(TAGS.markers);
    expect(createHash("sha256").update(readFileSync(wav)).digest("hex")).toBe(before);
    // What is there is never written over.
    const again = run("metaTool", [wav, "--write", "-", "--to", copy], JSON.stringify(TAGS));
    expect([again.status, again.stderr]).toEqual([
      2,
      "hypophon meta: the copy is there already; nothing was written\n",
    ]);
  });

  test("a bad call, a bad field and what is no sound end in a sentence, and leave nothing behind", () => {
    const to = join(folder, "none.wav");
    expect(run("metaTool", [wav, "--write", "-"], "{}").stderr).toBe("hypophon meta: --write and --to go together\n");
    const field = run("metaTool", [wav, "--write", "-", "--to", to], JSON.stringify({ bext: { date: "May" } }));
    expect([field.status, field.stderr]).toEqual([2, expect.stringMatching(/^hypophon meta: bext.date: /)]);
    expect(run("metaTool", [wav, "--write", "-", "--to", to], "no json").status).toBe(2);
    const text = join(folder, "notes.txt");
    writeFileSync(text, "12A was fine, the plane came in take 3");
    expect(run("metaTool", [text, "--write", "-", "--to", to], "{}")).toMatchObject({ status: 1 });
    expect(run("metaTool", [join(folder, "missing.wav")]).status).toBe(1);
    expect(existsSync(to)).toBe(false);
  });
});

describe("report", () => {
  const shoot = join(folder, "shoot.json");
  const bundle = {
    ...wholeBundleOf(SLACK_WATER),
    rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
    marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
  };
  writeFileSync(shoot, JSON.stringify(shootFileOf(bundle, [], "2027-05-12T08:00:00.000Z")));

  test("says a day in lines, and all days as JSON", () => {
    const { status, stdout } = run("reportTool", [shoot, "--day", "1"]);
    expect(status).toBe(0);
    expect(stdout).toContain("Slack Water: 14 takes, 5 good");
    expect(stdout).toMatch(/1 take 5 +Hold .*0:09 Clothing rustle/);
    expect(stdout).not.toContain("day 3");
    const all = JSON.parse(run("reportTool", [shoot, "--json"]).stdout) as { rows: unknown[] };
    expect(all.rows).toHaveLength(DEMO_LOG.rolls.length);
  });

  test("what is no shoot, and no day, is refused", () => {
    expect(run("reportTool", [wav]).stderr).toMatch(/^hypophon report: /);
    expect(run("reportTool", [shoot, "--day", "first"]).stderr).toBe("hypophon report: --day is a number from 1\n");
    expect(run("reportTool", ["missing.json"]).status).toBe(2);
  });
});
