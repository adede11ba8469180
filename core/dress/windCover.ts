import type { OctaveLevels } from "../sound";
import type { Placement } from "./anchors";
import type { SceneFacts } from "./sceneFacts";

export const WIND_COVER_IDS = ["none", "foam", "fur"] as const;
export type WindCoverId = (typeof WIND_COVER_IDS)[number];

interface Row {
  name: string;
  /** Taken from the highs, dB by octave. From memory; estimates. */
  lossDb: OctaveLevels;
  /** Taken from wind noise, dB: foam 10–20, fur 20–30. From memory; estimates. */
  windDb: number;
  /** What it adds to the capsule's width, mm. An estimate. */
  bulkMm: number;
}

export const WIND_COVERS: Record<WindCoverId, Row> = {
  none: { name: "bare", lossDb: [0, 0, 0, 0, 0, 0, 0], windDb: 0, bulkMm: 0 },
  foam: { name: "foam cap", lossDb: [0, 0, 0, 0, 0, -0.5, -1.5], windDb: 12, bulkMm: 4 },
  fur: { name: "fur cave", lossDb: [0, 0, 0, 0, -0.5, -1, -3], windDb: 24, bulkMm: 9 },
};

/** Wind from which a small cap, and from which fur is put on, m/s. Common practice. */
const FOAM_FROM_MPS = 2;
const FUR_FROM_MPS = 4;

/**
 * What goes over the capsule in this wind, from what is in the bag: indoors bare, a cap in light air, fur in wind.
 * Nothing inside headgear, and nothing in the hair. Common practice.
 */
export function windCoverFor({ surface, behind }: Placement, facts: SceneFacts): WindCoverId {
  const { supplies } = facts.input.aims;
  if (surface === "hair" || behind === "sealedHood" || behind === "openHelmet") return "none";
  if (facts.windMps >= FUR_FROM_MPS && supplies.includes("fur")) return "fur";
  if (facts.windMps >= FOAM_FROM_MPS)
    return supplies.includes("foam") ? "foam" : supplies.includes("fur") ? "fur" : "none";
  return "none";
}
