import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { MOST_BINS, Scan } from "./scan";

/** A scan as it is stored: a level is two hexadecimal digits, whole dB above −200 dBm. */
export const PackedScan = Type.Object(
  {
    name: Scan.properties.name,
    fromMHz: Scan.properties.fromMHz,
    stepKHz: Scan.properties.stepKHz,
    levels: Type.String({ maxLength: 2 * MOST_BINS, pattern: "^([0-9a-f]{2})*$" }),
    isSimulated: Scan.properties.isSimulated,
  },
  { additionalProperties: false },
);
export type PackedScan = Static<typeof PackedScan>;

const ZERO_DBM = -200;

/** Levels are rounded to whole dB; −200…55 dBm. */
export function packScan({ levelsDbm, ...rest }: Scan): PackedScan {
  const hex = (level: number) =>
    Math.max(0, Math.min(255, Math.round(level - ZERO_DBM)))
      .toString(16)
      .padStart(2, "0");
  return { ...rest, levels: levelsDbm.map(hex).join("") };
}

export function unpackScan({ levels, ...rest }: PackedScan): Scan {
  const levelsDbm = Array.from(
    { length: levels.length >> 1 },
    (_, bin) => Number.parseInt(levels.slice(2 * bin, 2 * bin + 2), 16) + ZERO_DBM,
  );
  return { ...rest, levelsDbm };
}
