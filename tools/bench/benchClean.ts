import { execFileSync, spawnSync } from "node:child_process";
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openFileSource } from "../../cli/fileSource";
import { bytesSource, pcmEncoder, readMono, toWav } from "../../core/audio";
import { type CleaningPlan, cleanWav, type Treatment } from "../../core/clean";
import { type CleaningFigures, cleaningFigures } from "../../fixtures/cleaningFigures";
import { ROOT } from "../../host/state";
import { part } from "./benchClient";

const RATE = 48_000;
const SCRIPT = join(ROOT, "tools", "bench", "clean", "makeNoisy.py");
/** afftdn hands on so many samples late at this rate. */
const THEIR_DELAY = 1200;
const BY_DB = 12;

const read = async (path: string) => (await readMono(bytesSource(readFileSync(path)), 600)).samples;

async function ours(samples: Float32Array): Promise<Float32Array> {
  const plan: CleaningPlan = { channels: [{ channel: 0, treatments: [{ kind: "noise", byDb: BY_DB }] }] };
  const out = new Float32Array(samples.length);
  let at = 0;
  const wav = bytesSource(toWav([samples], { sampleRateHz: RATE, bits: 32, isFloat: true }));
  await cleanWav(wav, plan, ([plane], count) => {
    out.set(plane!.subarray(0, count), at);
    at += count;
  });
  return out;
}

/** The same by ffmpeg's afftdn, told how loud the noise is and to follow it. */
async function theirs(folder: string, path: string, noiseDb: number): Promise<Float32Array> {
  const to = join(folder, "theirs.wav");
  const filter = `afftdn=nr=${BY_DB}:nf=${Math.max(-80, Math.min(-20, Math.round(noiseDb)))}:tn=1`;
  execFileSync("ffmpeg", ["-nostdin", "-v", "error", "-y", "-i", path, "-af", filter, "-c:a", "pcm_f32le", to]);
  const late = await read(to);
  const out = new Float32Array(late.length);
  out.set(late.subarray(THEIR_DELAY));
  return out;
}

interface Gain {
  segmentalDb: number;
  pauseDb: number;
  speechDb: number;
  siSdrDb: number;
  logSpectralDb: number;
}
const gainOf = (before: CleaningFigures, after: CleaningFigures): Gain => ({
  segmentalDb: after.segmentalDb - before.segmentalDb,
  pauseDb: after.pauseDb - before.pauseDb,
  speechDb: after.speechDb,
  siSdrDb: after.siSdrDb - before.siSdrDb,
  logSpectralDb: after.logSpectralDb - before.logSpectralDb,
});

function tell(name: string, gains: readonly Gain[]): void {
  const median = (of: keyof Gain) =>
    part(
      gains.map((gain) => gain[of]),
      0.5,
    ).toFixed(1);
  const worst = Math.max(...gains.map(({ speechDb }) => Math.abs(speechDb))).toFixed(2);
  process.stdout.write(
    `${name}: segmental SNR ${median("segmentalDb")} dB, SI-SDR ${median("siSdrDb")} dB, pauses ${median("pauseDb")} dB, ` +
      `log spectrum ${median("logSpectralDb")} dB, speech off by ${worst} dB at most (medians of ${gains.length})\n`,
  );
}

const LINES = Array.from({ length: 8 }, (_, at) => ({ hz: 50 * (at + 1), widthHz: 1 }));
const ALL: Treatment[] = [
  { kind: "lowCut", cornerHz: 80 },
  { kind: "hum", lines: LINES },
  { kind: "noise", byDb: BY_DB },
];

/** Seconds it takes to clean a stereo file into a 24-bit one, by one thread. */
async function ourSeconds(path: string, treatments: readonly Treatment[], to: string): Promise<number> {
  const source = await openFileSource(path);
  const encode = pcmEncoder({ bits: 24, isFloat: false }, 1);
  const file = openSync(to, "w");
  const began = performance.now();
  await cleanWav(
    source,
    { channels: [0, 1].map((channel) => ({ channel, treatments: [...treatments] })) },
    (planes, count) => {
      writeSync(file, encode(planes, count));
    },
  );
  closeSync(file);
  await source.close();
  return (performance.now() - began) / 1000;
}

/** Noise taken from voices beside ffmpeg's afftdn in the same run, and an hour of stereo on one thread each. */
export async function benchClean(args: readonly string[]): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), "hypophon-clean-"));
  const seconds = args.includes("--quick") ? 120 : 600;
  try {
    execFileSync("python3", [SCRIPT, folder, String(seconds)]);
    const lines = readFileSync(join(folder, "list.txt"), "utf8").trim().split("\n");
    const [mine, their]: [Gain[], Gain[]] = [[], []];
    const bySnr = new Map<string, Gain[]>();
    for (const line of lines) {
      const [at, , kind, snr] = line.split(" ");
      const [clean, noisy] = [await read(join(folder, `clean${at}.wav`)), await read(join(folder, `noisy${at}.wav`))];
      const before = cleaningFigures(clean, noisy, RATE);
      const own = gainOf(before, cleaningFigures(clean, await ours(noisy), RATE));
      mine.push(own);
      const key = `${kind} noise ${snr} dB under the voice`;
      bySnr.set(key, [...(bySnr.get(key) ?? []), own]);
      const other = await theirs(folder, join(folder, `noisy${at}.wav`), before.pauseDb);
      their.push(gainOf(before, cleaningFigures(clean, other, RATE)));
    }
    for (const [name, gains] of bySnr) tell(name, gains);
    tell("all", mine);
    tell("ffmpeg's afftdn, all", their);
    const long = join(folder, "long.wav");
    const hour = 3600 / seconds;
    const run = () => {
      const began = performance.now();
      const to = join(folder, "their.wav");
      spawnSync("ffmpeg", [
        ...["-nostdin", "-v", "error", "-y", "-threads", "1", "-filter_threads", "1", "-i", long],
        ...["-af", `afftdn=nr=${BY_DB}:tn=1`, "-c:a", "pcm_s24le", to],
      ]);
      return (performance.now() - began) / 1000;
    };
    const to = join(folder, "ours.raw");
    await ourSeconds(long, ALL, to);
    const [noise, all, ffmpeg]: [number[], number[], number[]] = [[], [], []];
    for (let turn = 0; turn < 3; turn += 1) {
      noise.push(await ourSeconds(long, [{ kind: "noise", byDb: BY_DB }], to));
      all.push(await ourSeconds(long, ALL, to));
      ffmpeg.push(run());
    }
    const [n, a, f] = [noise, all, ffmpeg].map((each) => hour * part(each, 0.5)) as [number, number, number];
    process.stdout.write(
      `an hour of stereo on one thread: noise alone ${n.toFixed(1)} s, low cut, eight notches and noise ${a.toFixed(1)} s, ` +
        `ffmpeg's afftdn ${f.toFixed(1)} s (${(a / f).toFixed(2)} of it)\n`,
    );
    const white = bySnr.get("white noise 10 dB under the voice")!;
    const isGood = white.every(
      (gain) => gain.pauseDb <= -10 && gain.segmentalDb >= 4 && Math.abs(gain.speechDb) <= 0.5,
    );
    return isGood && a <= f ? 0 : 1;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
