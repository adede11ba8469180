import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { ChainMessage } from "./messages";

const Db = (title: string, minimum: number, maximum: number) => Type.Number({ title, unit: "dB", minimum, maximum });

/** A limiter or compressor by its static curve. */
export const Dynamics = Type.Object(
  {
    thresholdDbfs: Type.Number({ title: "Threshold", unit: "dBFS", minimum: -60, maximum: 0 }),
    /** 1: does nothing; 20 and more: a limiter. */
    ratio: Type.Number({ title: "Ratio", minimum: 1, maximum: 100 }),
    kneeDb: Db("Knee", 0, 30),
    makeupDb: Db("Make-up", 0, 30),
  },
  { additionalProperties: false },
);
export type Dynamics = Static<typeof Dynamics>;

/** A seat belt, and what is usual where a voice is compressed while it is recorded. Common practice. */
export const USUAL_DYNAMICS = {
  limiter: { thresholdDbfs: -6, ratio: 20, kneeDb: 0, makeupDb: 0 },
  compressor: { thresholdDbfs: -24, ratio: 3, kneeDb: 6, makeupDb: 4 },
} as const satisfies Record<string, Dynamics>;

/**
 * Level out for a level in, both dBFS, when it has settled.
 *
 * Straight below the knee, 1/ratio above it, a parabola across it. Source: the static curve of dynamic range compressors as
 * in audio effects textbooks (quadratic knee).
 */
export function settledDbfs({ thresholdDbfs, ratio, kneeDb, makeupDb }: Dynamics, inDbfs: number): number {
  const over = inDbfs - thresholdDbfs;
  const slope = 1 / ratio - 1;
  const gainDb =
    2 * over <= -kneeDb ? 0 : 2 * over < kneeDb ? (slope * (over + kneeDb / 2) ** 2) / (2 * kneeDb) : slope * over;
  return inDbfs + gainDb + makeupDb;
}

/** What a curve makes of a plan's levels, dBFS; and what it costs. */
export interface Squeezed {
  peakDbfs: number;
  loudestDbfs: number;
  softestDbfs: number;
  noiseDbfs: number;
  /** By how much the loudest line's peaks are held down, dB. */
  heldDb: number;
  /** By how much noise in pauses comes up against the loudest line, dB. */
  noiseUpDb: number;
  says: ChainMessage;
}

/** What a curve does to a voice between its loudest and its softest line, and to the noise between them. */
export function squeeze(
  dynamics: Dynamics,
  {
    peakDbfs,
    loudestDbfs,
    softestDbfs,
    noiseDbfs,
  }: Pick<Squeezed, "peakDbfs" | "loudestDbfs" | "softestDbfs" | "noiseDbfs">,
): Squeezed {
  const at = (level: number) => settledDbfs(dynamics, level);
  // What holds the peaks down holds the line down: the mean follows by the same gain while it lasts.
  const heldDb = peakDbfs + dynamics.makeupDb - at(peakDbfs);
  const noiseUpDb = at(noiseDbfs) - noiseDbfs + heldDb - dynamics.makeupDb;
  const says: ChainMessage =
    heldDb < 0.5 ? { code: "chain.dynamicsIdle" } : { code: "chain.dynamicsHold", heldDb, noiseUpDb };
  return {
    peakDbfs: at(peakDbfs),
    loudestDbfs: loudestDbfs + dynamics.makeupDb - heldDb,
    softestDbfs: at(softestDbfs),
    noiseDbfs: at(noiseDbfs),
    heldDb,
    noiseUpDb,
    says,
  };
}

/** A second track so much lower: what it still takes. Common practice: 6 to 12 dB. */
export const SAFETY_OFFSETS_DB = [6, 10, 12] as const;
