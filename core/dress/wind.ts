import { judge, type FiredRule, type Judgement } from "./judgement";
import type { RuleContext } from "./rustle";

/** Wind that a bare capsule hardly notices, m/s. Common practice. */
const CALM_MPS = 2;

/**
 * Level of wind noise at a bare capsule re its level in 1 m/s, dB: about 60·lg(speed). Speeds below 1 m/s give 0.
 * From memory; an estimate.
 */
export function windNoiseGrowthDb(windMps: number): number {
  return windMps <= 1 ? 0 : 60 * Math.log10(windMps);
}

/** How exposed a place is to this wind, sheltered … open to it, with the rules that fired. Common practice. */
export function judgeWind({ site, placement, windMps }: RuleContext): Judgement {
  if (windMps < CALM_MPS) return judge([{ steps: 0, says: "No wind to speak of." }]);
  const growthDb = windNoiseGrowthDb(windMps) - windNoiseGrowthDb(CALM_MPS);
  const rules: FiredRule[] = [
    { steps: growthDb / 14, says: `${windMps} m/s of wind: about ${Math.round(growthDb)} dB more than a light air.` },
  ];
  if (placement.covers.length > 0)
    rules.push({ steps: -0.9 * placement.covers.length, says: "Cloth over it takes the wind." });
  if (site.zone === "collar" || site.host === "tieKnot")
    rules.push({ steps: -0.7, says: "Chin and collar shelter it." });
  if (site.host === "hatBrim") rules.push({ steps: -0.3, says: "The brim shelters it a little." });
  return judge(rules);
}
