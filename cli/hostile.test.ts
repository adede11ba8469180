import { say } from "../messages";
import { spawn, spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { RecordingRefusal, toWav } from "../core/audio";
import { inLong } from "../fixtures/inLong";
import { sine } from "../fixtures/testSignals";
import { fileRefusal } from "./fileSource";

const MEASURE = join(__dirname, "..", ".build", "cli", "measureTool.mjs");
const CALC = join(__dirname, "..", ".build", "cli", "calcTool.mjs");
const folder = mkdtempSync(join(tmpdir(), "hypophon-hostile-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const wav = (seconds: number) =>
  toWav([sine({ frequencyHz: 440, levelDbfs: -12, seconds, sampleRateHz: 48000 })], { sampleRateHz: 48000, bits: 24 });
const good = join(folder, "good.wav");
writeFileSync(good, wav(1));

const measure = (...args: string[]) =>
  spawnSync(process.execPath, [MEASURE, ...args], { encoding: "utf8", timeout: 20_000, cwd: folder });
const shell = (script: string) =>
  spawnSync("bash", ["-c", script], {
    encoding: "utf8",
    timeout: 20_000,
    cwd: folder,
    env: { ...process.env, MEASURE, CALC },
  });

/** One sentence, and nothing of the program's inside. */
const expectSentence = (stderr: string, says: RegExp) => {
  expect(stderr).toMatch(says);
  expect(stderr).not.toMatch(/\n {4}at |node:|Error:/);
};

describe("files that are none", () => {
  test("a pipe, a folder, a device, a circle of links and nothing at all are refused in a sentence, and the rest goes on", () => {
    spawnSync("mkfifo", [join(folder, "pipe.wav")]);
    mkdirSync(join(folder, "takes"));
    symlinkSync("loop.wav", join(folder, "loop.wav"));
    const { status, stdout, stderr } = measure(
      ...["pipe.wav", "takes", "/dev/zero", "loop.wav", "nowhere.wav", "good.wav/inside.wav", "good.wav", "--json"],
    );
    expect(status).toBe(1);
    const answers = stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as { file: string; error?: string });
    expect(answers.map(({ error }) => error)).toEqual([
      "It is a pipe or a device: save it as a file first.",
      "It is a folder: name the files in it.",
      "It is a pipe or a device: save it as a file first.",
      "It is a link that leads to itself.",
      "There is no such file.",
      "There is no such file.",
      undefined,
    ]);
    expectSentence(stderr, /^pipe\.wav: It is a pipe/);
    expect(stderr.trim().split("\n")).toHaveLength(6);
  });

  test("standard input is a pipe, not an empty file", () => {
    const { status, stderr } = shell(`cat good.wav | node "$MEASURE" /dev/stdin`);
    expect(status).toBe(1);
    expectSentence(stderr, /a pipe or a device/);
  });

  test("each error of the system is a sentence of its own; what is no error of the system stays what it is", () => {
    const says = (code: string) => say((fileRefusal(Object.assign(new Error("x"), { code })) as RecordingRefusal).says);
    expect(says("EACCES")).toBe("You have no permission to read it.");
    expect(says("EMFILE")).toContain("Too many files are open");
    expect(says("EIO")).toBe("It could not be read to its end: is the card still in? (EIO)");
    expect(fileRefusal(Object.assign(new Error("x"), { code: "EIO" }))).toBeInstanceOf(RecordingRefusal);
    const bug = new TypeError("x");
    expect(fileRefusal(bug)).toBe(bug);
  });
});

inLong(
  "files that vanish, or become folders, while others are measured end in a sentence, and the rest is measured",
  async () => {
    const names = Array.from({ length: 6 }, (_, index) => `card${index}.wav`);
    writeFileSync(join(folder, names[0]!), wav(130));
    for (const name of names.slice(1)) copyFileSync(join(folder, names[0]!), join(folder, name));
    const child = spawn(process.execPath, [MEASURE, ...names, good, "--json"], { cwd: folder });
    let [stdout, stderr] = ["", ""];
    child.stderr.on("data", (text: Buffer) => (stderr += text.toString()));
    let isPulled = false;
    child.stdout.on("data", (text: Buffer) => {
      stdout += text.toString();
      if (isPulled) return;
      isPulled = true;
      // The card is pulled while the second file is under way.
      for (const name of names.slice(1)) rmSync(join(folder, name));
      mkdirSync(join(folder, names[3]!));
    });
    const status = await new Promise((resolve) => child.once("close", resolve));
    expect(status).toBe(1);
    const answers = stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as { file: string; error?: string });
    expect(answers.map(({ file }) => file)).toEqual([...names, good]);
    expect(answers[0]!.error).toBeUndefined();
    expect(answers.at(-1)!.error).toBeUndefined();
    // When exactly the files went is chance: each ends measured, or in one of these.
    for (const { error } of answers)
      expect(error ?? "no such file").toMatch(/no such file|It is a folder|It went away while it was measured/);
    expect(answers.filter(({ error }) => error !== undefined).length).toBeGreaterThan(1);
    expectSentence(stderr, /no such file|It went away/);
  },
);

describe("output that cannot be written", () => {
  test("a full disk is said as one, with 2", () => {
    for (const command of [`node "$MEASURE" good.wav`, `node "$CALC" room --example`]) {
      const { status, stderr } = shell(`${command} > /dev/full`);
      expect(status).toBe(2);
      expectSentence(stderr, /^hypophon (measure|calc): the output could not be written: the disk is full\.\n$/);
    }
  });

  test("a reader that leaves is no error", () => {
    const files = new Array<string>(12).fill("good.wav").join(" ");
    const { stderr, stdout } = shell(`node "$MEASURE" --json ${files} | head -c 20`);
    expect([stdout.length, stderr]).toEqual([20, ""]);
    expect(shell(`node "$CALC" dress --schema | head -c 20`).stderr).toBe("");
  });
});

describe("names", () => {
  test("-- ends the options: names may begin with -", () => {
    writeFileSync(join(folder, "-take.wav"), wav(1));
    writeFileSync(join(folder, "--json"), wav(1));
    const { stdout, stderr } = measure("--", "-take.wav", "--json");
    expect(stderr).toBe("");
    expect(stdout).toMatch(/^-take\.wav\n[^]*\n--json\n/);
    const unknown = measure("-take.wav");
    expect(unknown).toMatchObject({ status: 2, stdout: "" });
    expectSentence(unknown.stderr, /^hypophon measure: unknown option '-take\.wav'/);
  });

  test("names that are not UTF-8 are found by their bytes", () => {
    const name = Buffer.concat([Buffer.from(`${folder}/caf`), Buffer.from([0xe9]), Buffer.from(".wav")]);
    writeFileSync(name, wav(1));
    const { stdout, stderr } = shell(`node "$MEASURE" good.wav $'caf\\xe9.wav' --json`);
    expect(stderr).toBe("");
    expect(JSON.parse(stdout.trim().split("\n")[1]!)).toMatchObject({ file: "caf\uFFFD.wav", format: { channels: 1 } });
  });

  test("tracks that are no numbers, or not there, are said", () => {
    const wrong = measure("--mix", "left", "good.wav");
    expect(wrong.status).toBe(2);
    expectSentence(wrong.stderr, /Track numbers from 1 to 64 are expected/);
    const missing = measure("--mix", "2", "good.wav");
    expect(missing.status).toBe(1);
    expectSentence(missing.stderr, /There is no track 2: the file has 1\./);
    expect(measure("--mix", "1", "good.wav").stdout).toContain("tracks 1 together");
  });
});
