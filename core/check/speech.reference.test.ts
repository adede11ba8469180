import { inLong } from "../../fixtures/inLong";
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bytesSource } from "../audio";
import { measureWav } from "./measureWav";

const folder = mkdtempSync(join(tmpdir(), "hypophon-speech-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function run(program: string, args: readonly string[]): string {
  const done = spawnSync(program, args, { encoding: "utf8", maxBuffer: 1 << 24 });
  if (done.status !== 0) throw new Error(`${program} failed: ${done.stderr}`);
  return done.stdout + done.stderr;
}

async function measure(path: string) {
  return (await measureWav(bytesSource(readFileSync(path)), path)).measurement;
}

const DEMO = join("demo", "recordings");

/**
 * Method B of ITU-T P.56, written anew from the standard's text, sample by sample, with filters of scipy: a two-stage exponential
 * average of 0.03 s, thresholds 6.02 dB apart, a hangover of 0.2 s, a margin of 15.9 dB, interpolated between thresholds.
 */
const P56 = `
import sys, numpy as np
from scipy.io import wavfile
from scipy.signal import lfilter
rate, x = wavfile.read(sys.argv[1])
x = x.astype(float) / (2 ** 31 if x.dtype == np.int32 else 2 ** 15)
if x.ndim > 1: x = x[:, 0]
g = np.exp(-1 / (rate * 0.03))
envelope = lfilter([1 - g], [1, -g], lfilter([1 - g], [1, -g], np.abs(x)))
hang = int(np.ceil(0.2 * rate))
thresholds = 2.0 ** np.arange(-15, 1)
active = []
for threshold in thresholds:
    above = envelope >= threshold
    last = np.where(above, np.arange(len(x)), -hang - 1)
    last = np.maximum.accumulate(last)
    active.append(np.count_nonzero(np.arange(len(x)) - last < hang))
squares = np.sum(x ** 2)
before = None
for count, threshold in zip(active, thresholds):
    if count == 0: break
    level = 10 * np.log10(squares / count)
    over = level - 20 * np.log10(threshold)
    if over <= 15.9 and before is not None:
        share = (before[1] - 15.9) / (before[1] - over)
        print(before[0] + (level - before[0]) * share)
        break
    before = (level, over)
`;

/** The full-scale sine reads 0 on the AES17 scale, −3.01 by the standard's mean square. */
const AES17_DB = 3.01;

describe("active speech level against the standard written anew (ITU-T P.56, method B)", () => {
  const agrees = async (file: string) => {
    const path = join(folder, `deep-${file}`);
    // scipy reads 24 bit as 32; 16 and 32 bit are safe in every version.
    run("sox", [join(DEMO, file), "-b", "32", path]);
    const { channels } = await measure(path);
    const reference = Number(run("python3", ["-c", P56, path]).trim());
    expect(Math.abs(channels[0]!.speechLevelDbfs! - AES17_DB - reference)).toBeLessThan(0.3);
  };
  test.each(["voice-miller.wav", "singer-hall.wav"])("%s within 0.3 dB", agrees);
  inLong.each(["miller-granary.wav", "voice-singer.wav"])("%s within 0.3 dB", agrees);
});

describe("hum against sox", () => {
  /** RMS by sox, dB re full scale. */
  const rms = (path: string) => Number(/RMS lev dB\s+(-?[\d.]+)/.exec(run("sox", [path, "-n", "stats"]))![1]);

  test.each([
    [50, -52],
    [60, -46],
  ])("%d Hz with two harmonics is as far under the voice as sox measures", async (mainsHz, peakDb) => {
    const [hum, voice, both] = ["hum", "voice", "both"].map((name) => join(folder, `${name}-${mainsHz}.wav`));
    const speech = join(DEMO, "voice-miller.wav");
    run("sox", [speech, "-r", "48000", "-b", "24", voice!, "gain", "-12"]);
    run("sox", [
      ...["-R", "-n", "-r", "48000", "-b", "24", hum!, "synth", "13", "sine", `${mainsHz}`],
      ...["synth", "sine", "mix", `${2 * mainsHz}`, "synth", "sine", "mix", `${3 * mainsHz}`, "norm", `${peakDb}`],
    ]);
    run("sox", ["-R", "-m", "-v", "1", voice!, "-v", "1", hum!, "-b", "24", both!, "trim", "0", "13"]);
    const { findings, channels } = await measure(both!);
    const found = findings.find(({ kind }) => kind === "hum");
    const told = found!.what;
    if (told?.code !== "finding.hum") throw new Error(told?.code);
    expect(told.mainsHz).toBe(mainsHz);
    const underDb = told.underVoiceDb;
    // The voice's level by third-octaves of its spoken parts lies within 2 dB of the active level.
    expect(Math.abs(underDb - (channels[0]!.speechLevelDbfs! - AES17_DB - rms(hum!)))).toBeLessThan(3);
  });

  test("without hum none is found", async () => {
    const path = join(folder, "clean.wav");
    run("sox", [join(DEMO, "voice-miller.wav"), "-r", "48000", "-b", "24", path, "gain", "-12"]);
    expect((await measure(path)).findings.map(({ kind }) => kind)).not.toContain("hum");
  });
});
