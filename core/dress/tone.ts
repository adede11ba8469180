import type { OctaveLevels } from "../sound";
import type { Fire } from "./judgement";
import { necklineDropAt } from "./layering";
import type { RuleContext } from "./ruleContext";
import { throatShareAt } from "./sites";

/** Loss of highs that any place on the chest has and every edit allows for, dB. Common practice. */
const USUAL_DULL_DB = 3;
const DB_PER_STEP = 5;

/** Highs that carry the consonants, dB lost re the voice in front: mean of 2, 4 and 8 kHz. */
export function dullnessDb(colourDb: OctaveLevels): number {
  return Math.max(0, -(colourDb[4] + colourDb[5] + colourDb[6]) / 3);
}

/** How natural the voice sounds there: site, cloth and mount together. Figures computed, limits common practice. */
export function toneRules({ facts, site, mount, placement }: RuleContext, colourDb: OctaveLevels, fire: Fire): void {
  const { voice } = facts.input.person;
  const dull = dullnessDb(colourDb);
  fire(Math.max(0, (dull - USUAL_DULL_DB) / DB_PER_STEP), () => ({ code: "why.dull", dullDb: dull }));
  const share = throatShareAt(site, necklineDropAt(facts.input.outfit, placement.layer));
  const isMidChest = share !== "head" && share < 0.2;
  const isAtThroat = share !== "head" && share > 0.5;
  if (isMidChest && voice === "deep") fire(1, () => ({ code: "why.deepVoice" }));
  if (isMidChest && voice === "light") fire(-0.2, () => ({ code: "why.lightVoice" }));
  if (isAtThroat) fire(0.4, () => ({ code: "why.atThroat" }));
  if (mount.isDeep && placement.surface !== "skin") fire(0.25, () => ({ code: "why.deepInMount" }));
  if (facts.isInHood) fire(0.4, () => ({ code: "why.hoodColours" }));
}
