import type { ScanMessage, ScanRowMessage } from "./messages";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { toMHz, toUnits, UNITS_PER_KHZ } from "./airRules";

/** Most bins of a stored scan. */
export const MOST_BINS = 12_000;

/** Strongest level in equal steps of frequency; −200 where nothing was measured. */
export const Scan = Type.Object(
  {
    name: Type.String({ title: "Scan", minLength: 1, maxLength: 120 }),
    fromMHz: Type.Number({ minimum: 0.1, maximum: 7000 }),
    stepKHz: Type.Number({ minimum: 0.1, maximum: 100_000 }),
    levelsDbm: Type.Array(Type.Number({ minimum: -200, maximum: 60 }), { maxItems: MOST_BINS }),
    isSimulated: Type.Boolean(),
  },
  { additionalProperties: false },
);
export type Scan = Static<typeof Scan>;

/** No measurement in a bin. */
export const UNMEASURED_DBM = -200;

/** Measured points, ascending. */
export interface ScanPoints {
  frequenciesMHz: Float64Array;
  levelsDbm: Float64Array;
}

export interface ReadScan {
  points: ScanPoints;
  unit: "Hz" | "kHz" | "MHz";
  rows: number;
  /** Rows that could not be used, and what was wrong with the first. */
  ignored: number;
  firstFault: ScanRowMessage | null;
  /** Frequencies that came more than once: of several sweeps the strongest counts. */
  repeated: number;
}

/** A scan that cannot be used, with what to do. */
export class ScanRefusal extends Error {
  constructor(readonly says: ScanMessage) {
    super(says.code);
  }
}

/** Levels of a scan, dBm. */
const LEAST_DBM = -199;
const MOST_DBM = 60;
const LEVEL_FAULT = { code: "scan.rowLevel", leastDbm: LEAST_DBM, mostDbm: MOST_DBM } as const;

/** Longer files are refused. */
export const MOST_ROWS = 4_000_000;

const number = (text: string): number => (text === "" ? NaN : Number(text));

/** The two figures of a row, decimal points or commas, whatever parts them; null where there are not two. */
function figuresOf(line: string, separator: string): [number, number] | null {
  // Nearly every row is two plain figures: those are read without taking them to pieces.
  const at = line.indexOf(separator);
  if (at > 0 && at === line.lastIndexOf(separator)) {
    const plain: [number, number] = [Number(line.slice(0, at)), number(line.slice(at + 1))];
    if (Number.isFinite(plain[0]) && Number.isFinite(plain[1])) return plain;
  }
  const fields = line.split(separator).map((field) => field.trim().replace(/^"(.*)"$/, "$1"));
  while (fields.length > 2 && fields.at(-1) === "") fields.pop();
  if (separator === "," && fields.length === 4)
    return [number(`${fields[0]}.${fields[1]}`), number(`${fields[2]}.${fields[3]}`)];
  if (fields.length < 2) return null;
  const decimal = (field: string) => number(separator === "," ? field : field.replace(",", "."));
  return [decimal(fields[0]!), decimal(fields[1]!)];
}

const PER_MHZ = { Hz: 1e6, kHz: 1e3, MHz: 1 } as const;

/** By its heading, or by its size: nothing in use lies above 10 GHz or below 10 MHz. */
function unitOf(heading: string | null, middle: number): keyof typeof PER_MHZ {
  const named = /\b(MHz|kHz|Hz)\b/i.exec(heading ?? "")?.[1]?.toLowerCase();
  if (named === "mhz") return "MHz";
  if (named === "khz") return "kHz";
  if (named === "hz") return "Hz";
  return middle >= 1e7 ? "Hz" : middle >= 1e4 ? "kHz" : "MHz";
}

/**
 * Reads a scan from text: a frequency and a level a row, with or without a heading; commas, semicolons or tabs; decimal points
 * or commas; MHz, kHz or Hz; several sweeps merged by the strongest. Rows that make no sense are counted and passed over.
 *
 * Throws {@link ScanRefusal} where fewer than two rows can be used, or there are more than {@link MOST_ROWS}.
 */
export function readScan(text: string): ReadScan {
  const frequencies: number[] = [];
  const levels: number[] = [];
  let heading: string | null = null;
  let rows = 0;
  let ignored = 0;
  let firstFault: ScanRowMessage | null = null;
  let separator: string | null = null;
  const fault = (line: string, own: { code: "scan.rowFigures" | "scan.rowFrequency" } | typeof LEVEL_FAULT) => {
    ignored += 1;
    firstFault ??= { ...own, row: rows, line: line.slice(0, 40) };
  };
  for (let from = 0; from < text.length;) {
    const end = text.indexOf("\n", from);
    const line = text.slice(from, end < 0 ? text.length : end).trim();
    from = end < 0 ? text.length : end + 1;
    if (line === "") continue;
    rows += 1;
    if (rows > MOST_ROWS) throw new ScanRefusal({ code: "scan.tooManyRows", most: MOST_ROWS });
    separator ??= line.includes(";") ? ";" : line.includes("\t") ? "\t" : ",";
    const figures = figuresOf(line, separator);
    if (!figures || !figures.every(Number.isFinite)) {
      if (frequencies.length === 0 && heading === null && /[a-z]/i.test(line)) heading = line;
      else fault(line, { code: "scan.rowFigures" });
      continue;
    }
    const [frequency, level] = figures;
    if (frequency <= 0) fault(line, { code: "scan.rowFrequency" });
    else if (level < LEAST_DBM || level > MOST_DBM) fault(line, LEVEL_FAULT);
    else {
      frequencies.push(frequency);
      levels.push(level);
    }
  }
  if (frequencies.length < 2) throw new ScanRefusal({ code: "scan.none", firstFault });
  const order = Uint32Array.from(frequencies.keys());
  if (frequencies.some((each, index) => index > 0 && each < frequencies[index - 1]!))
    order.sort((a, b) => frequencies[a]! - frequencies[b]!);
  const unit = unitOf(heading, frequencies[order[order.length >> 1]!]!);
  const perMHz = PER_MHZ[unit];
  const [mergedMHz, mergedDbm]: [number[], number[]] = [[], []];
  for (const index of order) {
    const frequencyMHz = frequencies[index]! / perMHz;
    const last = mergedMHz.length - 1;
    if (last >= 0 && frequencyMHz - mergedMHz[last]! < 5e-5)
      mergedDbm[last] = Math.max(mergedDbm[last]!, levels[index]!);
    else {
      mergedMHz.push(frequencyMHz);
      mergedDbm.push(levels[index]!);
    }
  }
  if (mergedMHz[0]! < 0.1 || mergedMHz.at(-1)! > 7000)
    throw new ScanRefusal({ code: "scan.unit", fromMHz: mergedMHz[0]!, toMHz: mergedMHz.at(-1)!, unit });
  return {
    points: { frequenciesMHz: Float64Array.from(mergedMHz), levelsDbm: Float64Array.from(mergedDbm) },
    unit,
    rows,
    ignored,
    firstFault,
    repeated: frequencies.length - mergedMHz.length,
  };
}

/** The usual distance of neighbouring points: the median, kHz. */
function usualStepKHz(frequenciesMHz: Float64Array): number {
  const gaps = frequenciesMHz
    .slice(1)
    .map((each, index) => each - frequenciesMHz[index]!)
    .sort();
  return 1000 * gaps[gaps.length >> 1]!;
}

/** Points laid into equal bins by their strongest; bins are widened until {@link MOST_BINS} hold them. */
export function binScan({ frequenciesMHz, levelsDbm }: ScanPoints, name: string, isSimulated = false): Scan {
  const fromMHz = frequenciesMHz[0]!;
  const spanKHz = 1000 * (frequenciesMHz.at(-1)! - fromMHz);
  // Rounded first, so that the last bins stand where the stored step says.
  const stepKHz = Math.ceil(1e3 * Math.max(0.1, usualStepKHz(frequenciesMHz), spanKHz / (MOST_BINS - 2)) - 1e-6) / 1e3;
  const bins = new Array<number>(Math.floor(spanKHz / stepKHz + 0.5) + 1).fill(UNMEASURED_DBM);
  frequenciesMHz.forEach((frequencyMHz, index) => {
    const bin = Math.min(bins.length - 1, Math.round((1000 * (frequencyMHz - fromMHz)) / stepKHz));
    bins[bin] = Math.max(bins[bin]!, Math.round(10 * levelsDbm[index]!) / 10);
  });
  return {
    name,
    fromMHz: Math.round(fromMHz * 1e4) / 1e4,
    stepKHz,
    levelsDbm: bins,
    isSimulated,
  };
}

/** Parts of a span, MHz. */
export interface Span {
  fromMHz: number;
  toMHz: number;
}

/** Overlapping parts made one, ascending. */
export function merged(parts: readonly Span[]): Span[] {
  const result: Span[] = [];
  for (const part of [...parts].sort((one, other) => one.fromMHz - other.fromMHz)) {
    const last = result.at(-1);
    if (last && part.fromMHz <= last.toMHz + 1e-9) last.toMHz = Math.max(last.toMHz, part.toMHz);
    else result.push({ ...part });
  }
  return result;
}

/**
 * Parts of a scan at or above a level, ascending, to whole 100 Hz outwards. A bin stands for half its step to either side, and
 * the margin is kept from there; what was not measured counts as free.
 */
export function takenParts({ fromMHz, stepKHz, levelsDbm }: Scan, fromDbm: number, marginKHz: number): Span[] {
  const parts: Span[] = [];
  const reachUnits = (stepKHz / 2 + marginKHz) * UNITS_PER_KHZ;
  levelsDbm.forEach((level, bin) => {
    if (level < fromDbm) return;
    const at = (fromMHz * 1000 + bin * stepKHz) * UNITS_PER_KHZ;
    parts.push({
      fromMHz: toMHz(Math.floor(at - reachUnits + 1e-6)),
      toMHz: toMHz(Math.ceil(at + reachUnits - 1e-6)),
    });
  });
  return merged(parts);
}

/** Whether a frequency lies within a taken part. On its edge it keeps the margin exactly, and is free. */
export function isTaken(taken: readonly Span[], frequencyMHz: number): boolean {
  const at = toUnits(frequencyMHz);
  return taken.some((part) => at > toUnits(part.fromMHz) && at < toUnits(part.toMHz));
}

/** Strongest level near a frequency, dBm; null where it was not measured. */
export function levelNear(scan: Scan, frequencyMHz: number, withinKHz: number): number | null {
  const bin = (mhz: number) => ((mhz - scan.fromMHz) * 1000) / scan.stepKHz;
  const [from, to] = [bin(frequencyMHz - withinKHz / 1000), bin(frequencyMHz + withinKHz / 1000)];
  const levels = scan.levelsDbm.slice(Math.max(0, Math.round(from)), Math.max(0, Math.round(to) + 1));
  const strongest = levels.reduce((most, each) => Math.max(most, each), UNMEASURED_DBM);
  return strongest <= UNMEASURED_DBM ? null : strongest;
}
