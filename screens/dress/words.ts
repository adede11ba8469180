import type { Accessory, Action, Facing, Fit, Opening, Shot } from "@/core/dress/outfit";
import { FABRICS, FABRIC_IDS } from "@/core/dress/fabrics";
import { GARMENTS, GARMENT_IDS } from "@/core/dress/garments";
import type { Effort } from "@/core/voice/speechSpectrum";
import type { Consent } from "@/core/shoot/records";

const options = <Value extends string>(names: Record<Value, string>) =>
  (Object.entries(names) as [Value, string][]).map(([value, name]) => ({ value, name }));

export const GARMENT_OPTIONS = GARMENT_IDS.map((value) => ({ value, name: GARMENTS[value].name }));
export const FABRIC_OPTIONS = FABRIC_IDS.map((value) => ({ value, name: FABRICS[value].name }));
export const FIT_OPTIONS = options<Fit>({ tight: "Tight", fitted: "Fitted", loose: "Loose" });
export const OPENING_OPTIONS = options<Opening>({ closed: "Closed", partlyOpen: "Partly open", open: "Open" });
export const PATTERN_OPTIONS = options<"plain" | "patterned">({ plain: "Plain", patterned: "Patterned" });
export const FACING_OPTIONS = options<Facing>({
  camera: "Camera",
  left: "To their left",
  right: "To their right",
  round: "All round",
});
export const ACTION_OPTIONS = options<Action>({ sitting: "Sits", walking: "Walks", running: "Runs" });
export const SHOT_OPTIONS = options<Shot>({ close: "Close", medium: "Medium", wide: "Wide" });
export const EFFORT_OPTIONS = options<Effort>({
  whisper: "whisper",
  soft: "soft",
  normal: "normal",
  raised: "raised",
  loud: "loud",
  shout: "shout",
});
export const CONSENT_OPTIONS = options<Consent>({
  notAsked: "Not asked",
  yes: "Yes",
  self: "Themselves",
  no: "No",
});
export const ACCESSORY_NAMES: Record<Accessory, string> = {
  tie: "Tie",
  scarf: "Scarf",
  necklace: "Necklace",
  beard: "Beard",
  longHair: "Long hair in front",
  hat: "Hat",
  hardHat: "Safety helmet",
  spectacles: "Spectacles",
};
