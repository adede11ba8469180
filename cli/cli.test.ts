import { isMessage } from "../messages";
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { RecordingMeasurement } from "../core/check";
import { schemaFaults } from "../core/schema";
import { inLong } from "../fixtures/inLong";
import { sine } from "../fixtures/testSignals";
import { toWav } from "../core/audio";
import { CALCULATORS } from "./calculators";

const TOOLS = join(__dirname, "..", ".build", "cli", "calcTool.mjs");
const MEASURE = join(__dirname, "..", ".build", "cli", "measureTool.mjs");
const folder = mkdtempSync(join(tmpdir(), "hypophon-cli-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function run(args: readonly string[], input = "") {
  const tool = args[0] === "measure" ? MEASURE : TOOLS;
  const { status, stdout, stderr } = spawnSync(process.execPath, [tool, ...args.slice(1)], { encoding: "utf8", input });
  return { status, stdout, stderr };
}

function takeFile(name: string, levelDbfs: number): string {
  const path = join(folder, name);
  const tone = sine({ frequencyHz: 440, levelDbfs, seconds: 1, sampleRateHz: 48000 });
  const pause = new Float32Array(48000).map((_, index) => 1e-4 * ((index % 7) - 3));
  const samples = new Float32Array(96000);
  samples.set(tone);
  samples.set(pause, 48000);
  writeFileSync(path, toWav([samples], { sampleRateHz: 48000, bits: 24 }));
  return path;
}

test("the bundle that ./hypophon runs is there", () => {
  expect(existsSync(TOOLS)).toBe(true);
});

/** Codes of messages that stand in an answer without their words. */
function wordless(value: unknown): string[] {
  if (typeof value !== "object" || value === null) return [];
  const { code, says } = value as { code?: unknown; says?: unknown };
  const own = typeof code === "string" && isMessage(value) && typeof says !== "string" ? [code] : [];
  return [...own, ...Object.values(value).flatMap(wordless)];
}

describe("measure", () => {
  test("--json prints one object a file, in the shape that is promised, and nothing else", () => {
    const files = [takeFile("a.wav", -12), takeFile("b.wav", -20)];
    const { status, stdout, stderr } = run(["measure", ...files, "--json"]);
    expect([status, stderr]).toEqual([0, ""]);
    const objects = stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as RecordingMeasurement);
    expect(objects.map((each) => each.file)).toEqual(files);
    for (const each of objects) expect(schemaFaults(RecordingMeasurement, each)).toEqual([]);
    expect(Object.keys(objects[0]!.channels[0]!)).toEqual([
      "index",
      "samplePeakDbfs",
      "truePeakDbtp",
      "integratedLufs",
      "rmsDbfs",
      "speechLevelDbfs",
      "noiseFloorDbfs",
      "snrDb",
      "dcOffset",
      "clippedRuns",
      "voicePeakDbfs",
      "speechShare",
      "decayDbPerS",
      "pitchHz",
      "colourDb",
      "noiseOctavesDbfs",
      "counts",
      "course",
    ]);
  });

  test("without --json it is a table for people", () => {
    const { stdout } = run(["measure", takeFile("c.wav", -12)]);
    expect(stdout).toMatch(/48000 Hz, 24 bit pcm, 1 ch, 0:02.0/);
    expect(stdout).toMatch(/−12\.0/);
  });

  test("findings end with 1, refusals with 1 and a reason, a bad call with 2", () => {
    expect(run(["measure", takeFile("hot.wav", -1)]).status).toBe(1);
    const text = join(folder, "text.wav");
    writeFileSync(text, "not sound at all, only words");
    const refused = run(["measure", text, takeFile("d.wav", -12), "--json"]);
    expect(refused.status).toBe(1);
    expect(refused.stderr).toContain("not a WAV");
    expect(refused.stdout.trim().split("\n")).toHaveLength(2);
    expect(JSON.parse(refused.stdout.split("\n")[0]!)).toEqual({ file: text, error: "This is not a WAV file." });
    expect(run(["measure", join(folder, "nowhere.wav")])).toMatchObject({ status: 1 });
    expect(run(["measure"])).toMatchObject({ status: 2, stdout: "" });
    expect(run(["measure", "--loud", "x.wav"]).stderr).toBe("hypophon measure: unknown option '--loud'\n");
  });
});

describe("calc", () => {
  test("--list names every calculator", () => {
    const { stdout } = run(["calc", "--list"]);
    for (const name of Object.keys(CALCULATORS)) expect(stdout).toContain(name);
  });

  test.each(Object.keys(CALCULATORS))("%s: its example fits its schema and gives a result", (name) => {
    const { example, schema } = CALCULATORS[name]!;
    expect(schemaFaults(schema, example)).toEqual([]);
    expect(schema).toMatchObject({ type: "object" });
    const { status, stdout, stderr } = run(["calc", name, "-"], JSON.stringify(example));
    expect([status, stderr]).toEqual([0, ""]);
    expect(Object.keys(JSON.parse(stdout) as object).length).toBeGreaterThan(1);
    expect(wordless(JSON.parse(stdout))).toEqual([]);
  });

  test("an example and a schema are printed as they are", () => {
    const { example, schema } = CALCULATORS["dress"]!;
    expect(JSON.parse(run(["calc", "dress", "--example"]).stdout)).toEqual(JSON.parse(JSON.stringify(example)));
    expect(JSON.parse(run(["calc", "dress", "--schema"]).stdout)).toEqual(JSON.parse(JSON.stringify(schema)));
  });

  test("bad input is one line with the field and what was expected", () => {
    const example = JSON.parse(run(["calc", "dress", "--example"]).stdout) as object;
    const tall = run(
      ["calc", "dress", "-"],
      JSON.stringify({ ...example, person: { heightM: 5, voice: "deep", tapeAllergy: "no", hairyChest: "no" } }),
    );
    expect(tall).toMatchObject({
      status: 2,
      stdout: "",
      stderr: "hypophon calc: person.heightM: Height: 0.8 to 2.3.\n",
    });
    expect(run(["calc", "dress", "-"], "{").stderr).toContain("is no JSON");
    expect(run(["calc", "constructor", "-"], "{}").stderr).toContain("no calculator");
    expect(run(["calc", "room", join(folder, "missing.json")]).stderr).toContain("cannot be read");
    expect(run(["calc"]).status).toBe(2);
  });

  inLong("a place that cannot be, a clap that is none and a day without quiet are findings, in words", () => {
    const exampleOf = (name: string) => JSON.parse(run(["calc", name, "--example"]).stdout) as Record<string, unknown>;
    const finding = (name: string, input: unknown) => run(["calc", name, "-"], JSON.stringify(input));
    const room = { ...exampleOf("room"), setting: "lShape", cutLengthM: 50 };
    expect(finding("room", room)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining("missing corner") as string,
    });
    expect(finding("pickup", { ...exampleOf("pickup"), place: room }).status).toBe(1);
    const text = join(folder, "clap.wav");
    writeFileSync(text, "no clap, only words that are long enough");
    expect(finding("clap", { file: text })).toMatchObject({ status: 1, stderr: "This is not a WAV file.\n" });
    expect(finding("clap", { file: join(folder, "nowhere.wav") }).stderr).toContain("no such file");
    expect(finding("clap", { file: takeFile("speech.wav", -12) })).toMatchObject({ status: 1 });
    const windows = exampleOf("windows");
    const noisy = {
      ...windows,
      scenes: [{ ...(windows["scenes"] as object[])[0], blocked: [{ fromMin: 0, toMin: 1440 }] }],
    };
    expect(finding("windows", noisy).stderr).toMatch(/^interview: .*quiet/);
    expect(finding("pattern", { pattern: "shotgun", frequencyHz: 100, distanceM: 1 })).toMatchObject({ status: 2 });
    expect(finding("sti", { ...exampleOf("sti"), snrDb: [0] }).status).toBe(2);
  });

  test("a finding ends with 1 and says itself", () => {
    const example = JSON.parse(run(["calc", "room", "--example"]).stdout) as object;
    const bath = { ...example, floor: "tile", ceiling: "concrete", walls: "tile", patches: [], noiseNc: 50 };
    const { status, stderr } = run(["calc", "room", "-"], JSON.stringify(bath));
    expect(status).toBe(1);
    expect(stderr).toContain("Too reverberant");
  });
});
