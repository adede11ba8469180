import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { mixed, sine, whiteNoise } from "../fixtures/testSignals";
import { toWav } from "../core/audio";

const TOOL = join(__dirname, "..", ".build", "cli", "cleanTool.mjs");
const folder = mkdtempSync(join(tmpdir(), "hypophon-clean-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = (program: string, ...args: string[]) => spawnSync(program, args, { encoding: "utf8" });
const clean = (...args: string[]) => run(process.execPath, TOOL, ...args);

const RATE = 48_000;
const voice = join(folder, "voice.wav");
const noisy = join(folder, "noisy.wav");

beforeAll(() => {
  run(
    "espeak-ng",
    "-v",
    "en",
    "-w",
    join(folder, "said.wav"),
    "The gate opens at low water, and the wheel begins to turn. ".repeat(4),
  );
  // Recorded as it is: over a little noise of the microphone's own.
  const spoken = join(folder, "spoken.wav");
  run("sox", join(folder, "said.wav"), "-r", String(RATE), "-b", "24", spoken, "gain", "-n", "-12", "pad", "2", "1");
  run(
    "sh",
    "-c",
    `sox -R "${spoken}" -p synth whitenoise vol 0.0005 | sox -R -m -v 1 "${spoken}" -v 1 - -b 24 "${voice}"`,
  );
  const raw = run("sox", voice, "-t", "f32", join(folder, "voice.f32"));
  expect(raw.status).toBe(0);
  const bytes = readFileSync(join(folder, "voice.f32"));
  const samples = new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
  const tone = (hz: number) => sine({ frequencyHz: hz, levelDbfs: -44, seconds: 60, sampleRateHz: RATE });
  const spoilt = mixed(samples, whiteNoise(3, -48, samples.length), tone(50), tone(100), tone(150));
  writeFileSync(noisy, toWav([spoilt, samples], { sampleRateHz: RATE, bits: 24, startedAtS: 36_000 }));
});

interface Told {
  channels: { channel: number; treatments: { kind: string }[] }[];
  before: { channel: number; noiseDbfs: number; snrDb: number }[];
  after: { channel: number; noiseDbfs: number; snrDb: number }[];
}

test("what is found is taken away into a new file, which other programs read, and the first one stays", () => {
  const before = readFileSync(noisy);
  const to = join(folder, "cleaned.wav");
  const { stdout, status, stderr } = clean(noisy, "--to", to, "--json");
  expect([status, stderr]).toEqual([0, ""]);
  const told = JSON.parse(stdout) as Told;
  expect(told.channels).toHaveLength(1);
  expect(told.channels[0]!.treatments.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["hum", "noise"]));
  expect(told.after[0]!.snrDb - told.before[0]!.snrDb).toBeGreaterThan(9);
  expect(readFileSync(noisy).equals(before)).toBe(true);

  const probe = run("ffprobe", "-v", "error", "-show_format", "-show_streams", "-of", "json", to);
  const { format, streams } = JSON.parse(probe.stdout) as {
    format: { tags: Record<string, string> };
    streams: { bits_per_raw_sample?: string; bits_per_sample: number; duration_ts: number; channels: number }[];
  };
  expect(format.tags["coding_history"]).toMatch(/T=Hypophon; 1: .*Hum notched.*Noise down by/);
  expect(Number(format.tags["time_reference"])).toBe(36_000 * RATE);
  const frames = Number(run("soxi", "-s", noisy).stdout);
  expect(streams[0]).toMatchObject({ channels: 2, duration_ts: frames });
  expect(run("soxi", "-b", to).stdout.trim()).toBe("24");

  // The track that asked for nothing is the same but for the dither: sox takes one from the other.
  const stat = run("sox", "-D", "-m", "-v", "1", noisy, "-v", "-1", to, "-n", "remix", "2", "stats");
  const peak = Number(/Pk lev dB\s+(\S+)/.exec(stat.stderr)![1]);
  expect(peak).toBeLessThan(-132);
});

test("a voice that asks for nothing is not written, and the call says so", () => {
  const to = join(folder, "none.wav");
  const { stdout, status } = clean(voice, "--to", to);
  expect([status, stdout]).toEqual([1, "Nothing in it asks for cleaning.\n"]);
  expect(existsSync(to)).toBe(false);
});

test("amounts are as they are wished, in float, and a plan that was told can be given back", () => {
  const to = join(folder, "float.wav");
  const { stdout } = clean(noisy, "--to", to, "--only", "noise", "--noise", "4", "--bits", "32", "--json");
  const told = JSON.parse(stdout) as Told;
  expect(told.channels.map(({ treatments }) => treatments)).toEqual([
    [{ kind: "noise", byDb: 4 }],
    [{ kind: "noise", byDb: 4 }],
  ]);
  expect(run("soxi", "-e", to).stdout.trim()).toBe("Floating Point PCM");
  const plan = join(folder, "plan.json");
  writeFileSync(plan, JSON.stringify({ channels: told.channels }));
  const again = join(folder, "again.wav");
  expect(clean(noisy, "--to", again, "--plan", plan, "--bits", "32").status).toBe(0);
  expect(readFileSync(again).equals(readFileSync(to))).toBe(true);
});

test.each([
  [["--to", noisy], "is there already"],
  [["--to", join(folder, "no", "such", "x.wav")], "the folder is not there"],
  [["--to", "x.wav", "--noise", "40"], "1 to 24 dB"],
  [["--to", "x.wav", "--only", "magic"], "magic is none of"],
  [["--to", "x.wav", "--plan", voice], "no JSON file"],
  [[], "--to"],
])("%j is refused in a line, and nothing is written", (args, says) => {
  const size = statSync(noisy).size;
  const { status, stderr } = clean(noisy, ...args);
  expect([status, stderr.trim().split("\n")[0]]).toEqual([2, expect.stringContaining(says)]);
  expect(statSync(noisy).size).toBe(size);
});

test("what is no recording is refused", () => {
  const { status, stderr } = clean(join(folder, "voice.f32"), "--to", join(folder, "y.wav"));
  expect([status, stderr]).toEqual([1, "hypophon clean: This is not a WAV file.\n"]);
});
