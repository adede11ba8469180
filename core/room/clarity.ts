import { mapOctaves, type OctaveLevels } from "../sound";

/** Modulation frequencies of the speech transmission index, Hz. Source: IEC 60268-16. */
const MODULATIONS_HZ = [0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8, 10, 12.5] as const;

/** Weights of the octaves 125…8k and of what neighbours share, male speech. Source: IEC 60268-16, edition 4. */
const OCTAVE_WEIGHTS: OctaveLevels = [0.085, 0.127, 0.23, 0.233, 0.309, 0.224, 0.173];
const SHARED_WEIGHTS = [0.085, 0.078, 0.065, 0.011, 0.047, 0.095] as const;

/** A signal-to-noise ratio beyond ±15 dB counts as ±15 dB. Source: IEC 60268-16. */
const SNR_LIMIT_DB = 15;
/** −60 dB as a factor of the decay's time constant: 6·ln 10. */
const DECAY_FACTOR = 6 * Math.LN10;

/** What a pickup gets in one place, by octave 125…8k. */
export interface PickupSound {
  /** Reverberation time, s; 0 in the open. */
  reverberationS: OctaveLevels;
  /** Direct over reverberant sound, dB; −∞ for no direct part, +∞ for no echo. */
  directOverReverberantDb: OctaveLevels;
  /** Above noise, dB; +∞ for no noise. */
  snrDb: OctaveLevels;
}

/**
 * How much of a modulation survives echo: direct part and exponential decay together, 0…1.
 * Source: Houtgast & Steeneken, m(F) with the direct part.
 */
function echoModulation(hz: number, reverberationS: number, directShare: number): number {
  if (reverberationS <= 0) return 1;
  const turn = (2 * Math.PI * hz * reverberationS) / DECAY_FACTOR;
  const echoShare = (1 - directShare) / (1 + turn * turn);
  return Math.hypot(directShare + echoShare, echoShare * turn);
}

function transmissionIndex(modulation: number): number {
  if (modulation >= 1) return 1;
  const apparentSnrDb = 10 * Math.log10(modulation / (1 - modulation));
  return Math.min(1, Math.max(0, (apparentSnrDb + SNR_LIMIT_DB) / (2 * SNR_LIMIT_DB)));
}

const directShareOf = (directOverReverberantDb: number): number =>
  directOverReverberantDb === Infinity ? 1 : 1 / (1 + 10 ** (-directOverReverberantDb / 10));

/** Modulation transfer index of one octave, 0…1. */
export function octaveTransferIndex(reverberationS: number, directOverReverberantDb: number, snrDb: number): number {
  const directShare = directShareOf(directOverReverberantDb);
  const noise = 1 / (1 + 10 ** (-snrDb / 10));
  let sum = 0;
  for (const hz of MODULATIONS_HZ) sum += transmissionIndex(echoModulation(hz, reverberationS, directShare) * noise);
  return sum / MODULATIONS_HZ.length;
}

/**
 * Speech transmission index of a pickup, 0…1: echo with the direct part, and noise; hearing threshold and masking between
 * octaves are left out, since a recording is turned up as needed. Source: IEC 60268-16, male weighting.
 */
export function speechTransmissionIndex({ reverberationS, directOverReverberantDb, snrDb }: PickupSound): number {
  const indices = mapOctaves((band) =>
    octaveTransferIndex(reverberationS[band]!, directOverReverberantDb[band]!, snrDb[band]!),
  );
  let sum = 0;
  indices.forEach((index, band) => {
    sum += OCTAVE_WEIGHTS[band]! * index;
    if (band > 0) sum -= SHARED_WEIGHTS[band - 1]! * Math.sqrt(index * indices[band - 1]!);
  });
  return Math.min(1, Math.max(0, sum));
}

/**
 * Clarity C50, dB: what arrives within 50 ms over what comes later, for a direct part and an exponential decay.
 * +∞ in the open. Source: ISO 3382-1.
 */
export function clarityC50Db(reverberationS: number, directOverReverberantDb: number): number {
  if (reverberationS <= 0) return Infinity;
  const directShare = directShareOf(directOverReverberantDb);
  const late = (1 - directShare) * Math.exp((-DECAY_FACTOR * 0.05) / reverberationS);
  return 10 * Math.log10((1 - late) / late);
}
