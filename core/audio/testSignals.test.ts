import { gated, sine } from "./testSignals";
import { toWav } from "./toWav";

test("a made sine has the level and length asked for", () => {
  const tone = sine({ frequencyHz: 1000, levelDbfs: -20, seconds: 1, sampleRateHz: 48000 });
  expect(tone.length).toBe(48000);
  expect(Math.max(...tone)).toBeCloseTo(0.1, 4);
});

test("gating silences outside its spans", () => {
  const tone = gated(sine({ frequencyHz: 1000, levelDbfs: 0, seconds: 1, sampleRateHz: 8000 }), 8000, [[0.25, 0.5]]);
  expect(tone.slice(0, 1999).every((value) => value === 0)).toBe(true);
  expect(tone.slice(2001, 2100).some((value) => value !== 0)).toBe(true);
});

test("a made WAV starts with its header and holds the samples", () => {
  const wav = toWav([new Float32Array([0, 0.5, -0.5])], { sampleRateHz: 8000, bits: 16 });
  expect(wav.length).toBe(44 + 6);
  expect(new DataView(wav.buffer).getInt16(46, true)).toBe(16384);
});
