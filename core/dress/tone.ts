import type { OctaveLevels } from "../sound";
import type { Fire } from "./judgement";
import type { RuleContext } from "./ruleContext";

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
  fire(
    Math.max(0, (dull - USUAL_DULL_DB) / DB_PER_STEP),
    () => `Consonants lose ${dull.toFixed(1)} dB to place and cloth.`,
  );
  const isMidChest = site.throatShare !== "head" && site.throatShare < 0.2;
  const isAtThroat = site.throatShare !== "head" && site.throatShare > 0.5;
  if (isMidChest && voice === "deep") fire(1, () => "A deep voice goes muddy on the chest: higher is cleaner.");
  if (isMidChest && voice === "light") fire(-0.2, () => "The chest gives a light voice body.");
  if (isAtThroat) fire(0.4, () => "Boomy and in the chin's shadow.");
  if (mount.isDeep && placement.surface !== "skin")
    fire(0.25, () => "Deep in its mount it hisses: let the capsule peek out.");
  if (facts.isInHood) fire(0.4, () => "A closed hood colours the voice.");
}
