import fc from "fast-check";
import { mixed, sine, whiteNoise } from "@/fixtures/testSignals";
import { findClaps, type ReadStretch } from ".";

const RATE = 48_000;

/** A clap that dies away in a room, in a noise. */
function withClaps(seconds: number, claps: readonly number[], noiseDb: number): Float32Array {
  const out = whiteNoise(5, noiseDb, seconds * RATE);
  for (const [index, atS] of claps.entries()) {
    const burst = whiteNoise(100 + index, -12, RATE / 4);
    const from = Math.round(atS * RATE);
    burst.forEach((value, at) => {
      if (from + at < out.length) out[from + at]! += value * Math.exp(-at / (0.012 * RATE));
    });
  }
  return out;
}
const readerOf =
  (samples: Float32Array): ReadStretch =>
  (fromS, seconds) =>
    Promise.resolve({
      samples: samples.slice(Math.round(fromS * RATE), Math.round((fromS + seconds) * RATE)),
      sampleRateHz: RATE,
    });

test("claps are found to a millisecond, wherever they are, at the joins of what is read too (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.oneof(fc.double({ min: 1, max: 61, noNaN: true }), fc.double({ min: 29.9, max: 30.1, noNaN: true })),
      fc.constantFrom(-60, -40),
      async (atS, noiseDb) => {
        const claps = await findClaps(readerOf(withClaps(64, [atS], noiseDb)), 64, 5);
        expect(claps).toHaveLength(1);
        expect(Math.abs(claps[0]!.atS - atS)).toBeLessThan(0.0011);
      },
    ),
    { numRuns: 12, seed: 4 },
  );
});

test("the sharpest come, in their order; a voice and a tone that swell are none", async () => {
  const claps = await findClaps(readerOf(withClaps(20, [3, 7.5, 12], -50)), 20, 2);
  expect(claps).toHaveLength(2);
  expect(claps[0]!.atS).toBeLessThan(claps[1]!.atS);
  const tone = sine({ frequencyHz: 300, levelDbfs: -12, seconds: 20, sampleRateHz: RATE }).map(
    (value, at) => value * Math.min(1, (at / RATE) % 2),
  );
  expect(await findClaps(readerOf(mixed(tone, whiteNoise(1, -60, tone.length))), 20, 5)).toEqual([]);
  expect(await findClaps(readerOf(new Float32Array(5 * RATE)), 5, 5)).toEqual([]);
});
