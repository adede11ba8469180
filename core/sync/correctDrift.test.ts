import fc from "fast-check";
import { sine, whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, toWav } from "../audio";
import { correctDrift, correctedFrames, driftEdits, lagBetween } from ".";

const RATE = 48_000;
async function corrected(planes: readonly Float32Array[], driftPpm: number): Promise<Float32Array[]> {
  const wav = bytesSource(toWav(planes, { sampleRateHz: RATE, bits: 32, isFloat: true }));
  const frames = correctedFrames(planes[0]!.length, driftPpm);
  const out = planes.map(() => new Float32Array(frames));
  let at = 0;
  const done = await correctDrift(wav, driftPpm, (parts, count) => {
    parts.forEach((part, channel) => out[channel]!.set(part.subarray(0, count), at));
    at += count;
    return Promise.resolve();
  });
  expect([done, at]).toEqual([frames, frames]);
  return out;
}
const levelDb = (samples: Float32Array) =>
  10 * Math.log10(samples.reduce((sum, value) => sum + value * value, 0) / samples.length + 1e-20);

test.each([-400, -37.5, 12, 250])(
  "a tone of a clock %d ppm off is the tone it was, and nothing else to 90 dB",
  async (driftPpm) => {
    const fast = sine({ frequencyHz: 997 / (1 + driftPpm / 1e6), levelDbfs: -6, seconds: 12, sampleRateHz: RATE });
    const [out] = await corrected([fast], driftPpm);
    const wanted = sine({ frequencyHz: 997, levelDbfs: -6, seconds: 13, sampleRateHz: RATE });
    const middle = out!.subarray(1000, out!.length - 1000);
    const rest = middle.map((value, at) => value - wanted[at + 1000]!);
    expect(levelDb(rest) - levelDb(middle)).toBeLessThan(-90);
  },
);

test("channels stay together, whatever the length (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 90_000 }),
      fc.double({ min: -900, max: 900, noNaN: true }),
      async (frames, ppm) => {
        const one = whiteNoise(3, -20, frames);
        const [a, b] = await corrected([one, one.map((value) => -value)], ppm);
        expect(a!.every((value, at) => Math.abs(value + b![at]!) < 1e-6)).toBe(true);
      },
    ),
    { numRuns: 20, seed: 6 },
  );
});

test("what was 300 ppm fast lies on its original from head to tail", async () => {
  const original = whiteNoise(9, -20, 30 * RATE);
  // The fast clock takes more samples of the same sound.
  const [fast] = await corrected([original], -300);
  const [back] = await corrected([fast!], 300);
  for (const fromS of [1, 14, 27]) {
    const cut = (samples: Float32Array) => samples.slice(fromS * RATE, (fromS + 1) * RATE);
    const stretch = (samples: Float32Array) => ({ samples: cut(samples), sampleRateHz: RATE });
    const lag = lagBetween(stretch(original).samples, stretch(back!).samples, RATE, 0.01);
    expect(Math.abs(lag!.lagS)).toBeLessThan(0.5 / RATE);
  }
});

describe("edits in pauses", () => {
  const pauses = Array.from({ length: 600 }, (_, at) => 6 * at + 3);
  test("an hour at 20 ppm is kept within a quarter frame by a few edits (property)", () => {
    fc.assert(
      fc.property(fc.double({ min: -80, max: 80, noNaN: true }), fc.constantFrom(24, 25, 29.97, 50), (ppm, rate) => {
        const edits = driftEdits(ppm, { fromS: 0, toS: 3600 }, pauses, rate)!;
        let [offS, atS] = [0, 0];
        const most = 0.25 / rate + 1e-9;
        for (const { atS: next, byS } of [...edits, { atS: 3600, byS: 0 }]) {
          offS += ((next - atS) * ppm) / 1e6;
          expect(Math.abs(offS)).toBeLessThanOrEqual(most);
          offS -= byS;
          expect(Math.abs(offS)).toBeLessThanOrEqual(most);
          atS = next;
        }
        expect(edits.length).toBeLessThan(3 + (3600 * Math.abs(ppm) * rate) / 1e6 / 0.25);
      }),
      { numRuns: 100, seed: 8 },
    );
  });
  test("none where it stays within a quarter frame, and no answer where there is no pause in time", () => {
    expect(driftEdits(1, { fromS: 0, toS: 600 }, pauses, 25)).toEqual([]);
    expect(driftEdits(80, { fromS: 0, toS: 3600 }, [1800], 25)).toBeNull();
  });
});
