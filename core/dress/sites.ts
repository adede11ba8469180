import { bodyScale, type CableRoute, HALF_SHOULDER_SHARE, HEIGHT_SHARE, type Point } from "../body";
import { mapOctaves, type OctaveLevels } from "../sound";
import type { Zone } from "./garment";
import { rowsById } from "../schema";

/** What a site is fixed to; each is looked for in the outfit by a rule of its own (see anchors). */
export type Anchor =
  | "torso"
  | "tieFront"
  | "tieBehind"
  | "bowTie"
  | "placket"
  | "neckline"
  | "lapel"
  | "collar"
  | "bibEdge"
  | "strap"
  | "topEdge"
  | "bra"
  | "breastPocket"
  | "hoodCord"
  | "scarf"
  | "cravat"
  | "headscarf"
  | "turban"
  | "crown"
  | "hood"
  | "brooch"
  | "drape"
  | "hair"
  | "hatBrim"
  | "capEdge"
  | "spectacles"
  | "helmetLiner";

interface Row {
  name: string;
  anchor: Anchor;
  zone: Zone | "head";
  /** Side of the wearer: −1 left, 0 centre, 1 right. */
  side: -1 | 0 | 1;
  /** Sideways distance as a share of half the shoulder width. */
  sidewaysShare: number;
  /** In front of the neck's turning axis, m, at 1.75 m height. */
  forwardM: number;
  /** Above (+) or below (−) the breastbone notch, m, at 1.75 m height; null where the neckline decides. */
  aboveNotchM: number | null;
  ridesOnHead: boolean;
  /** Share of the way from mid-chest colour (0) to under-the-chin colour (1); "head" has its own, an edge follows its depth. */
  throatShare: number | "head" | "byDepth";
  route: CableRoute;
  /** Minutes it takes beyond the mount's own. An estimate. */
  minutes: number;
}

const chest = {
  zone: "midChest",
  side: 0,
  sidewaysShare: 0,
  ridesOnHead: false,
  route: "frontInside",
  minutes: 1,
} as const;
const head = {
  zone: "head",
  side: 0,
  sidewaysShare: 0,
  ridesOnHead: true,
  throatShare: "head",
  route: "headToBack",
  minutes: 4,
} as const;
const left = { side: -1 } as const;
const right = { side: 1 } as const;
const tie = { ...chest, forwardM: 0.09, aboveNotchM: -0.13, throatShare: 0.05 } as const;
const lapel = {
  ...chest,
  name: "",
  anchor: "lapel",
  zone: "lapels",
  sidewaysShare: 0.4,
  forwardM: 0.085,
  aboveNotchM: -0.13,
  throatShare: 0.1,
  minutes: 0.5,
} as const;
const collar = {
  ...chest,
  anchor: "collar",
  zone: "collar",
  sidewaysShare: 0.26,
  forwardM: 0.06,
  aboveNotchM: 0.015,
  throatShare: 0.8,
  route: "overShoulder",
} as const;
const strap = {
  ...chest,
  anchor: "strap",
  zone: "lapels",
  sidewaysShare: 0.42,
  forwardM: 0.085,
  aboveNotchM: -0.06,
  throatShare: 0.3,
  route: "overShoulder",
} as const;
const hair = { ...head, anchor: "hair", minutes: 6 } as const;
const cord = {
  ...collar,
  anchor: "hoodCord",
  sidewaysShare: 0.2,
  aboveNotchM: -0.02,
  throatShare: 0.6,
  minutes: 0.5,
} as const;

/**
 * The places of the trade. Positions: common practice ("thumb on the collarbone, forefinger down the breastbone: about
 * 15 cm") on a body by Drillis & Contini; forward distances and shares of colour are estimates.
 */
const ROWS = {
  breastbone: { ...chest, name: "Breastbone", anchor: "torso", forwardM: 0.082, aboveNotchM: -0.15, throatShare: 0 },
  highBreastbone: {
    ...chest,
    name: "High breastbone",
    anchor: "torso",
    zone: "upperChest",
    forwardM: 0.085,
    aboveNotchM: -0.07,
    throatShare: 0.25,
  },
  tieKnot: {
    ...tie,
    name: "Under the tie knot",
    anchor: "tieBehind",
    zone: "upperChest",
    forwardM: 0.085,
    aboveNotchM: -0.035,
    throatShare: 0.45,
    minutes: 2,
  },
  tieBehind: { ...tie, name: "Behind the tie", anchor: "tieBehind", forwardM: 0.088 },
  tieFront: { ...tie, name: "On the tie", anchor: "tieFront", forwardM: 0.095, minutes: 0.5 },
  bowTie: {
    ...tie,
    name: "Under the bow tie",
    anchor: "bowTie",
    zone: "throat",
    forwardM: 0.08,
    aboveNotchM: -0.01,
    throatShare: 0.6,
    minutes: 2,
  },
  placket: {
    ...chest,
    name: "Front edge",
    anchor: "placket",
    forwardM: 0.087,
    aboveNotchM: -0.11,
    throatShare: 0.15,
    minutes: 0.5,
  },
  neckline: {
    ...chest,
    name: "Neckline, centre",
    anchor: "neckline",
    zone: "upperChest",
    forwardM: 0.085,
    aboveNotchM: null,
    throatShare: "byDepth",
    route: "overShoulder",
    minutes: 0.5,
  },
  lapelLeft: { ...lapel, ...left, name: "Left lapel" },
  lapelRight: { ...lapel, ...right, name: "Right lapel" },
  collarLeft: { ...collar, ...left, name: "Under the collar, left" },
  collarRight: { ...collar, ...right, name: "Under the collar, right" },
  collarGap: {
    ...collar,
    side: 0,
    sidewaysShare: 0,
    forwardM: 0.07,
    aboveNotchM: 0,
    throatShare: 0.7,
    name: "Between the collar points",
  },
  bibEdge: {
    ...chest,
    name: "Top edge of the bib",
    anchor: "bibEdge",
    forwardM: 0.09,
    aboveNotchM: -0.11,
    throatShare: 0.1,
  },
  strapLeft: { ...strap, ...left, name: "Left shoulder strap" },
  strapRight: { ...strap, ...right, name: "Right shoulder strap" },
  topEdge: {
    ...chest,
    name: "Top edge, centre",
    anchor: "topEdge",
    forwardM: 0.083,
    aboveNotchM: null,
    throatShare: "byDepth",
    route: "frontToBack",
    minutes: 2,
  },
  braCentre: {
    ...chest,
    name: "Bra, centre",
    anchor: "bra",
    forwardM: 0.08,
    aboveNotchM: -0.17,
    throatShare: 0,
    route: "frontToBack",
    minutes: 3,
  },
  braStrapLeft: { ...strap, ...left, name: "Bra strap, left", anchor: "bra", minutes: 3 },
  braStrapRight: { ...strap, ...right, name: "Bra strap, right", anchor: "bra", minutes: 3 },
  breastPocket: {
    ...lapel,
    ...left,
    name: "Edge of the breast pocket",
    anchor: "breastPocket",
    sidewaysShare: 0.5,
    aboveNotchM: -0.16,
  },
  hoodCordLeft: { ...cord, ...left, name: "Where the hood's cord comes out, left" },
  hoodCordRight: { ...cord, ...right, name: "Where the hood's cord comes out, right" },
  scarfFold: {
    ...chest,
    name: "In a fold of the scarf",
    anchor: "scarf",
    zone: "upperChest",
    forwardM: 0.09,
    aboveNotchM: -0.04,
    throatShare: 0.45,
    route: "overShoulder",
  },
  cravatFold: {
    ...chest,
    name: "In a fold of the cravat",
    anchor: "cravat",
    zone: "upperChest",
    forwardM: 0.088,
    aboveNotchM: -0.03,
    throatShare: 0.5,
    route: "overShoulder",
  },
  headscarfDrape: {
    ...chest,
    name: "Under the drape of the headscarf",
    anchor: "headscarf",
    zone: "upperChest",
    forwardM: 0.09,
    aboveNotchM: -0.06,
    throatShare: 0.35,
    route: "overShoulder",
  },
  hoodEdgeLeft: {
    ...collar,
    ...left,
    name: "Inside the edge of the hood, left",
    anchor: "hood",
    aboveNotchM: 0.03,
    throatShare: 0.7,
  },
  hoodEdgeRight: {
    ...collar,
    ...right,
    name: "Inside the edge of the hood, right",
    anchor: "hood",
    aboveNotchM: 0.03,
    throatShare: 0.7,
  },
  brooch: { ...lapel, ...left, name: "Behind the brooch", anchor: "brooch", aboveNotchM: -0.1, minutes: 2 },
  drape: {
    ...chest,
    ...left,
    name: "Edge of the drape",
    anchor: "drape",
    zone: "upperChest",
    sidewaysShare: 0.25,
    forwardM: 0.088,
    aboveNotchM: -0.09,
    throatShare: 0.2,
    minutes: 2,
  },
  hairline: { ...hair, name: "Hairline at the forehead", forwardM: 0.085, aboveNotchM: 0.24 },
  hairLeft: {
    ...hair,
    ...left,
    name: "In the hair above the left ear",
    sidewaysShare: 0.33,
    forwardM: 0.02,
    aboveNotchM: 0.22,
  },
  hairRight: {
    ...hair,
    ...right,
    name: "In the hair above the right ear",
    sidewaysShare: 0.33,
    forwardM: 0.02,
    aboveNotchM: 0.22,
  },
  hatBrim: { ...head, name: "Under the hat's brim", anchor: "hatBrim", forwardM: 0.13, aboveNotchM: 0.22 },
  capEdge: { ...head, name: "Edge of the cap, forehead", anchor: "capEdge", forwardM: 0.09, aboveNotchM: 0.22 },
  turbanFold: {
    ...head,
    name: "In a fold of the turban, forehead",
    anchor: "turban",
    forwardM: 0.09,
    aboveNotchM: 0.22,
  },
  crownFront: { ...head, name: "Inside the crown, at the front", anchor: "crown", forwardM: 0.09, aboveNotchM: 0.23 },
  spectacles: {
    ...head,
    ...right,
    name: "Spectacle arm",
    anchor: "spectacles",
    sidewaysShare: 0.31,
    forwardM: 0.06,
    aboveNotchM: 0.19,
  },
  helmetLiner: {
    ...head,
    name: "In the headgear, at the forehead",
    anchor: "helmetLiner",
    forwardM: 0.095,
    aboveNotchM: 0.21,
  },
} as const satisfies Record<string, Row>;

export type SiteId = keyof typeof ROWS;
export const SITE_IDS = Object.keys(ROWS) as [SiteId, ...SiteId[]];
export interface Site extends Row {
  id: SiteId;
}

/** Every site by id. */
export const SITES: Record<SiteId, Site> = rowsById(ROWS);

/** Colour of a place on the body, dB re the voice in front after distance, octave 125…8k. From memory; estimates. */
const MID_CHEST_COLOUR: OctaveLevels = [0, 1, 3, 4, -3, -7, -6];
const UNDER_CHIN_COLOUR: OctaveLevels = [3, 3, 3, 0, -7, -13, -15];
const HEAD_COLOUR: OctaveLevels = [0, 0, 0, 0, 1, 0, -2];

/** An edge as deep as this below the notch has the colour of the chest, m at 1.75 m; at the notch it is about half the throat's. */
const CHEST_COLOUR_FROM_M = 0.15;
const SHARE_AT_NOTCH = 0.55;

/** Share of the under-the-chin colour at a site; for an edge by how deep it lies below the notch, m. Estimates. */
export function throatShareAt({ throatShare }: Pick<Row, "throatShare">, necklineDropM: number): number | "head" {
  if (throatShare !== "byDepth") return throatShare;
  return Math.max(0, Math.min(0.8, SHARE_AT_NOTCH * (1 - necklineDropM / CHEST_COLOUR_FROM_M)));
}

/** What the voice sounds like at a site, dB by octave re straight in front. Between the measured places: straight lines. */
export function siteColourDb(site: Site, necklineDropM = 0.02): OctaveLevels {
  const share = throatShareAt(site, necklineDropM);
  if (share === "head") return HEAD_COLOUR;
  return mapOctaves((band) => MID_CHEST_COLOUR[band]! + (UNDER_CHIN_COLOUR[band]! - MID_CHEST_COLOUR[band]!) * share);
}

/**
 * Where a site is on a person of this height (0.8…2.3 m), head straight. Axes as in body/landmarks.
 * `necklineDropM`: lowest point of the neckline below the notch, for the sites that sit on it.
 */
export function sitePoint(site: Site, heightM: number, necklineDropM = 0.02): Point {
  const scale = bodyScale(heightM);
  const aboveNotchM = site.aboveNotchM ?? -necklineDropM - 0.01;
  return {
    xM: site.side * site.sidewaysShare * HALF_SHOULDER_SHARE * heightM,
    yM: site.forwardM * scale,
    zM: HEIGHT_SHARE.shoulder * heightM + aboveNotchM * scale,
  };
}
