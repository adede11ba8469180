import type { DressReason } from "./reasons";
import type { Fire } from "./judgement";
import type { RuleContext } from "./ruleContext";
import { WIND_COVERS } from "./windCover";

/** Wind that a bare capsule hardly notices, m/s. Common practice. */
const CALM_MPS = 2;
/** Wind noise that makes one step, dB. An estimate. */
const DB_PER_STEP = 14;
/** Lips to capsule within which breath is felt, m. Common practice. */
const BREATH_M = 0.2;

/**
 * Level of wind noise at a bare capsule re its level in 1 m/s, dB: about 60·lg(speed). Speeds below 1 m/s give 0.
 * From memory; an estimate.
 */
export function windNoiseGrowthDb(windMps: number): number {
  return windMps <= 1 ? 0 : 60 * Math.log10(windMps);
}

function windRules({ facts, site, placement, windCover }: RuleContext, fire: Fire): void {
  const { windMps } = facts;
  if (windMps < CALM_MPS) return;
  const growthDb = windNoiseGrowthDb(windMps) - windNoiseGrowthDb(CALM_MPS);
  let left = growthDb / DB_PER_STEP;
  fire(left, () => ({ code: "why.wind", windMps, moreDb: growthDb }));
  const shelter = (steps: number, says: () => DressReason) => {
    const taken = Math.min(left, steps);
    if (taken <= 0) return;
    left -= taken;
    fire(-taken, says);
  };
  if (placement.behind === "sealedHood") shelter(3, () => ({ code: "why.hoodKeepsWind" }));
  if (placement.covers.length > 0) shelter(0.9 * placement.covers.length, () => ({ code: "why.clothTakesWind" }));
  if (placement.behind === "tie" || placement.behind === "bowTie" || site.anchor === "collar")
    shelter(0.7, () => ({ code: "why.chinShelters" }));
  if (site.anchor === "hatBrim") shelter(0.3, () => ({ code: "why.brimShelters" }));
  const { name, windDb } = WIND_COVERS[windCover];
  if (windDb > 0) shelter(windDb / DB_PER_STEP, () => ({ code: "why.coverTakesWind", cover: name, windDb }));
}

/** How exposed a place is to breath, wind and water, sheltered … open to it. Common practice. */
export function weatherRules(context: RuleContext, fire: Fire): void {
  const { facts, site, placement, port, sound } = context;
  const { water } = facts.input.performance;
  windRules(context, fire);
  const isBare = placement.covers.length === 0;
  if (facts.isInHood) fire(0.8, () => ({ code: "why.hoodBreath" }));
  if (sound.straightDistanceM < BREATH_M && site.zone !== "head" && isBare) {
    if (port === "up") fire(0.7, () => ({ code: "why.portIntoBreath" }));
    if (port === "side") fire(0.2, () => ({ code: "why.breathPasses" }));
  }
  if (water !== "dry" && water !== "near") {
    if (port === "up") fire(1, () => ({ code: "why.dropsIntoPort" }));
    if (isBare) fire(0.7, () => ({ code: "why.noRainCover" }));
    if (water === "wading" && site.zone === "midChest") fire(0.5, () => ({ code: "why.nearWater" }));
  }
}
