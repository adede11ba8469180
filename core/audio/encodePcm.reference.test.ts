import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { sine, whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, pcmEncoder, type PcmForm, readFrames, readWavHeader, soundWriter, toWav } from ".";

const RATE = 48_000;
const folder = mkdtempSync(join(tmpdir(), "hypophon-encode-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const levelDb = (samples: Float32Array) =>
  10 * Math.log10(samples.reduce((sum, value) => sum + value * value, 0) / samples.length + 1e-30);

/** Encoded, and decoded again by the reader. */
async function thereAndBack(planes: readonly Float32Array[], form: PcmForm): Promise<Float32Array[]> {
  const [head, frames] = [
    toWav(
      planes.map(() => new Float32Array(0)),
      { sampleRateHz: RATE, ...form },
    ),
    planes[0]!.length,
  ];
  const parts: Uint8Array[] = [];
  const writer = soundWriter(form, 7, (bytes) => Promise.resolve(parts.push(bytes.slice())));
  await writer.take(planes, frames);
  await writer.end();
  const sound = Buffer.concat(parts);
  const wav = Buffer.concat([head, sound]);
  wav.writeUInt32LE(wav.length - 8, 4);
  wav.writeUInt32LE(frames * planes.length * (form.bits / 8), head.length - 4);
  const source = bytesSource(wav);
  const out = planes.map(() => new Float32Array(frames));
  let at = 0;
  await readFrames(source, await readWavHeader(source), (read, count) => {
    read.forEach((plane, channel) => out[channel]!.set(plane.subarray(0, count), at));
    at += count;
  });
  expect(at).toBe(frames);
  return out;
}

test("float comes back bit by bit; whole numbers within a step and a half (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 9000 }),
      fc.integer({ min: 1, max: 4 }),
      fc.constantFrom<PcmForm>({ bits: 16, isFloat: false }, { bits: 24, isFloat: false }, { bits: 32, isFloat: true }),
      async (frames, channels, form) => {
        const planes = Array.from({ length: channels }, (_, at) => whiteNoise(at + 1, -12, frames));
        const out = await thereAndBack(planes, form);
        const most = form.isFloat ? 0 : 1.5 / 2 ** (form.bits - 1) + 1e-7;
        out.forEach((plane, channel) =>
          expect(plane.every((value, at) => Math.abs(value - planes[channel]![at]!) <= most)).toBe(true),
        );
      },
    ),
    { numRuns: 40, seed: 3 },
  );
});

test("what is beyond full scale is cut off, not turned over", async () => {
  const [out] = await thereAndBack([Float32Array.of(1.5, -1.5, 1, -1)], { bits: 24, isFloat: false });
  expect([...out!].map((value) => Number(value.toFixed(4)))).toEqual([1, -1, 1, -1]);
});

test("dither is triangular: its power is that of two even numbers and the rounding's, as the paper has it", async () => {
  const [out] = await thereAndBack([new Float32Array(20 * RATE)], { bits: 16, isFloat: false });
  // Variance of the sum: 2/12 of the dither and 1/12 of the rounding (Lipshitz, Wannamaker and Vanderkooy 1992).
  const expected = 10 * Math.log10(3 / 12) - 20 * Math.log10(2 ** 15);
  expect(Math.abs(levelDb(out!) - expected)).toBeLessThan(0.05);
});

test("a tone far below the last bit is there, and no harmonic of it, in the spectrum that numpy takes", async () => {
  const tone = sine({ frequencyHz: 1000, levelDbfs: -100, seconds: 20, sampleRateHz: RATE });
  const [out] = await thereAndBack([tone], { bits: 16, isFloat: false });
  const path = join(folder, "tone.f32");
  writeFileSync(path, new Uint8Array(out!.buffer));
  const script = `import numpy as np
x = np.fromfile(${JSON.stringify(path)}, np.float32).astype(float)
n = len(x); s = np.abs(np.fft.rfft(x * np.hanning(n))) * 2 / n * 2
at = lambda hz: 20 * np.log10(s[round(hz * n / ${RATE})])
print(at(1000), max(at(k * 1000) for k in (2, 3, 4, 5)))`;
  const [own, harmonic] = execFileSync("python3", ["-c", script], { encoding: "utf8" }).trim().split(" ").map(Number);
  expect(Math.abs(own! + 100)).toBeLessThan(0.5);
  expect(harmonic!).toBeLessThan(-125);
});

test("the same seed gives the same bytes, another gives others", () => {
  const noise = [whiteNoise(2, -30, 500)];
  const bytes = (seed: number) =>
    Buffer.from(pcmEncoder({ bits: 24, isFloat: false }, seed)(noise, 500)).toString("hex");
  expect(bytes(5)).toBe(bytes(5));
  expect(bytes(5)).not.toBe(bytes(6));
  expect(readFileSync(join(folder, "tone.f32")).length).toBeGreaterThan(0);
});
