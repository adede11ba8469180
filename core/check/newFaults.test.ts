import { bytesSource, toWav } from "../audio";
import { demoVoice, metered } from "../../fixtures/demoVoice";
import { whiteNoise } from "../../fixtures/testSignals";
import { measureWav } from "./measureWav";

const RATE = 48_000;
const seconds = (time: number) => Math.round(time * RATE);

/** The demo's voice, said twice over the noise of a quiet place. */
async function quietTake(): Promise<Float32Array> {
  const voice = await demoVoice();
  const samples = whiteNoise(3, -74, 2 * voice.length + seconds(2));
  for (const from of [seconds(0.5), voice.length + seconds(1.5)])
    voice.forEach((value, index) => (samples[from + index]! += value));
  return samples;
}

async function kindsOf(samples: Float32Array): Promise<Set<string>> {
  const wav = toWav([samples], { sampleRateHz: RATE, bits: 24 });
  const { measurement } = await measureWav(bytesSource(wav), "made.wav");
  return new Set(measurement.findings.map(({ kind }) => kind));
}

/** Where the take is loudest for so long, from a second on, s. */
function loudestFrom(samples: Float32Array, lengthS: number): number {
  let [best, most] = [RATE, 0];
  for (let from = RATE; from + seconds(lengthS) < samples.length - RATE; from += 480) {
    let sum = 0;
    for (let at = from; at < from + seconds(lengthS); at += 16) sum += samples[at]! ** 2;
    if (sum > most) [best, most] = [from, sum];
  }
  return best;
}

const added = (samples: Float32Array, from: number, frames: number, value: (at: number) => number): Float32Array => {
  for (let at = 0; at < frames; at += 1) samples[from + at]! += value(at);
  return samples;
};

const NEW = ["click", "crackle", "contactLost", "buzz", "whine", "narrowBand", "noSpeech"];

test("a clean take has none of them", async () => {
  const kinds = await kindsOf(await quietTake());
  for (const kind of NEW) expect(kinds).not.toContain(kind);
});

test("a tick of a tenth of a millisecond in a pause is a click", async () => {
  const samples = await quietTake();
  expect(await kindsOf(added(samples, seconds(0.3), 5, (at) => (at % 2 === 0 ? 0.4 : -0.4)))).toContain("click");
});

test("a voice that stops for a second and comes back lost its contact; silence between words has lost none", async () => {
  const samples = await quietTake();
  const from = loudestFrom(samples, 0.1);
  const hole = whiteNoise(9, -96, seconds(0.9));
  samples.set(hole, from);
  expect(await kindsOf(samples)).toContain("contactLost");
});

test("digital silence between words, as a gate or a speech maker leaves it, is neither dropout nor gap", async () => {
  const samples = await quietTake();
  const block = seconds(0.02);
  let hold = 0;
  for (let from = 0; from < samples.length; from += block) {
    const part = samples.subarray(from, from + block);
    hold = part.some((value) => Math.abs(value) > 0.004) ? 3 : hold - 1;
    if (hold <= 0) part.fill(0);
  }
  const kinds = await kindsOf(samples);
  for (const kind of ["dropout", "gap", "contactLost", "repeated"]) expect(kinds).not.toContain(kind);
});

test("bursts 216.7 times a second for a second are a phone's (60/13 ms a frame)", async () => {
  const samples = await quietTake();
  const burst = (at: number) => ((at / RATE) % (0.06 / 13) < 0.000577 ? 0.06 : 0);
  expect(await kindsOf(added(samples, seconds(0.2), seconds(1), burst))).toContain("buzz");
  const other = (at: number) => ((at / RATE) % (1 / 150) < 0.000577 ? 0.06 : 0);
  expect(await kindsOf(added(await quietTake(), seconds(0.2), seconds(1), other))).not.toContain("buzz");
});

test("a steady tone of 3 kHz under the voice is a whine", async () => {
  const samples = await quietTake();
  const tone = (at: number) => 0.002 * Math.sin((2 * Math.PI * 3000 * at) / RATE);
  expect(await kindsOf(added(samples, 0, samples.length, tone))).toContain("whine");
});

test("a place in which nobody speaks is no speech, and neither noisy nor too low", async () => {
  const kinds = await kindsOf(whiteNoise(7, -50, seconds(15)));
  expect(kinds).toContain("noSpeech");
  expect(kinds).not.toContain("noisy");
  expect(kinds).not.toContain("tooLow");
});

describe("flatness of the highest half-waves", () => {
  const topsOf = (samples: Float32Array) => [...metered(samples).tops].filter((flatness) => flatness > 0);
  const wave = (value: (at: number) => number) => Float32Array.from({ length: RATE }, (_, at) => value(at));
  const sine = (at: number) => 0.5 * Math.sin((2 * Math.PI * 210 * at) / RATE);

  // A sine is over 0.85 of its height for acos(0.85) / acos(0.5) of the time that it is over one half.
  test("a sine's is acos 0.85 / acos 0.5, whatever its level", () => {
    const wanted = Math.acos(0.85) / Math.acos(0.5);
    for (const gain of [1, 0.1]) {
      const tops = topsOf(wave((at) => gain * sine(at)));
      expect(tops.length).toBeGreaterThan(80);
      for (const flatness of tops) expect(Math.abs(flatness - wanted)).toBeLessThan(0.04);
    }
  });

  test("a clipped sine's is that of its plateau, and a high-passed one is still flatter than a sine", () => {
    // Clipped at 0.3 of 0.5: over 0.85 · 0.3 from asin(0.51), over 0.15 from asin(0.3).
    const wanted = (Math.PI / 2 - Math.asin(0.51)) / (Math.PI / 2 - Math.asin(0.3));
    const clipped = (at: number) => Math.max(-0.3, Math.min(0.3, sine(at)));
    for (const flatness of topsOf(wave(clipped))) expect(Math.abs(flatness - wanted)).toBeLessThan(0.04);
    let [last, state] = [0, 0];
    const pole = Math.exp((-2 * Math.PI * 12) / RATE);
    const tilted = wave((at) => {
      const value = clipped(at);
      state = pole * (state + value - last);
      last = value;
      return state;
    });
    const tops = topsOf(tilted).toSorted((one, other) => one - other);
    expect(tops[tops.length >> 1]!).toBeGreaterThan(0.6);
  });
});
