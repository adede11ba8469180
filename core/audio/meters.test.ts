import fc from "fast-check";
import { channelFindings } from "./findings";
import { channelMeter, type ChannelReading } from "./channelMeter";
import { growingSeries } from "./growingSeries";
import { kWeightedSteps } from "./kWeighting";
import { integratedLufs, loudnessRangeLu } from "./loudness";
import { noiseFloorMeter } from "./noiseFloor";
import { pcmDecoder } from "./decodePcm";
import { speechLevelMeter } from "./speechLevel";
import { sine, whiteNoise } from "./testSignals";
import { toWav } from "./toWav";

const RATE = 48000;

describe("growing series", () => {
  test("keeps every figure in order, however many", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true }), { maxLength: 3000 }), (figures) => {
        const series = growingSeries();
        figures.forEach((figure) => series.push(figure));
        expect([...series.values()]).toEqual(figures);
      }),
      { numRuns: 20 },
    );
  });
});

describe("K-weighting", () => {
  const gainDb = (frequencyHz: number, sampleRateHz: number) => {
    const tone = sine({ frequencyHz, levelDbfs: 0, seconds: 2, sampleRateHz });
    const steps = kWeightedSteps(sampleRateHz);
    steps.push(tone, 0, sampleRateHz);
    steps.closeStep();
    steps.push(tone, sampleRateHz, tone.length);
    return 10 * Math.log10((2 * steps.closeStep()) / sampleRateHz);
  };

  test.each([32000, 44100, 48000, 96000])(
    "at %d Hz: about +0.7 dB at 1 kHz, +4 dB high up, far down at 20 Hz",
    (rate) => {
      expect(gainDb(997, rate)).toBeCloseTo(0.69, 1);
      expect(gainDb(10_000, rate)).toBeGreaterThan(3.7);
      expect(gainDb(10_000, rate)).toBeLessThan(4.2);
      expect(gainDb(20, rate)).toBeLessThan(-12);
    },
  );

  test("silence after sound leaves nothing behind", () => {
    const steps = kWeightedSteps(RATE);
    steps.push(sine({ frequencyHz: 100, levelDbfs: 0, seconds: 0.1, sampleRateHz: RATE }), 0, 4800);
    steps.closeStep();
    const silence = new Float32Array(RATE);
    for (let turn = 0; turn < 4; turn += 1) steps.push(silence, 0, RATE);
    steps.closeStep();
    steps.push(silence, 0, RATE);
    expect(steps.closeStep()).toBeLessThan(1e-20);
  });
});

describe("gating", () => {
  const steps = (...spans: [lufs: number, seconds: number][]) =>
    Float64Array.from(
      spans.flatMap(([lufs, seconds]) => new Array<number>(seconds * 10).fill(10 ** ((lufs + 0.691) / 10))),
    );

  test("silence does not count, nor what lies 10 LU below the rest", () => {
    expect(integratedLufs(steps([-23, 20]))).toBeCloseTo(-23, 6);
    expect(integratedLufs(steps([-23, 20], [-90, 60]))).toBeCloseTo(-23, 1);
    expect(integratedLufs(steps([-23, 20], [-50, 60]))).toBeCloseTo(-23, 1);
    expect(integratedLufs(steps([-23, 20], [-29, 20]))).toBeLessThan(-24.5);
  });

  test("too short or too quiet to say anything", () => {
    expect(integratedLufs(new Float64Array(3).fill(0.1))).toBe(-Infinity);
    expect(integratedLufs(steps([-80, 10]))).toBe(-Infinity);
    expect(loudnessRangeLu(steps([-20, 2]))).toBeNull();
    expect(loudnessRangeLu(steps([-20, 30]))).toBeCloseTo(0, 6);
  });

  test("a louder programme is louder by as much", () => {
    fc.assert(
      fc.property(fc.double({ min: -30, max: 10, noNaN: true }), (liftDb) => {
        const quiet = steps([-30, 5], [-24, 5]);
        const lifted = quiet.map((value) => value * 10 ** (liftDb / 10));
        expect(integratedLufs(lifted) - integratedLufs(quiet)).toBeCloseTo(liftDb, 6);
      }),
    );
  });
});

describe("noise floor", () => {
  test("is the quiet tenth, digital silence left out", () => {
    const meter = noiseFloorMeter();
    for (let window = 0; window < 100; window += 1) meter.push(0);
    for (let window = 0; window < 20; window += 1) meter.push(10 ** (-63.01 / 10));
    for (let window = 0; window < 80; window += 1) meter.push(10 ** (-23.01 / 10));
    expect(meter.finish()).toBeCloseTo(-60, 0);
  });

  test("has none in nothing, and survives the absurd", () => {
    expect(noiseFloorMeter().finish()).toBe(-Infinity);
    const meter = noiseFloorMeter();
    meter.push(1e30);
    meter.push(1e-40);
    expect(Number.isFinite(meter.finish())).toBe(true);
  });
});

describe("active speech level", () => {
  /** Blocks of 1 ms of a steady level, on for a share of each second. */
  const levelOf = (levelDbfs: number, shareOn: number, seconds = 20) => {
    const meter = speechLevelMeter(1000);
    const amplitude = 10 ** (levelDbfs / 20);
    for (let block = 0; block < seconds * 1000; block += 1) {
      const isOn = block % 4000 < 4000 * shareOn;
      meter.push(isOn ? (amplitude * 2) / Math.PI : 0, isOn ? 48 * (amplitude ** 2 / 2) : 0, 48);
    }
    return meter.finish();
  };

  test.each([-10, -26, -50])("a steady %d dBFS is that level, fully active", (levelDbfs) => {
    const { levelDbfs: found, activity } = levelOf(levelDbfs, 1);
    expect(found).toBeCloseTo(levelDbfs, 1);
    expect(activity).toBeCloseTo(1, 1);
  });

  test.each([0.25, 0.5, 0.75])(
    "on for %d of the time: the level is that of the speech, the activity about that share",
    (share) => {
      const { levelDbfs, activity } = levelOf(-20, share);
      // Hangover and the envelope's decay dilute a burst of 1 s by about 1 dB.
      expect(Math.abs(levelDbfs + 20)).toBeLessThan(1.2);
      // The hangover of 0.2 s a burst counts as active.
      expect(activity).toBeGreaterThan(share - 0.01);
      expect(activity).toBeLessThan(share + 0.11);
    },
  );

  test("silence has no level", () => {
    expect(levelOf(-Infinity, 1)).toEqual({ levelDbfs: -Infinity, activity: 0 });
  });
});

describe("decoding", () => {
  test.each([8, 16, 24, 32] as const)("PCM %d gives back what was written, to half a step", (bits) => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 0.99, noNaN: true }), { minLength: 1, maxLength: 60 }),
        (values) => {
          const samples = Float32Array.from(values);
          const wav = toWav([samples, samples], { sampleRateHz: RATE, bits });
          const planes = [new Float32Array(samples.length), new Float32Array(samples.length)];
          const decode = pcmDecoder({ encoding: "pcm", channels: 2, bytesPerSample: bits / 8 });
          expect(decode(wav.subarray(44), samples.length, planes)).toBe(0);
          const step = 2 ** (1 - Math.min(24, bits));
          samples.forEach((value, index) => {
            expect(Math.abs(planes[0]![index]! - value)).toBeLessThanOrEqual(step);
            expect(planes[1]![index]).toBe(planes[0]![index]);
          });
        },
      ),
      { numRuns: 30 },
    );
  });

  test("doubles too large for a float are broken samples, not infinities", () => {
    const bytes = new Uint8Array(new Float64Array([1e300, 0.5]).buffer);
    const plane = new Float32Array(2);
    expect(pcmDecoder({ encoding: "float", channels: 1, bytesPerSample: 8 })(bytes, 2, [plane])).toBe(1);
    expect([...plane]).toEqual([0, 0.5]);
  });
});

describe("findings", () => {
  const reading = (own: Partial<ChannelReading>): ChannelReading => ({
    samplePeak: 0.25,
    samplePeakDbfs: -12,
    truePeakDbtp: -12,
    integratedLufs: -26,
    rmsDbfs: -26,
    speechLevelDbfs: -24,
    speechActivity: 0.6,
    noiseFloorDbfs: -60,
    snrDb: 36,
    dcOffset: 0,
    clipping: { fullScaleRuns: 0, flatTopRuns: 0, plateau: 0, places: [] },
    overview: { framesPerColumn: 64, low: new Float32Array(), high: new Float32Array() },
    loudnessSteps: new Float64Array(),
    ...own,
  });
  const kinds = (own: Partial<ChannelReading>, isFloat = false) =>
    channelFindings(reading(own), 2, { sampleRateHz: RATE, durationS: 10, isFloat }).map((finding) => finding.kind);

  test.each<[string, Partial<ChannelReading>, string[]]>([
    ["a good take", {}, []],
    ["peaks at −5", { truePeakDbtp: -5 }, ["tooHot"]],
    ["peaks at −6", { truePeakDbtp: -6 }, []],
    ["peaks at −35", { samplePeakDbfs: -35, truePeakDbtp: -35 }, ["tooLow"]],
    ["nothing above −80", { samplePeakDbfs: -80 }, ["silent"]],
    ["15 dB over the noise", { snrDb: 15 }, ["noisy"]],
    ["off centre", { dcOffset: -0.03 }, ["dcOffset"]],
    ["low and noisy", { samplePeakDbfs: -40, snrDb: 8 }, ["tooLow", "noisy"]],
  ])("%s", (_, own, wanted) => {
    expect(kinds(own)).toEqual(wanted);
  });

  test("each place of clipping is one finding on its channel, with its time", () => {
    const places = [
      { startFrame: 48000, endFrame: 48010, runs: 1 },
      { startFrame: 96000, endFrame: 120000, runs: 40 },
    ];
    const findings = channelFindings(
      reading({ clipping: { fullScaleRuns: 41, flatTopRuns: 0, plateau: 0, places } }),
      2,
      { sampleRateHz: RATE, durationS: 10, isFloat: false },
    );
    expect(findings.map(({ kind, channel, startS, confidence }) => [kind, channel, startS, confidence])).toEqual([
      ["clipped", 2, 1, 0.8],
      ["clipped", 2, 2, 1],
    ]);
    expect(findings[0]!.message).toContain("1 time:");
  });

  test("over full scale is a matter of float files alone", () => {
    expect(kinds({ samplePeakDbfs: 3, truePeakDbtp: 3 }, true)).toEqual(["overFullScale"]);
    expect(kinds({ samplePeakDbfs: 0, truePeakDbtp: 1 }, false)).toEqual(["tooHot"]);
  });
});

test("one channel's meter needs no second pass and no memory of the sound", () => {
  const meter = channelMeter(RATE, 1);
  const block = whiteNoise(4, -20, 10_000);
  for (let turn = 0; turn < 30; turn += 1) meter.push(block, block.length);
  const reading = meter.finish();
  expect(reading.rmsDbfs).toBeCloseTo(-20 + 3.01, 1);
  expect(reading.loudnessSteps.length).toBe(62);
  expect(reading.overview.high.length).toBeLessThanOrEqual(4096);
});
