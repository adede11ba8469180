/** What a delivery asks of a programme's loudness. */
export interface LoudnessTarget {
  integratedLufs: number;
  /** Either side, LU. */
  toleranceLu: number;
  truePeakDbtp: number;
}

/** Where sound is delivered to, each with its source; figures marked so are from memory: ask whoever takes it. */
export const LOUDNESS_TARGETS = {
  /** EBU R 128 (2020): −23 LUFS ± 0.5 LU (programmes that are not live ± 0.2 is aimed at), true peak −1 dBTP. */
  r128: { integratedLufs: -23, toleranceLu: 0.5, truePeakDbtp: -1 },
  /** ATSC A/85 (2013): −24 LKFS ± 2 dB, true peak −2 dBTP. */
  a85: { integratedLufs: -24, toleranceLu: 2, truePeakDbtp: -2 },
  /** Speech online: −16 LUFS, true peak −1 dBTP; common practice, near AES TD1008 (2021), from memory. */
  online: { integratedLufs: -16, toleranceLu: 1, truePeakDbtp: -1 },
} as const satisfies Record<string, LoudnessTarget>;
export type LoudnessTargetId = keyof typeof LOUDNESS_TARGETS;

/** What a programme is like before it is delivered; null where it is silent. */
export interface ProgrammeLevels {
  integratedLufs: number | null;
  truePeakDbtp: number | null;
}

/** How a programme comes to its target, before anything is held. */
export interface DeliveryGain {
  gainDb: number;
  /** How far peaks would pass the ceiling without a limiter, dB; 0 where none does. */
  overDb: number;
}

/** Gain to a target, and what is left for a limiter to do; null for silence, which has no loudness. */
export function deliveryGain(levels: ProgrammeLevels, target: LoudnessTarget): DeliveryGain | null {
  const { integratedLufs, truePeakDbtp } = levels;
  if (integratedLufs === null || truePeakDbtp === null) return null;
  const gainDb = target.integratedLufs - integratedLufs;
  return { gainDb, overDb: Math.max(0, truePeakDbtp + gainDb - target.truePeakDbtp) };
}
