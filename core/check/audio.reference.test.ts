import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { WaveFile } from "../../fixtures/wavefile";
import { bytesSource, integratedLufs, kWeightedSteps, toWav } from "../audio";
import { measureWav } from "./measureWav";
import type { RecordingMeasurement } from "./measurement";
import { joined, sine } from "../../fixtures/testSignals";

const RATE = 48000;
/** Signals of the standards: name, spans of level and seconds, what is wanted. The longest, of a minute and more, wait for --long. */
type Case = [string, [levelDbfs: number, seconds: number][], number];
const isDone = ([name]: Case): boolean => Boolean(process.env["HYPOPHON_LONG"]) || !/case [34]$/.test(name);
const folder = mkdtempSync(join(tmpdir(), "hypophon-reference-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function measure(wav: Uint8Array): Promise<RecordingMeasurement> {
  return (await measureWav(bytesSource(wav), "reference.wav")).measurement;
}

function run(program: string, args: readonly string[]): string {
  const done = spawnSync(program, args, { encoding: "utf8" });
  if (done.status !== 0) throw new Error(`${program} failed: ${done.stderr}`);
  return done.stdout + done.stderr;
}

function figure(text: string, pattern: RegExp): number {
  const found = pattern.exec(text)?.[1];
  if (found === undefined) throw new Error(`no ${String(pattern)} in ${text.slice(-2000)}`);
  return Number(found);
}

const steps = (spans: readonly (readonly [levelDbfs: number, seconds: number])[]) =>
  joined(...spans.map(([levelDbfs, seconds]) => sine({ frequencyHz: 1000, levelDbfs, seconds, sampleRateHz: RATE })));

async function stereo(samples: Float32Array): Promise<RecordingMeasurement> {
  return measure(toWav([samples, samples], { sampleRateHz: RATE, bits: 24 }));
}

describe("integrated loudness (EBU Tech 3341, signals from memory)", () => {
  const cases: Case[] = [
    ["case 1", [[-23, 20]], -23],
    ["case 2", [[-33, 20]], -33],
    [
      "case 3",
      [
        [-36, 10],
        [-23, 60],
        [-36, 10],
      ],
      -23,
    ],
    [
      "case 4",
      [
        [-72, 10],
        [-36, 10],
        [-23, 60],
        [-36, 10],
        [-72, 10],
      ],
      -23,
    ],
    [
      "case 5",
      [
        [-26, 20],
        [-20, 20.1],
        [-26, 20],
      ],
      -23,
    ],
  ];
  test.each(cases.filter(isDone))("%s within 0.1 LU", async (_, spans, wanted) => {
    const { overall } = await stereo(steps(spans));
    expect(Math.abs(overall.integratedLufs! - wanted)).toBeLessThan(0.1);
  });

  test("case 6, five channels with the surrounds weighted 1.41, within 0.1 LU", () => {
    const stepFrames = RATE / 10;
    const levels = [
      [-28, 1],
      [-28, 1],
      [-24, 1],
      [-30, 1.41],
      [-30, 1.41],
    ] as const;
    const sums = new Float64Array(200);
    for (const [levelDbfs, weight] of levels) {
      const samples = sine({ frequencyHz: 1000, levelDbfs, seconds: 20, sampleRateHz: RATE });
      const weighted = kWeightedSteps(RATE);
      sums.forEach((_, step) => {
        weighted.push(samples, step * stepFrames, (step + 1) * stepFrames);
        sums[step]! += (weight * weighted.closeStep()) / stepFrames;
      });
    }
    expect(Math.abs(integratedLufs(sums) + 23)).toBeLessThan(0.1);
  });
});

describe("loudness range (EBU Tech 3342, signals from memory)", () => {
  const cases: Case[] = [
    [
      "case 1",
      [
        [-20, 20],
        [-30, 20],
      ],
      10,
    ],
    [
      "case 2",
      [
        [-20, 20],
        [-15, 20],
      ],
      5,
    ],
    [
      "case 3",
      [
        [-40, 20],
        [-20, 20],
      ],
      20,
    ],
    [
      "case 4",
      [
        [-50, 20],
        [-35, 20],
        [-20, 20],
        [-35, 20],
        [-50, 20],
      ],
      15,
    ],
  ];
  test.each(cases.filter(isDone))("%s within 1 LU", async (_, spans, wanted) => {
    const { overall } = await stereo(steps(spans));
    expect(Math.abs(overall.loudnessRangeLu! - wanted)).toBeLessThan(1);
  });
});

describe("true peak (EBU Tech 3341 cases 20 to 23, signals from memory)", () => {
  // One period at fs/4 and full scale in the midst of fs/6 at half scale, without a step in phase; made at four times the
  // rate and brought down with each of the four offsets, so that the peak falls between samples.
  const made = (() => {
    const fine = new Float64Array(4 * 4800);
    const burstAt = 9600;
    for (let index = 0; index < fine.length; index += 1) {
      const isBurst = index >= burstAt && index < burstAt + 16;
      // 24 fine samples a period outside, 16 inside; the burst begins and ends where the wave is zero.
      fine[index] = isBurst
        ? Math.sin((2 * Math.PI * (index - burstAt)) / 16)
        : 0.5 * Math.sin((2 * Math.PI * (index < burstAt ? index : index - burstAt - 16)) / 24);
    }
    return fine;
  })();

  /** Every fourth sample behind a windowed sinc that cuts at half the lower rate. */
  const broughtDown = (offset: number): Float32Array =>
    Float32Array.from({ length: 4700 }, (_, frame) => {
      const middle = 4 * frame + offset + 100;
      let sum = 0;
      for (let off = -96; off <= 96; off += 1) {
        const sinc = off === 0 ? 1 : Math.sin((Math.PI * off) / 4) / ((Math.PI * off) / 4);
        sum += (made[middle + off] ?? 0) * (sinc / 4) * (0.5 + 0.5 * Math.cos((Math.PI * off) / 97));
      }
      return sum;
    });

  test.each([0, 1, 2, 3])("case 2%d: 0 dBTP within +0.2 and −0.4", async (offset) => {
    const { overall } = await measure(toWav([broughtDown(offset)], { sampleRateHz: RATE, bits: 32, isFloat: true }));
    expect(overall.truePeakDbtp!).toBeLessThan(0.2);
    expect(overall.truePeakDbtp!).toBeGreaterThan(-0.4);
  });
});

describe("true peak (EBU Tech 3341 cases 15 to 19, signals from memory)", () => {
  test.each([
    ["15", 4, 0, 0.5, -6],
    ["16", 4, 45, 0.5, -6],
    ["17", 6, 60, 0.5, -6],
    ["18", 8, 67.5, 0.5, -6],
    ["19", 4, 45, 1.41, 3],
  ])("case %s: fs/%d at %d°, +0.2/−0.4 dB", async (_, divisor, phaseDeg, amplitude, wanted) => {
    const tone = sine({
      frequencyHz: RATE / divisor,
      levelDbfs: 20 * Math.log10(amplitude),
      seconds: 1,
      sampleRateHz: RATE,
      phaseDeg,
    });
    const faded = tone.map((value, index) => value * Math.min(1, index / 4800, (tone.length - 1 - index) / 4800));
    const { channels } = await measure(toWav([faded], { sampleRateHz: RATE, bits: 32, isFloat: true }));
    expect(channels[0]!.truePeakDbtp!).toBeLessThan(wanted + 0.2);
    expect(channels[0]!.truePeakDbtp!).toBeGreaterThan(wanted - 0.4);
  });
});

/** Sound made by sox, so that neither signal nor file comes from this project. */
const MADE_BY_SOX: [string, string[], rangeWithinLu?: number][] = [
  ["pink noise, 24 bit", ["-r", "48000", "-b", "24", "-c", "2", "OUT", "synth", "12", "pinknoise", "vol", "0.4"]],
  [
    "white noise, 16 bit, 44.1 kHz",
    ["-r", "44100", "-b", "16", "-c", "2", "OUT", "synth", "8", "whitenoise", "vol", "0.3"],
  ],
  [
    "sweep, 24 bit",
    [
      "-r",
      "48000",
      "-b",
      "24",
      "-c",
      "1",
      "OUT",
      "synth",
      "10",
      "sine",
      "40-18000",
      "fade",
      "0.1",
      "10",
      "0.1",
      "vol",
      "0.7",
    ],
  ],
  [
    "plucks, float",
    ["-r", "48000", "-b", "32", "-e", "floating-point", "-c", "2", "OUT", "synth", "20", "pluck", "E2", "vol", "0.9"],
  ],
  [
    "noise that swells to an end in mid-step (4.696 s)",
    ["-r", "48000", "-b", "24", "-c", "1", "OUT", "synth", "4.696", "pinknoise", "fade", "l", "4.69", "vol", "0.5"],
    // 17 windows that rise 2 LU each: the tenth percentile is the third by EBU Tech 3342's own code, ffmpeg takes the second.
    2.5,
  ],
  [
    "tremolo noise, 32 bit, 96 kHz",
    ["-r", "96000", "-b", "32", "-c", "2", "OUT", "synth", "8", "brownnoise", "tremolo", "0.4", "90", "vol", "0.6"],
  ],
];

describe.each(MADE_BY_SOX)("%s, made by sox", (name, args, rangeWithinLu = 1) => {
  const path = join(folder, `${name.replace(/\W+/g, "-")}.wav`);
  let measured: RecordingMeasurement;
  beforeAll(async () => {
    run("sox", ["-R", "-n", ...args.map((arg) => (arg === "OUT" ? path : arg))]);
    measured = await measure(new Uint8Array(readFileSync(path)));
  });

  test("integrated loudness and true peak agree with ffmpeg ebur128 within 0.1, range within the 1 LU of EBU Tech 3342", () => {
    const text = run("ffmpeg", ["-nostdin", "-hide_banner", "-i", path, "-af", "ebur128=peak=true", "-f", "null", "-"]);
    const summary = text.slice(text.lastIndexOf("Summary:"));
    expect(Math.abs(measured.overall.integratedLufs! - figure(summary, /I:\s+(-?[\d.]+) LUFS/))).toBeLessThan(0.1);
    expect(Math.abs(measured.overall.loudnessRangeLu! - figure(summary, /LRA:\s+([\d.]+) LU/))).toBeLessThan(
      rangeWithinLu,
    );
    // ffmpeg prints one digit: half a step of rounding on top.
    expect(Math.abs(measured.overall.truePeakDbtp! - figure(summary, /Peak:\s+(-?[\d.]+) dBFS/))).toBeLessThan(0.15);
  });

  test("loudness agrees with libebur128 (loudgain) within 0.1 LU, true peak within what EBU Tech 3341 allows", () => {
    const rows = run("loudgain", ["-O", path])
      .split("\n")
      .find((line) => line.startsWith(path));
    // Its windows of 3 s step by a second, ours by 100 ms: ranges of short files are not compared.
    const [loudness, , , truePeak] = rows!
      .split("\t")
      .slice(1)
      .map((cell) => Number.parseFloat(cell));
    expect(Math.abs(measured.overall.integratedLufs! - loudness!)).toBeLessThan(0.1);
    expect(Math.abs(measured.overall.truePeakDbtp! - truePeak!)).toBeLessThan(0.4);
  });

  test("sample peak, RMS and DC agree with ffmpeg astats", () => {
    const text = run("ffmpeg", ["-nostdin", "-hide_banner", "-i", path, "-af", "astats", "-f", "null", "-"]);
    const first = text.slice(text.indexOf("Channel: 1"));
    const channel = measured.channels[0]!;
    expect(Math.abs(channel.samplePeakDbfs! - figure(first, /Peak level dB: (-?[\d.]+)/))).toBeLessThan(0.01);
    expect(Math.abs(channel.rmsDbfs! - 3.0103 - figure(first, /RMS level dB: (-?[\d.]+)/))).toBeLessThan(0.01);
    expect(Math.abs(channel.dcOffset - figure(first, /DC offset: (-?[\d.]+)/))).toBeLessThan(1e-5);
  });

  test("sample peak and RMS agree with sox stats", () => {
    const text = run("sox", [path, "-n", "remix", "1", "stats"]);
    const channel = measured.channels[0]!;
    expect(Math.abs(channel.samplePeakDbfs! - figure(text, /Pk lev dB\s+(-?[\d.]+)/))).toBeLessThan(0.02);
    expect(Math.abs(channel.rmsDbfs! - 3.0103 - figure(text, /RMS lev dB\s+(-?[\d.]+)/))).toBeLessThan(0.02);
  });
});

describe("containers written by others", () => {
  const tone = sine({ frequencyHz: 997, levelDbfs: -9, seconds: 1, sampleRateHz: RATE });

  test.each([
    ["RF64", ["-rf64", "always"], "RF64"],
    ["broadcast WAV", ["-write_bext", "1", "-metadata", "time_reference=96000"], "WAV"],
  ])("%s from ffmpeg", async (name, args, container) => {
    const plain = join(folder, "plain.wav");
    const path = join(folder, `${name.replace(/\W+/g, "-")}.wav`);
    writeFileSync(plain, toWav([tone], { sampleRateHz: RATE, bits: 24 }));
    run("ffmpeg", ["-nostdin", "-y", "-i", plain, "-c:a", "pcm_s24le", ...args, path]);
    const { format, channels } = await measure(new Uint8Array(readFileSync(path)));
    expect(format).toMatchObject({ container, bitsPerSample: 24, durationS: 1 });
    expect(channels[0]!.samplePeakDbfs!).toBeCloseTo(-9, 2);
  });

  test("a six-channel WAVE_FORMAT_EXTENSIBLE file from ffmpeg", async () => {
    const path = join(folder, "six.wav");
    run("ffmpeg", [
      "-nostdin",
      "-y",
      "-f",
      "lavfi",
      "-i",
      "sine=frequency=500:duration=1",
      "-ac",
      "6",
      "-c:a",
      "pcm_s16le",
      path,
    ]);
    const { format, channels } = await measure(new Uint8Array(readFileSync(path)));
    expect(format.channels).toBe(6);
    expect(channels).toHaveLength(6);
  });

  test("samples are those that the npm package wavefile reads", async () => {
    const wav = toWav([tone.map((value, index) => (index === 777 ? 0.75 : value))], { sampleRateHz: RATE, bits: 24 });
    const theirs = new WaveFile(wav);
    const samples = theirs.getSamples(false, Float64Array);
    const largest = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0) / 2 ** 23;
    const { channels } = await measure(wav);
    expect(channels[0]!.samplePeakDbfs!).toBeCloseTo(20 * Math.log10(largest), 6);
  });
});
