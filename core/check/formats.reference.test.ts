import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { WaveFile } from "../../fixtures/wavefile";
import { bytesSource, readFrames, readWavHeader, toWav } from "../audio";
import { sine, whiteNoise } from "../../fixtures/testSignals";
import { measureWav } from "./measureWav";

/** Every form of sample, written by one and read by the other: wavefile (npm) and ffmpeg against our own reader and writer. */

const RATE = 48000;
const folder = mkdtempSync(join(tmpdir(), "hypophon-formats-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What a form of sample can hold apart, as a share of full scale, and its names. */
const FORMS = [
  { bits: 8, isFloat: false, wavefile: "8", ffmpeg: "pcm_u8", step: 2 ** -7 },
  { bits: 16, isFloat: false, wavefile: "16", ffmpeg: "pcm_s16le", step: 2 ** -15 },
  { bits: 24, isFloat: false, wavefile: "24", ffmpeg: "pcm_s24le", step: 2 ** -23 },
  // Read into floats of 24 significant bits.
  { bits: 32, isFloat: false, wavefile: "32", ffmpeg: "pcm_s32le", step: 2 ** -23 },
  { bits: 32, isFloat: true, wavefile: "32f", ffmpeg: "pcm_f32le", step: 2 ** -23 },
  { bits: 64, isFloat: true, wavefile: "64", ffmpeg: "pcm_f64le", step: 2 ** -23 },
] as const;

const frames = 4800;
const planes = [
  sine({ frequencyHz: 997, levelDbfs: -3, seconds: 0.1, sampleRateHz: RATE }),
  whiteNoise(21, -30, frames),
];

async function read(bytes: Uint8Array): Promise<Float32Array[]> {
  const source = bytesSource(bytes);
  const header = await readWavHeader(source);
  const whole = Array.from({ length: header.channels }, () => new Float32Array(header.frames));
  let at = 0;
  await readFrames(source, header, (block, count) => {
    block.forEach((plane, channel) => whole[channel]!.set(plane.subarray(0, count), at));
    at += count;
  });
  return whole;
}

function farthest(one: ArrayLike<number>, other: ArrayLike<number>): number {
  expect(one.length).toBe(other.length);
  let most = 0;
  for (let at = 0; at < one.length; at += 1) most = Math.max(most, Math.abs(one[at]! - other[at]!));
  return most;
}

describe.each(FORMS)("$bits bit, float: $isFloat", ({ bits, isFloat, wavefile, ffmpeg, step }) => {
  const path = join(folder, `${bits}${isFloat ? "f" : ""}.wav`);
  const raw = join(folder, `${bits}${isFloat ? "f" : ""}.f64`);

  test("what wavefile writes is read as it was", async () => {
    const theirs = new WaveFile();
    const scale = isFloat ? 1 : 2 ** (bits - 1) - 1;
    const codes = planes.map((plane) =>
      Float64Array.from(plane, (value) => (isFloat ? value : Math.round(value * scale) + (bits === 8 ? 128 : 0))),
    );
    theirs.fromScratch(2, RATE, wavefile, codes);
    const found = await read(theirs.toBuffer());
    planes.forEach((plane, channel) => expect(farthest(found[channel]!, plane)).toBeLessThan(1.6 * step));
  });

  test("what is written here is read by wavefile and by ffmpeg as it was", () => {
    const bytes = toWav(planes, { sampleRateHz: RATE, bits, isFloat });
    const theirs = new WaveFile(bytes);
    const scale = isFloat ? 1 : 2 ** (bits - 1);
    const samples = theirs.getSamples(false, Float64Array) as unknown as Float64Array[];
    planes.forEach((plane, channel) => {
      const values = Float64Array.from(samples[channel]!, (code) => (code - (bits === 8 ? 128 : 0)) / scale);
      expect(farthest(values, plane)).toBeLessThan(1.6 * step);
    });
    writeFileSync(path, bytes);
    spawnSync("ffmpeg", ["-nostdin", "-v", "error", "-y", "-i", path, "-f", "f64le", raw]);
    const told = readFileSync(raw);
    const decoded = new Float64Array(told.buffer.slice(told.byteOffset, told.byteOffset + told.length));
    planes.forEach((plane, channel) => {
      const own = decoded.filter((_, at) => at % 2 === channel);
      expect(farthest(own, plane)).toBeLessThan(1.6 * step);
    });
  });

  test("what ffmpeg writes is measured as what it was made of", async () => {
    writeFileSync(
      raw,
      Buffer.from(Float64Array.from({ length: 2 * frames }, (_, at) => planes[at % 2]![at >> 1]!).buffer),
    );
    const made = spawnSync("ffmpeg", [
      ...["-nostdin", "-v", "error", "-y", "-f", "f64le", "-ar", String(RATE), "-ac", "2", "-i", raw],
      ...["-c:a", ffmpeg, path],
    ]);
    expect(made.stderr.toString()).toBe("");
    const bytes = new Uint8Array(readFileSync(path));
    const found = await read(bytes);
    planes.forEach((plane, channel) => expect(farthest(found[channel]!, plane)).toBeLessThan(1.6 * step));
    const { measurement } = await measureWav(bytesSource(bytes), "made.wav");
    expect(measurement.format).toMatchObject({ sampleRateHz: RATE, channels: 2, bitsPerSample: bits });
    expect(Math.abs(measurement.channels[0]!.samplePeakDbfs! + 3)).toBeLessThan(0.1);
  });
});
