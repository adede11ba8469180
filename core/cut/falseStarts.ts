import { type ByteSource, fourierOf, type WavHeader } from "../audio";
import type { Phrase } from "../check";
import { readMix } from "./pauses";

/** A sentence that is begun again is broken off within so long, and taken up within so long, s. */
const LONGEST_START_S = 2.5;
const TAKEN_UP_S = 3;
/** So much of either beginning is compared, s. */
const COMPARED_S = 0.7;
const LEAST_S = 0.25;
const FRAME_S = 0.01;
const BANDS = 18;
const LOWEST_HZ = 200;
const HIGHEST_HZ = 5000;
/** How alike two beginnings are when the same words are said; others stay below. See docs/models.md. */
const ALIKE = 0.8;
/** Of a broken-off beginning so much is compared; the next may begin so much later in its phrase, s. */
const BEFORE_BREAK = 0.75;
const ONSET_S = 0.3;
/** One may be said so much slower than the other, frames. */
const SLACK = 12;

/** Logarithms of bands frame by frame, each band about its own mean. */
function features(samples: Float32Array, sampleRateHz: number): Float32Array[] {
  const size = 2 ** Math.ceil(Math.log2(0.02 * sampleRateHz));
  const hop = Math.round(FRAME_S * sampleRateHz);
  const fourier = fourierOf(size);
  const edges = Array.from({ length: BANDS + 1 }, (_, at) =>
    Math.round((LOWEST_HZ * (HIGHEST_HZ / LOWEST_HZ) ** (at / BANDS) * size) / sampleRateHz),
  );
  const count = Math.max(0, Math.floor((samples.length - size) / hop));
  const frames = Array.from({ length: count }, (_, index) => {
    const re = Float64Array.from(
      { length: size },
      (_, at) => samples[index * hop + at]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / size)),
    );
    const im = new Float64Array(size);
    fourier.transform(re, im);
    return Float32Array.from({ length: BANDS }, (_, band) => {
      let sum = 0;
      const [first, end] = [edges[band]!, Math.max(edges[band]! + 1, edges[band + 1]!)];
      for (let bin = first; bin < end; bin += 1) sum += re[bin]! ** 2 + im[bin]! ** 2;
      return Math.log(sum / (end - first) + 1e-9);
    });
  });
  const means = Float32Array.from(
    { length: BANDS },
    (_, band) => frames.reduce((sum, own) => sum + own[band]!, 0) / Math.max(1, count),
  );
  return frames.map((own) => own.map((value, band) => value - means[band]!));
}

/** A voice has begun when it is so near its loudest, dB. */
const BEGUN_DB = 20;

/** What is said from its very beginning on: a phrase begins a little before. */
function fromOnset(samples: Float32Array, sampleRateHz: number): Float32Array {
  const hop = Math.round(FRAME_S * sampleRateHz);
  const powers = Array.from({ length: Math.floor(samples.length / hop) }, (_, index) =>
    samples.subarray(index * hop, (index + 1) * hop).reduce((sum, value) => sum + value * value, 0),
  );
  const least = Math.max(...powers) * 10 ** (-BEGUN_DB / 10);
  return samples.subarray(
    Math.max(
      0,
      powers.findIndex((power) => power >= least),
    ) * hop,
  );
}

function cosine(one: Float32Array, other: Float32Array): number {
  let [product, a, b] = [0, 0, 0];
  for (let band = 0; band < one.length; band += 1) {
    product += one[band]! * other[band]!;
    a += one[band]! ** 2;
    b += other[band]! ** 2;
  }
  return product / Math.sqrt(a * b + 1e-9);
}

/**
 * How alike two beginnings sound, −1…1, one bent onto the other in time. Source: dynamic time warping, Sakoe and Chiba, IEEE
 * Trans. ASSP-26 (1978), the symmetric form.
 */
export function likenessOf(one: Float32Array, other: Float32Array, sampleRateHz: number): number {
  const [a, b] = [features(one, sampleRateHz), features(other, sampleRateHz)];
  if (a.length < LEAST_S / FRAME_S || b.length < LEAST_S / FRAME_S) return 0;
  const width = b.length + 1;
  const best = new Float64Array((a.length + 1) * width).fill(-Infinity);
  best[0] = 0;
  for (let row = 1; row <= a.length; row += 1)
    for (let column = Math.max(1, row - SLACK); column <= Math.min(b.length, row + SLACK); column += 1) {
      const own = cosine(a[row - 1]!, b[column - 1]!);
      best[row * width + column] = Math.max(
        best[(row - 1) * width + column]! + own,
        best[row * width + column - 1]! + own,
        best[(row - 1) * width + column - 1]! + 2 * own,
      );
    }
  let most = -1;
  // Either may be over before the other.
  for (let column = 1; column <= b.length; column += 1)
    most = Math.max(most, best[a.length * width + column]! / (a.length + column));
  for (let row = 1; row <= a.length; row += 1) most = Math.max(most, best[row * width + b.length]! / (row + b.length));
  return most;
}

/** Phrases that are begun again by the next one, by their places in the list. Errors: what reading raises. */
export async function falseStarts(
  source: ByteSource,
  header: WavHeader,
  phrases: readonly Phrase[],
): Promise<number[]> {
  const found: number[] = [];
  for (const [at, phrase] of phrases.entries()) {
    const next = phrases[at + 1];
    if (!next || next.startS - phrase.endS > TAKEN_UP_S) continue;
    const seconds = phrase.endS - phrase.startS;
    // What is begun again is said in full the second time.
    if (seconds > LONGEST_START_S || seconds > next.endS - next.startS) continue;
    const { sampleRateHz } = header;
    const read = async ({ startS }: Phrase, lengthS: number) =>
      fromOnset(await readMix(source, header, startS, startS + lengthS), sampleRateHz);
    const [one, other] = [await read(phrase, seconds), await read(next, seconds + ONSET_S)];
    // The last word that was said is drawn out where it breaks off.
    const compared = Math.min(COMPARED_S, BEFORE_BREAK * (one.length / sampleRateHz));
    const cut = (samples: Float32Array, lengthS: number) => samples.subarray(0, Math.round(lengthS * sampleRateHz));
    if (likenessOf(cut(one, compared), cut(other, compared + SLACK * FRAME_S), sampleRateHz) > ALIKE) found.push(at);
  }
  return found;
}
