import { mapOctaves, type OctaveLevels } from "../sound";

/** Angles of {@link DIRECTIVITY_DB}, degrees off the mouth's axis. */
const ANGLES_DEG = [0, 30, 60, 90, 120, 150, 180] as const;

/**
 * What the mouth radiates off its axis, dB re straight ahead, by octave 125…8k.
 * From memory of published measurements on talkers in the horizontal plane; used for downward angles too. An estimate.
 */
const DIRECTIVITY_DB: readonly OctaveLevels[] = [
  [0, 0, 0, 0, 0, 0, 0],
  [0, 0, 0, -0.5, -0.5, -1, -1.5],
  [-0.5, -0.5, -1, -1.5, -2, -3, -4],
  [-1, -1.5, -2.5, -3.5, -4.5, -6, -8],
  [-2, -3, -4.5, -6, -8, -11, -13],
  [-3, -4.5, -6, -9, -12, -16, -18],
  [-3.5, -5, -7, -10, -13, -18, -20],
];

/** Mouth directivity by octave 125…8k at an angle off axis (0…180°), dB re on axis, straight lines between the table's angles. */
export function mouthDirectivityDb(angleDeg: number): OctaveLevels {
  const clamped = Math.min(180, Math.max(0, angleDeg));
  const lower = Math.min(ANGLES_DEG.length - 2, Math.floor(clamped / 30));
  const share = (clamped - ANGLES_DEG[lower]!) / 30;
  const from = DIRECTIVITY_DB[lower]!;
  const to = DIRECTIVITY_DB[lower + 1]!;
  return mapOctaves((band) => from[band]! + (to[band]! - from[band]!) * share);
}
