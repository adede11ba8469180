import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { resampling } from ".";

const folder = mkdtempSync(join(tmpdir(), "hypophon-resample-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const SECONDS = 1;
const tone = (hertz: number, rateHz: number): Float32Array =>
  Float32Array.from({ length: SECONDS * rateHz }, (_, at) => 0.5 * Math.sin((2 * Math.PI * hertz * at) / rateHz));

/** From one rate to another by ours; the middle, away from the ends. */
function ours(samples: Float32Array, fromHz: number, toHz: number): Float32Array {
  const step = fromHz / toHz;
  const count = Math.floor(samples.length / step);
  return resampling(step)
    .run(samples, 0, step, count)
    .slice(count * 0.2, count * 0.8);
}

/** The same by sox, rate -v. */
function theirs(samples: Float32Array, fromHz: number, toHz: number): Float32Array {
  const [from, to] = [join(folder, "from.raw"), join(folder, "to.raw")];
  writeFileSync(from, Buffer.from(samples.buffer));
  const raw = (rate: number) => ["-t", "raw", "-e", "float", "-b", "32", "-c", "1", "-r", String(rate)];
  execFileSync("sox", ["-D", ...raw(fromHz), from, ...raw(toHz), to, "rate", "-v", String(toHz)]);
  const out = readFileSync(to);
  const all = new Float32Array(out.buffer.slice(out.byteOffset, out.byteOffset + (out.length & ~3)));
  return all.slice(all.length * 0.2, all.length * 0.8);
}

const levelDb = (samples: Float32Array): number =>
  10 * Math.log10(samples.reduce((sum, value) => sum + value * value, 0) / samples.length + 1e-20);

/** What is left when the tone itself is taken out by least squares, dB under it. */
function restDb(samples: Float32Array, hertz: number, rateHz: number): number {
  let [cc, ss, cs, xc, xs] = [0, 0, 0, 0, 0];
  const turn = (2 * Math.PI * hertz) / rateHz;
  samples.forEach((value, at) => {
    const [c, s] = [Math.cos(turn * at), Math.sin(turn * at)];
    cc += c * c;
    ss += s * s;
    cs += c * s;
    xc += value * c;
    xs += value * s;
  });
  const whole = cc * ss - cs * cs;
  const [a, b] = [(xc * ss - xs * cs) / whole, (xs * cc - xc * cs) / whole];
  const rest = samples.map((value, at) => value - a * Math.cos(turn * at) - b * Math.sin(turn * at));
  return levelDb(rest) - levelDb(samples);
}

/** From rate to rate; a crystal's drift is one too. */
const RATES = [
  [48_000, 44_100],
  [44_100, 48_000],
  [48_000, 48_000 * (1 + 50e-6)],
  [96_000, 48_000],
] as const;

describe.each(RATES)("%d Hz to %d Hz", (fromHz, toHz) => {
  const nyquistHz = Math.min(fromHz, toHz) / 2;

  test.each([0.01, 0.1, 0.4, 0.7, 0.88])(
    "a tone at %d of the band is as loud as sox rate -v makes it, within 0.01 dB",
    (share) => {
      const samples = tone(share * nyquistHz, fromHz);
      // Rates of sox are whole.
      const reference = Number.isInteger(toHz) ? theirs(samples, fromHz, toHz) : samples;
      expect(Math.abs(levelDb(ours(samples, fromHz, toHz)) - levelDb(reference))).toBeLessThan(0.01);
    },
  );

  test.each([0.1, 0.6])("a tone at %d of the band comes with nothing else, 100 dB down", (share) => {
    const hertz = share * nyquistHz;
    expect(restDb(ours(tone(hertz, fromHz), fromHz, toHz), hertz, toHz)).toBeLessThan(-100);
  });
});

test.each([25_500, 32_000, 40_000])(
  "at 48 kHz nothing is left of a tone of %d Hz from 96 kHz, 100 dB down",
  (hertz) => {
    const samples = tone(hertz, 96_000);
    expect(levelDb(ours(samples, 96_000, 48_000)) - levelDb(samples)).toBeLessThan(-100);
  },
);
