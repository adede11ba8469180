import { mapOctaves } from "../sound";
import { clarityC50Db, octaveTransferIndex, speechTransmissionIndex } from "./clarity";

const same = (value: number) => mapOctaves(() => value);

/** Pure exponential decay without direct part: values worked out by hand from the formula of the standard. */
test.each([
  [0.5, 0.736],
  [1, 0.588],
  [2, 0.437],
  [3, 0.357],
])("decay of %d s alone gives %d (IEC 60268-16, formula for exponential decay)", (reverberationS, expected) => {
  expect(octaveTransferIndex(reverberationS, -Infinity, Infinity)).toBeCloseTo(expected, 2);
  const sound = {
    reverberationS: same(reverberationS),
    directOverReverberantDb: same(-Infinity),
    snrDb: same(Infinity),
  };
  expect(speechTransmissionIndex(sound)).toBeCloseTo(expected, 2);
});

test.each([
  [-15, 0],
  [0, 0.5],
  [15, 1],
  [30, 1],
])("noise alone at %d dB gives %d (IEC 60268-16)", (snrDb, expected) => {
  expect(octaveTransferIndex(0, Infinity, snrDb)).toBeCloseTo(expected, 3);
});

test("more direct sound is never less clear", () => {
  const at = (directDb: number) => octaveTransferIndex(2, directDb, 20);
  expect(at(0)).toBeGreaterThan(at(-10));
  expect(at(10)).toBeGreaterThan(at(0));
});

test("C50 of a pure decay: 10·lg(e^(13.8·0.05/T) − 1) (ISO 3382-1)", () => {
  expect(clarityC50Db(1, -Infinity)).toBeCloseTo(10 * Math.log10(Math.exp(0.690776) - 1), 4);
  expect(clarityC50Db(0, 0)).toBe(Infinity);
  expect(clarityC50Db(1, 10)).toBeGreaterThan(clarityC50Db(1, 0));
});

test("signal-to-noise and decay together multiply: T = 1 s with 0 dB is below either alone (Houtgast & Steeneken 1985)", () => {
  const both = octaveTransferIndex(1, -Infinity, 0);
  expect(both).toBeLessThan(0.5);
  expect(both).toBeLessThan(octaveTransferIndex(1, -Infinity, Infinity));
  // By hand at F = 1 Hz: m = 1/√(1 + (2π·1·1/13.8)²)·0.5.
  const m = 0.5 / Math.hypot(1, (2 * Math.PI) / 13.8155);
  expect(10 * Math.log10(m / (1 - m))).toBeCloseTo(-0.78, 2);
});
