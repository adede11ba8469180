import { feetAndInches, SCHOOL_WORDS } from "@/messages";
import {
  ACCESSORIES,
  ACCESSORY_FACTS,
  type Action,
  type Answer,
  FABRIC_IDS,
  FABRICS,
  type Facing,
  type Fit,
  type Hair,
  GARMENT_IDS,
  GARMENTS,
  INTRUSION_NAMES,
  INTRUSIONS,
  type Lower,
  LOWER_FACTS,
  LOWERS,
  NECKLINE_IDS,
  NECKLINES,
  type Opening,
  type Option,
  type Outfit,
  PACK_PLACES,
  PRESET_IDS,
  PRESETS,
  type RankedPlace,
  SCHOOL_OPTIONS,
  type SchoolQuestion,
  type Shade,
  type Shot,
  type Side,
  type Water,
} from "@/core/dress";
import { PACK_PLACE_IDS, type PackPlaceId } from "@/core/body";
import type { Consent, ShootBody } from "@/core/records";
import type { Effort, Voice } from "@/core/voice";

const options = <Value extends string>(names: Record<Value, string>) =>
  (Object.entries(names) as [Value, string][]).map(([value, name]) => ({ value, name }));

export const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Other words for garments, under which they are found too. */
const ALSO_CALLED: Partial<Record<keyof typeof GARMENTS, string>> = {
  tee: "tee t shirt top",
  undershirt: "tank top singlet",
  jumper: "sweater pullover knitwear",
  rollneck: "turtleneck polo neck",
  hoodie: "sweatshirt zip top",
  bareTorso: "shirtless topless naked bare chest",
  swimwear: "swimsuit bathing suit one piece",
  bikini: "swimwear two piece",
  bodyArmour: "flak jacket bulletproof stab vest plate carrier",
  turnoutCoat: "firefighter bunker fire coat",
  ridingSuit: "biker racing leathers",
  creatureSuit: "monster costume animatronic prosthetic",
  labCoat: "doctor white coat",
  scrubs: "nurse surgeon hospital",
  kaftan: "thobe galabiya",
  abaya: "jilbab chador",
  weddingDress: "bridal gown",
  cassock: "priest soutane clergy",
  pyjamas: "nightwear dressing",
  jersey: "football shirt",
  blazer: "suit blazer tuxedo dinner jacket sports coat",
  oilskin: "raincoat rain jacket oilskin shell",
  bikerJacket: "biker jacket",
  denimJacket: "jeans jacket",
  waistcoat: "vest gilet",
  overall: "boiler suit coveralls",
  straplessDress: "bridal wedding dress ball gown",
  dress: "frock gown",
};

export const GARMENT_OPTIONS = GARMENT_IDS.map((value) => ({
  value,
  name: GARMENTS[value].name,
  also: [ALSO_CALLED[value] ?? "", FABRICS[GARMENTS[value].usualFabric].name].join(" "),
})).sort((one, other) => one.name.localeCompare(other.name, "en"));
export const FABRIC_OPTIONS = FABRIC_IDS.map((value) => ({ value, name: FABRICS[value].name }));
export const NECKLINE_OPTIONS = NECKLINE_IDS.map((value) => ({ value, name: NECKLINES[value].name }));
export const FIT_OPTIONS = options<Fit>({ tight: "Tight", fitted: "Fitted", loose: "Loose" });
export const OPENING_OPTIONS = options<Opening>({ closed: "Closed", partlyOpen: "Partly open", open: "Open" });
export const PATTERN_OPTIONS = options<"plain" | "patterned">({ plain: "Plain", patterned: "Patterned" });
export const SHADE_OPTIONS = options<Shade>({
  white: "White",
  light: "Light",
  skin: "Skin tone",
  bright: "Bright",
  dark: "Dark",
  black: "Black",
});
export const FACING_OPTIONS = options<Facing>({
  camera: "Camera",
  left: "To their left",
  right: "To their right",
  round: "All round",
});
export const ACTION_OPTIONS = options<Action>({
  sitting: "Sits",
  walking: "Walks",
  running: "Runs",
  stunt: "Fights, falls",
  dancing: "Dances",
  riding: "Rides",
  lying: "Lies",
  wheelchair: "Wheelchair",
});
export const SIDE_OPTIONS = options<Side | "unknown">({ unknown: "Not known", left: "Left", right: "Right" });
export const HAIR_OPTIONS = options<Hair>({
  unknown: "Not known",
  bald: "Bald",
  short: "Short",
  loose: "Long, loose",
  tied: "Tied back",
  wig: "Wig",
});
export const LOWER_OPTIONS: { value: Lower; name: string }[] = LOWERS.map((value) => ({
  value,
  name: upperFirst(LOWER_FACTS[value].name),
}));
export const SHOT_OPTIONS = options<Shot>({ close: "Close", medium: "Medium", wide: "Wide" });
export const WATER_OPTIONS = options<Water>({
  dry: "Dry",
  near: "By the water",
  rain: "Rain",
  wading: "In water",
  swimming: "Swims",
});
export const VOICE_OPTIONS = options<Voice>({ unknown: "Not known", deep: "Deep", middle: "Middle", light: "Light" });
export const ANSWER_OPTIONS = options<Answer>({ unknown: "Not known", no: "No", yes: "Yes" });
export const EFFORT_OPTIONS = options<Effort>({
  whisper: "whisper",
  soft: "soft",
  normal: "normal",
  raised: "raised",
  loud: "loud",
  shout: "shout",
});
export const CONSENT_OPTIONS = options<Consent["answer"]>({
  notAsked: "Not asked",
  yes: "Yes",
  self: "Themselves",
  no: "No",
});
export const INTRUSION_OPTIONS = INTRUSIONS.map((value) => ({
  value: String(value),
  name: upperFirst(INTRUSION_NAMES[value]),
}));
export const ACCESSORY_OPTIONS = ACCESSORIES.map((value) => ({ value, name: upperFirst(ACCESSORY_FACTS[value].name) }));
export const PRESET_OPTIONS = PRESET_IDS.map((value) => ({ value, name: PRESETS[value].name }));
export const PACK_OPTIONS: { value: PackPlaceId | "auto"; name: string }[] = [
  { value: "auto", name: "Where it suits best" },
  ...PACK_PLACE_IDS.map((value) => ({ value, name: upperFirst(PACK_PLACES[value].name) })),
];

/** Answers to one of the questions on which practitioners differ. */
export function schoolOptions(question: SchoolQuestion): { value: string; name: string }[] {
  const answers = SCHOOL_WORDS[question].answers as Record<string, string>;
  return SCHOOL_OPTIONS[question].map((value) => ({ value, name: answers[value]! }));
}

/** Where a placement is, in a few words: "inside the jumper", "on the skin"; empty where the site's name says it. */
export function placementWords({ placement }: Pick<Option | RankedPlace, "placement">, outfit: Outfit): string {
  const layer = placement.layer === null ? null : GARMENTS[outfit.layers[placement.layer]!.garment].name;
  if (placement.behind) return "";
  switch (placement.surface) {
    case "skin":
      return "on the skin";
    case "hair":
    case "headwear":
      return "";
    case "inside":
      return layer ? `inside the ${layer}` : "";
    case "outside":
      return layer ? `on the ${layer}` : "";
  }
}

/** A place in full: "Breastbone, inside the jumper". */
export function placeTitle(place: Pick<Option | RankedPlace, "placement" | "site">, outfit: Outfit): string {
  const words = placementWords(place, outfit);
  return words ? `${place.site.name}, ${words}` : place.site.name;
}

/** A length as the shoot shows it. */
export function lengthWords(metres: number, units: ShootBody["units"]): string {
  return units === "metric" ? `${Math.round(metres * 100)} cm` : feetAndInches(metres);
}
