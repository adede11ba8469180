import { fourierOf } from "../audio";

/** What of the mains stands in a recording. */
export interface MainsHum {
  /** Within 0.02 Hz where it stands out. */
  mainsHz: number;
  /** How far it wanders between stretches, Hz at the mains frequency. */
  wanderHz: number;
  /** Which multiples stand out, by how much, dB. */
  lines: readonly { multiple: number; overDb: number }[];
}

/** Stretches are so long at least: lines are a fraction of a hertz wide. */
const LEAST_S = 4;
/** A line stands over what is beside it by so much, in most stretches. */
const STANDS_DB = 10;
const MULTIPLES = 24;
const MOST_LINES = 14;
const MAINS_HZ = [50, 60] as const;
/** Mains stay within so many parts. Source: EN 50160 (± 1 %). */
const SPREAD = 0.01;

interface Power {
  perHz: number;
  db: Float64Array;
}

/** Level of each bin up to the highest multiple, of a Hann window. */
function powerOf(samples: Float32Array, size: number, sampleRateHz: number): Power {
  const re = Float64Array.from(
    { length: size },
    (_, at) => samples[at]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / size)),
  );
  const im = new Float64Array(size);
  fourierOf(size).transform(re, im);
  const perHz = size / sampleRateHz;
  const count = Math.min(size / 2, Math.ceil((MULTIPLES + 1) * 61 * perHz));
  return {
    perHz,
    db: Float64Array.from({ length: count }, (_, at) => 10 * Math.log10(re[at]! ** 2 + im[at]! ** 2 + 1e-20)),
  };
}

const medianOf = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;

/** The highest bin near a frequency, to a fraction of a bin, and how far it stands over what is around. */
function lineNear({ db, perHz }: Power, hz: number, reachHz: number): { hz: number; overDb: number } | null {
  const [first, last] = [Math.floor((hz - reachHz) * perHz), Math.ceil((hz + reachHz) * perHz)];
  if (first < 2 || last + 2 >= db.length) return null;
  let best = first;
  for (let at = first; at <= last; at += 1) if (db[at]! > db[best]!) best = at;
  const [a, b, c] = [db[best - 1]!, db[best]!, db[best + 1]!];
  const bend = a - 2 * b + c;
  const around: number[] = [];
  for (let apart = 1.2; apart < 5; apart += 1 / perHz)
    for (const side of [-1, 1]) around.push(db[Math.round(best + side * apart * perHz)] ?? b);
  return { hz: (best + (bend < 0 ? (a - c) / (2 * bend) : 0)) / perHz, overDb: b - medianOf(around) };
}

/** Mains hum by its lines in several stretches of one channel (each of at least four seconds); null where no mains stand out. */
export function mainsHumIn(stretches: readonly Float32Array[], sampleRateHz: number): MainsHum | null {
  const powers = stretches.flatMap((samples) => {
    let size = 1 << 18;
    while (size > samples.length) size >>= 1;
    return size >= LEAST_S * 0.6 * sampleRateHz ? [powerOf(samples, size, sampleRateHz)] : [];
  });
  if (powers.length === 0) return null;
  const found = MAINS_HZ.map((nominal) => {
    // A multiple that stands out tells the mains more finely than the first.
    const rough = powers.map((power) => {
      const near = [2, 1, 3, 4].map((multiple) => ({
        multiple,
        line: lineNear(power, multiple * nominal, multiple * nominal * SPREAD),
      }));
      const best = near.reduce((one, other) => ((other.line?.overDb ?? 0) > (one.line?.overDb ?? 0) ? other : one));
      return best.line && best.line.overDb > STANDS_DB ? best.line.hz / best.multiple : null;
    });
    const known = rough.filter((hz) => hz !== null);
    if (known.length < (powers.length + 1) / 2) return null;
    const mainsHz = medianOf(known);
    const lines = Array.from({ length: MULTIPLES }, (_, at) => {
      const multiple = at + 1;
      const each = powers.map(
        (power, index) =>
          lineNear(power, multiple * (rough[index] ?? mainsHz), Math.max(1 / power.perHz, 0.04 * multiple))?.overDb ??
          0,
      );
      return { multiple, overDb: medianOf(each) };
    }).filter(({ overDb }) => overDb > STANDS_DB);
    const wanderHz = Math.max(...known) - Math.min(...known);
    const strongest = lines.toSorted((a, b) => b.overDb - a.overDb).slice(0, MOST_LINES);
    return { mainsHz, wanderHz, lines: strongest.toSorted((a, b) => a.multiple - b.multiple) };
  });
  const sumOf = (hum: MainsHum | null) => (hum?.lines ?? []).reduce((sum, { overDb }) => sum + overDb, 0);
  const best = sumOf(found[0] ?? null) >= sumOf(found[1] ?? null) ? found[0] : found[1];
  return best && best.lines.length > 0 ? best : null;
}
