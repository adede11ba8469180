import type { AntennaCode, DressMessage } from "./messages";
import { type CablePlan, PACK_PLACE_IDS, type PackPlaceId, planCable, type Point } from "../body";
import { GARMENTS } from "./garments";
import { ACCESSORY_FACTS } from "./accessories";
import { ACTION_FACTS, type CarriedPack, type Intrusion, type Lower, type Outfit, type Performance } from "./outfit";
import type { Site } from "./sites";
import type { SupplyId } from "./supplies";

interface Row {
  name: string;
  needs: readonly SupplyId[];
  intrusion: Intrusion;
  minutes: number;
  /** What speaks against it before anything is known; the smallest is tried first. Common practice. */
  bother: number;
  antenna: AntennaCode;
}

/** Places for a pack. Common practice throughout. */
export const PACK_PLACES: Record<PackPlaceId, Row> = {
  waistBack: {
    name: "waistband, at the back",
    needs: [],
    intrusion: 0,
    minutes: 1,
    bother: 0,
    antenna: "antenna.upright",
  },
  smallOfBack: {
    name: "band at the small of the back",
    needs: ["band"],
    intrusion: 1,
    minutes: 3,
    bother: 1,
    antenna: "antenna.alongSpine",
  },
  backPocket: {
    name: "back pocket",
    needs: [],
    intrusion: 0,
    minutes: 0.5,
    bother: 0.7,
    antenna: "antenna.outOfPocket",
  },
  innerPocket: {
    name: "inside pocket of the jacket",
    needs: [],
    intrusion: 0,
    minutes: 1,
    bother: 0.6,
    antenna: "antenna.outward",
  },
  bibPocket: {
    name: "pocket of the bib",
    needs: [],
    intrusion: 0,
    minutes: 0.5,
    bother: 0.9,
    antenna: "antenna.upOutOfPocket",
  },
  upperArm: {
    name: "pouch on the upper arm",
    needs: ["pouch"],
    intrusion: 1,
    minutes: 3,
    bother: 2,
    antenna: "antenna.upArm",
  },
  thigh: {
    name: "elastic band round the thigh",
    needs: ["band"],
    intrusion: 2,
    minutes: 4,
    bother: 1.5,
    antenna: "antenna.downOutward",
  },
  ankle: {
    name: "band at the ankle",
    needs: ["band"],
    intrusion: 1,
    minutes: 3,
    bother: 2.5,
    antenna: "antenna.upLeg",
  },
  waistSide: {
    name: "waistband, at the side",
    needs: [],
    intrusion: 0,
    minutes: 1,
    bother: 1.1,
    antenna: "antenna.upright",
  },
  wheelchair: {
    name: "pouch on the wheelchair",
    needs: ["pouch"],
    intrusion: 0,
    minutes: 2,
    bother: 0.3,
    antenna: "antenna.offMetal",
  },
  underHat: {
    name: "under the hat or wig",
    needs: ["band"],
    intrusion: 2,
    minutes: 6,
    bother: 3.5,
    antenna: "antenna.inHat",
  },
};

interface LowerRow {
  name: string;
  /** A pack hangs on it. */
  hasWaistband: boolean;
  hasPockets: boolean;
  /** Loose cloth hides a band round the thigh. */
  hidesThigh: boolean;
}

/** What is worn below the waist, and what of a pack it carries or hides. Common practice. */
export const LOWER_FACTS: Record<Lower, LowerRow> = {
  trousers: { name: "trousers", hasWaistband: true, hasPockets: true, hidesThigh: false },
  shorts: { name: "shorts", hasWaistband: true, hasPockets: true, hidesThigh: false },
  skirt: { name: "skirt", hasWaistband: true, hasPockets: false, hidesThigh: true },
  kilt: { name: "kilt", hasWaistband: true, hasPockets: false, hidesThigh: true },
  tights: { name: "tights or leggings", hasWaistband: true, hasPockets: false, hidesThigh: false },
  trunks: { name: "swimming trunks", hasWaistband: false, hasPockets: false, hidesThigh: false },
  bare: { name: "bare legs", hasWaistband: false, hasPockets: false, hidesThigh: false },
};

/** Length that an extension lead adds, m. Common practice. */
export const EXTENSION_M = 0.5;
/** Bother of a place that the lead reaches only with an extension, or not at all. */
const EXTENSION_BOTHER = 1.5;
const OUT_OF_REACH_BOTHER = 6;

const garmentsOf = (outfit: Outfit) => outfit.layers.map((layer) => GARMENTS[layer.garment]);

/** What is worn below the waist: as told; else trousers, or nothing of its own under what clothes the whole body. */
export function lowerOf(outfit: Outfit): Lower | null {
  return outfit.lower ?? (garmentsOf(outfit).some((garment) => garment.isWhole) ? null : "trousers");
}

/** Whether what is worn below has a waistband that can hold something. */
function hasWaistband(outfit: Outfit): boolean {
  const lower = lowerOf(outfit);
  return lower !== null && LOWER_FACTS[lower].hasWaistband;
}

function hasPockets(outfit: Outfit): boolean {
  const lower = lowerOf(outfit);
  return lower !== null && LOWER_FACTS[lower].hasPockets;
}

/** Whether a long garment or a skirt hides what is round the thigh. */
function hidesThigh(outfit: Outfit): boolean {
  const lower = lowerOf(outfit);
  const isUnderLong = outfit.layers.some(
    (layer) =>
      GARMENTS[layer.garment].hemShare < 0.4 && GARMENTS[layer.garment].shape !== "bib" && layer.fit !== "tight",
  );
  return isUnderLong || (lower !== null && LOWER_FACTS[lower].hidesThigh);
}

/** Cloth to the waist that a band at the small of the back is hidden by. */
const coversBack = (outfit: Outfit) =>
  garmentsOf(outfit).some(
    ({ hemShare, covers, shape }) =>
      hemShare <= 0.6 &&
      covers.length > 0 &&
      (shape === "top" || shape === "wrap" || (shape === "tube" && hemShare < 0.4)),
  );

/** Why nothing hard may lie on the back, or null. Common practice. */
function backRefusal(outfit: Outfit, { action }: Performance): DressMessage | null {
  const [leaning] = outfit.accessories.filter((worn) => ACCESSORY_FACTS[worn].isOnBack);
  if (leaning) return { code: "no.onTheBack", what: ACCESSORY_FACTS[leaning].name };
  return ACTION_FACTS[action].leansBack ? { code: "no.leansBack" } : null;
}

/** Why a pack cannot be carried at a place in this outfit and action, or null when it can. Common practice. */
export function packRefusal(place: PackPlaceId, outfit: Outfit, performance: Performance): DressMessage | null {
  const garments = garmentsOf(outfit);
  const isWading = performance.water === "wading";
  switch (place) {
    case "waistBack": {
      const onBack = backRefusal(outfit, performance);
      if (onBack) return onBack;
      if (!hasWaistband(outfit)) return { code: "no.waistband" };
      if (outfit.accessories.includes("toolBelt")) return { code: "no.toolBelt" };
      return garments.some((garment) => garment.shape === "harness") ? { code: "no.harness" } : null;
    }
    case "waistSide":
      if (!hasWaistband(outfit)) return { code: "no.waistband" };
      if (outfit.accessories.includes("toolBelt")) return { code: "no.toolBelt" };
      return garments.some((garment) => garment.shape === "harness") ? { code: "no.harness" } : null;
    case "smallOfBack":
      if (isWading || performance.water === "swimming") return { code: "no.underWater" };
      return backRefusal(outfit, performance) ?? (coversBack(outfit) ? null : { code: "no.nothingHides" });
    case "wheelchair":
      return performance.action === "wheelchair" ? null : { code: "no.wheelchair" };
    case "underHat":
      return outfit.accessories.some((worn) => worn === "hat" || worn === "turban") ? null : { code: "no.hat" };
    case "backPocket":
      if (ACTION_FACTS[performance.action].sitsOn) return { code: "no.sitOnIt" };
      return hasPockets(outfit) || garments.some((garment) => garment.isWhole && garment.hasPocket)
        ? null
        : { code: "no.backPocket" };
    case "innerPocket":
      return garments.some((garment) => garment.hasPocket && garment.opens) ? null : { code: "no.innerPocket" };
    case "bibPocket":
      return garments.some((garment) => garment.shape === "bib" && garment.hasPocket) ? null : { code: "no.bibPocket" };
    case "upperArm":
      return garments.some((garment) => garment.sleeves !== "none") ? null : { code: "no.bareArms" };
    case "thigh":
      if (isWading || performance.water === "swimming") return { code: "no.underWater" };
      if (!hidesThigh(outfit)) return { code: hasWaistband(outfit) ? "no.useWaist" : "no.nothingHides" };
      return garments.some((garment) => garment.isWatertight) ? { code: "no.useWaist" } : null;
    case "ankle":
      if (isWading || performance.water === "swimming") return { code: "no.underWater" };
      if (performance.action !== "sitting") return { code: "no.worksLoose" };
      return lowerOf(outfit) === "trousers" || garments.some(({ isWhole, hemShare }) => isWhole && hemShare <= 0.06)
        ? null
        : { code: "no.nothingHides" };
  }
}

export interface PackPlan {
  place: PackPlaceId;
  cable: CablePlan;
  /** Whether the lead gets there with an extension of {@link EXTENSION_M}. */
  needsExtension: boolean;
  isInReach: boolean;
  /** What speaks against it: smallest first. */
  bother: number;
}

export interface PackFacts {
  outfit: Outfit;
  performance: Performance;
  heightM: number;
  leadM: number;
  /** What the pack is to carry; left out: as usual. */
  pack?: CarriedPack | undefined;
  supplies: readonly SupplyId[];
  /** How far into the clothing they agreed to. */
  agreedTo: Intrusion;
}

/** A pack as it is usually, where its figures say nothing. Common practice. */
const USUAL_PACK = { lengthMm: 85, massG: 150, antennaMm: 120 } as const;
/** More than this slips from under a hat or wig, g. Common practice. */
const HEAD_MASS_G = 100;
/** An antenna longer than this does not stay straight in a pocket or under a hat, mm. Common practice. */
const POCKET_ANTENNA_MM = 170;
/** Where a pack hangs on elastic and swings, and where its antenna has to lie in something. */
const ON_ELASTIC: readonly PackPlaceId[] = ["smallOfBack", "upperArm", "thigh", "ankle"];
const IN_SOMETHING: readonly PackPlaceId[] = ["backPocket", "innerPocket", "bibPocket", "underHat"];

/** Why this pack is too heavy for a place, or null. Unknown weight is no reason. Common practice. */
export function packTooHeavy(place: PackPlaceId, pack: CarriedPack | undefined): DressMessage | null {
  if (place !== "underHat" || pack?.massG === undefined || pack.massG <= HEAD_MASS_G) return null;
  return { code: "no.packTooHeavy", massG: pack.massG, mostG: HEAD_MASS_G };
}

/** What size, weight and antenna add to the bother of a place: nothing for a usual pack. Estimates. */
function carriedBother(place: PackPlaceId, { performance, pack }: PackFacts): number {
  const { lengthMm, massG, antennaMm } = { ...USUAL_PACK, ...pack };
  const { pulls } = ACTION_FACTS[performance.action];
  const swings = ON_ELASTIC.includes(place) ? (0.3 + pulls) * ((massG - USUAL_PACK.massG) / 150) : 0;
  const shows = place === "smallOfBack" || place === "thigh" ? (lengthMm - USUAL_PACK.lengthMm) / 100 : 0;
  const bends = IN_SOMETHING.includes(place) && antennaMm > POCKET_ANTENNA_MM ? 0.8 : 0;
  return Math.max(-0.8, swings + shows) + bends;
}

/** A dress that follows the back shows a pack there. Common practice. */
function shapeBother(place: PackPlaceId, outfit: Outfit): number {
  const outer = outfit.layers.at(-1)!;
  const isCloseDress =
    GARMENTS[outer.garment].isWhole && outer.fit !== "loose" && !GARMENTS[outer.garment].isWatertight;
  return place === "smallOfBack" && isCloseDress ? 1.2 : 0;
}

/** Head sites are cut off from the waist by a closed suit or hood: the arm is nearest. Common practice. */
function headBother(site: Site, place: PackPlaceId, outfit: Outfit): number {
  if (!site.ridesOnHead) return 0;
  const isShutIn = outfit.accessories.includes("sealedHood") || outfit.accessories.includes("openHelmet");
  if (place === "upperArm") return isShutIn ? -2.5 : -0.5;
  return 0;
}

/** One pack place for a site, or null when it cannot be used. */
export function planPack(site: Site, from: Point, place: PackPlaceId, facts: PackFacts): PackPlan | null {
  const { outfit, performance, heightM, leadM, supplies } = facts;
  if (packRefusal(place, outfit, performance) !== null || packTooHeavy(place, facts.pack) !== null) return null;
  const { needs, bother, intrusion } = PACK_PLACES[place];
  // A pack is asked for by itself.
  if (intrusion > facts.agreedTo) return null;
  if (needs.some((supply) => !supplies.includes(supply))) return null;
  const cable = planCable(from, site.route, heightM, leadM, place);
  const needsExtension = cable.spareM < 0;
  const isInReach = !needsExtension || (supplies.includes("extension") && cable.spareM + EXTENSION_M >= 0);
  const reach = isInReach ? (needsExtension ? EXTENSION_BOTHER : 0) : OUT_OF_REACH_BOTHER;
  const placeBother =
    bother + shapeBother(place, outfit) + headBother(site, place, outfit) + carriedBother(place, facts);
  return { place, cable, needsExtension, isInReach, bother: placeBother + reach };
}

/** How many extensions a pack place would need; 0 where the cable reaches. */
export const extensionsFor = ({ cable: { spareM } }: PackPlan): number =>
  spareM >= 0 ? 0 : Math.ceil(-spareM / EXTENSION_M - 1e-9);

/**
 * Every pack place that can be used with a site, the least bother first; what the cable reaches goes first, and of
 * that what is `wanted`.
 */
export function planPacks(site: Site, from: Point, facts: PackFacts, wanted: PackPlaceId | null = null): PackPlan[] {
  return PACK_PLACE_IDS.flatMap((place) => planPack(site, from, place, facts) ?? []).sort(
    (a, b) =>
      Number(b.isInReach) - Number(a.isInReach) ||
      Number(b.place === wanted) - Number(a.place === wanted) ||
      a.bother - b.bother,
  );
}
