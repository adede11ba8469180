import fc from "fast-check";
import { growingSeries } from "./growingSeries";
import { kWeightedSteps } from "./kWeighting";
import { integratedLufs, loudnessRangeLu } from "./loudness";
import { countLevel, levelHistogram, percentileOf } from "./levelHistogram";
import { pcmDecoder } from "./decodePcm";
import { pieceMeter } from "./pieceMeter";
import { activeLevel } from "./speechLevel";
import { sine } from "../../fixtures/testSignals";
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

describe("levels counted", () => {
  test("percentiles within 0.1 dB, digital silence left out", () => {
    const counted = levelHistogram();
    for (let window = 0; window < 100; window += 1) countLevel(counted, 0);
    for (let window = 0; window < 20; window += 1) countLevel(counted, 10 ** (-63.01 / 10));
    for (let window = 0; window < 80; window += 1) countLevel(counted, 10 ** (-23.01 / 10));
    expect(percentileOf(counted, 0.1)).toBeCloseTo(-60, 0);
    expect(percentileOf(counted, 0.5)).toBeCloseTo(-20, 0);
  });

  test("nothing has no level, and the absurd is survived", () => {
    expect(percentileOf(levelHistogram(), 0.1)).toBe(-Infinity);
    const counted = levelHistogram();
    countLevel(counted, 1e30);
    countLevel(counted, 1e-40);
    expect(Number.isFinite(percentileOf(counted, 0.1))).toBe(true);
  });
});

describe("active speech level", () => {
  /** A tone that is on for a share of every four seconds. */
  const levelOf = (levelDbfs: number, shareOn: number, seconds = 20) => {
    const tone = sine({ frequencyHz: 997, levelDbfs, seconds, sampleRateHz: RATE });
    const isOn = (frame: number) => frame % (4 * RATE) < 4 * RATE * shareOn;
    tone.forEach((_, frame) => {
      if (!isOn(frame)) tone[frame] = 0;
    });
    const meter = pieceMeter(
      { sampleRateHz: RATE, channels: 1, fullScale: 1, encoding: "float", bytesPerSample: 4 },
      seconds,
    );
    meter.begin(0);
    for (let from = 0; from < tone.length; from += meter.blockFrames)
      meter.pushPlanes([tone], from, Math.min(meter.blockFrames, tone.length - from));
    const [channel] = meter.finish().channels;
    const meanSquare = tone.reduce((sum, value) => sum + value * value, 0) / tone.length;
    return activeLevel(channel!.active, meanSquare);
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
