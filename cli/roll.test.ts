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

describe("tracks", () => {
  const RATE = 48_000;
  const frequencies = [300, 500, 700] as const;
  const tone = (frequencyHz: number) => sine({ frequencyHz, levelDbfs: -12, seconds: 1, sampleRateHz: RATE });
  const poly = join(folder, "poly.wav");
  writeFileSync(poly, toWav(frequencies.map(tone), { sampleRateHz: RATE, bits: 24 }));
  /** The sound as an independent program decodes it. */
  const decoded = (path: string, filter: readonly string[] = []) =>
    spawnSync("ffmpeg", [
      ...["-nostdin", "-v", "error", "-i", path, ...filter],
      ...["-f", "hash", "-hash", "sha256", "-c:a", "pcm_s24le", "-"],
    ]).stdout.toString();

  test("one poly file becomes mono files that ffmpeg's own split agrees with, and one file again", () => {
    const to = join(folder, "tracks");
    const { status, stdout } = run("tracksTool", [poly, "--to", to]);
    expect(status).toBe(0);
    const files = frequencies.map((_, at) => join(to, `poly_${at + 1}.wav`));
    expect(stdout.trim().split("\n")).toEqual(files);
    for (const [at, file] of files.entries()) {
      expect(decoded(file)).toMatch(/^SHA256=[0-9a-f]{64}/);
      expect(decoded(file)).toBe(decoded(poly, ["-af", `pan=mono|c0=c${at}`]));
    }
    const whole = join(folder, "whole.wav");
    expect(run("tracksTool", [...files, "--to", whole]).status).toBe(0);
    expect(decoded(whole)).toBe(decoded(poly));
    // Nothing is written over.
    const again = run("tracksTool", [...files, "--to", whole]);
    expect([again.status, again.stderr]).toEqual([2, expect.stringContaining("is there already")]);
  });

  test("what cannot be split or joined ends in a sentence, and leaves nothing behind", () => {
    expect(run("tracksTool", [wav, "--to", join(folder, "one")])).toMatchObject({
      status: 1,
      stderr: "hypophon tracks: It has one track only: there is nothing to split.\n",
    });
    const slow = join(folder, "slow.wav");
    writeFileSync(slow, toWav([tone(300)], { sampleRateHz: 44_100, bits: 24 }));
    const to = join(folder, "mixed.wav");
    expect(run("tracksTool", [wav, slow, "--to", to]).stderr).toContain("differ in sample rate or bits");
    expect(run("tracksTool", [wav]).status).toBe(2);
    expect([to, join(folder, "one")].map((path) => existsSync(path))).toEqual([false, false]);
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
