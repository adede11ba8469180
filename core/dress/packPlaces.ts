import type { AntennaCode, DressMessage } from "./messages";
import { type CablePlan, PACK_PLACE_IDS, type PackPlaceId, planCable, type Point } from "../body";
import { GARMENTS } from "./garments";
import type { Intrusion, Outfit, Performance } from "./outfit";
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
};

/** Length that an extension lead adds, m. Common practice. */
export const EXTENSION_M = 0.5;
/** Bother of a place that the lead reaches only with an extension, or not at all. */
const EXTENSION_BOTHER = 1.5;
const OUT_OF_REACH_BOTHER = 6;

const garmentsOf = (outfit: Outfit) => outfit.layers.map((layer) => GARMENTS[layer.garment]);

/** Whether what is worn below is trousers that can hold something: no dress, no closed suit. */
function hasWaistband(outfit: Outfit): boolean {
  return !garmentsOf(outfit).some((garment) => garment.isWhole);
}

/** Why a pack cannot be carried at a place in this outfit and action, or null when it can. Common practice. */
export function packRefusal(place: PackPlaceId, outfit: Outfit, performance: Performance): DressMessage | null {
  const garments = garmentsOf(outfit);
  const isWading = performance.water === "wading";
  switch (place) {
    case "waistBack":
      if (!hasWaistband(outfit)) return { code: "no.waistband" };
      if (outfit.accessories.includes("toolBelt")) return { code: "no.toolBelt" };
      return garments.some((garment) => garment.shape === "harness") ? { code: "no.harness" } : null;
    case "smallOfBack":
      return null;
    case "backPocket":
      if (performance.action === "sitting") return { code: "no.sitOnIt" };
      return hasWaistband(outfit) || garments.some((garment) => garment.isWhole && garment.hasPocket)
        ? null
        : { code: "no.backPocket" };
    case "innerPocket":
      return garments.some((garment) => garment.hasPocket && garment.opens) ? null : { code: "no.innerPocket" };
    case "bibPocket":
      return garments.some((garment) => garment.shape === "bib" && garment.hasPocket) ? null : { code: "no.bibPocket" };
    case "upperArm":
      return garments.some((garment) => garment.sleeves !== "none") ? null : { code: "no.bareArms" };
    case "thigh":
      if (isWading) return { code: "no.underWater" };
      return hasWaistband(outfit) || garments.some((garment) => garment.isWatertight) ? { code: "no.useWaist" } : null;
    case "ankle":
      if (isWading) return { code: "no.underWater" };
      if (performance.action !== "sitting") return { code: "no.worksLoose" };
      return garments.some((garment) => garment.isWhole && garment.hemShare > 0.06)
        ? { code: "no.nothingHides" }
        : null;
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
  supplies: readonly SupplyId[];
  /** How far into the clothing they agreed to. */
  agreedTo: Intrusion;
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
  if (packRefusal(place, outfit, performance) !== null) return null;
  const { needs, bother, intrusion } = PACK_PLACES[place];
  // A pack is asked for by itself.
  if (intrusion > facts.agreedTo) return null;
  if (needs.some((supply) => !supplies.includes(supply))) return null;
  const cable = planCable(from, site.route, heightM, leadM, place);
  const needsExtension = cable.spareM < 0;
  const isInReach = !needsExtension || (supplies.includes("extension") && cable.spareM + EXTENSION_M >= 0);
  const reach = isInReach ? (needsExtension ? EXTENSION_BOTHER : 0) : OUT_OF_REACH_BOTHER;
  const placeBother = bother + shapeBother(place, outfit) + headBother(site, place, outfit);
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
