import type { DressMessage } from "./messages";
import type { DressPlan } from "./planDress";

/** What is not known, and what it would change. */
export interface Unknown {
  says: DressMessage;
  /** Share of certainty that is lost while it is unknown. An estimate. */
  share: number;
}

/** Facts that are missing: they lower the certainty and are asked for, never block. */
export function unknownsOf({ facts }: DressPlan): Unknown[] {
  const { person, outfit } = facts.input;
  const unknowns: Unknown[] = [];
  const hasSkinSite = outfit.layers.length > 0 && !facts.isInHood;
  if (!facts.isScouted) unknowns.push({ says: { code: "unknown.scouted" }, share: 0.15 });
  if (person.voice === "unknown") unknowns.push({ says: { code: "unknown.voice" }, share: 0.1 });
  if (hasSkinSite && person.tapeAllergy === "unknown")
    unknowns.push({ says: { code: "unknown.allergy" }, share: 0.05 });
  if (hasSkinSite && person.hairyChest === "unknown") unknowns.push({ says: { code: "unknown.hair" }, share: 0.05 });
  return unknowns;
}

/** How sure the first place is of being the best, 0…1: less for what is unknown, and for a close second. Estimates. */
export function certaintyOf(plan: DressPlan): number {
  const [first, second] = plan.places;
  if (!first) return 0;
  const lead = second ? second.best.points - first.best.points : Infinity;
  const closeness = lead >= 4 ? 0 : 0.15 * (1 - Math.max(0, lead) / 4);
  return Math.max(0, 1 - closeness - unknownsOf(plan).reduce((sum, unknown) => sum + unknown.share, 0));
}

/** Certainty in a word. */
export function certaintyWord(share: number): string {
  return share >= 0.9 ? "sure" : share >= 0.75 ? "fairly sure" : share >= 0.55 ? "a good guess" : "a guess";
}
