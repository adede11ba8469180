import { HALF_SHOULDER_SHARE, HEIGHT_SHARE, bodyScale, type Point } from "../body/landmarks";
import { mapOctaves, type OctaveLevels } from "../sound/octaves";
import type { CableRoute } from "../body/cableRoute";
import type { Zone } from "./garments";
import type { Step } from "./judgement";

/** What a site is fixed to; each is looked for in the outfit by a rule of its own. */
export type Host =
  | "skin"
  | "insideTop"
  | "tieFront"
  | "tieBehind"
  | "tieKnot"
  | "placketEdge"
  | "placketInside"
  | "neckline"
  | "lapel"
  | "collar"
  | "bibEdge"
  | "strap"
  | "dressTop"
  | "hairline"
  | "hatBrim"
  | "spectacles";

export interface Site {
  id: SiteId;
  name: string;
  host: Host;
  zone: Zone | "head";
  /** Side of the wearer: −1 left, 0 centre, 1 right. */
  side: -1 | 0 | 1;
  /** Sideways distance as a share of half the shoulder width. */
  sidewaysShare: number;
  /** In front of the neck's turning axis, m, at 1.75 m height. */
  forwardM: number;
  /** Above (+) or below (−) the breastbone notch, m, at 1.75 m height; null for sites on the head. */
  aboveNotchM: number;
  ridesOnHead: boolean;
  /** Share of the way from mid-chest colour (0) to under-the-chin colour (1); "head" has its own. */
  throatShare: number | "head";
  route: CableRoute;
  fixing: string;
  /** Touches skin, underwear or somebody's head: consent weighs more. */
  isIntrusive: boolean;
  effort: Step;
}

export const SITE_IDS = [
  "breastboneInside",
  "breastboneSkin",
  "tieKnot",
  "tieBehind",
  "tieFront",
  "placketInside",
  "placketEdge",
  "neckline",
  "lapelLeft",
  "lapelRight",
  "collarLeft",
  "collarRight",
  "bibEdge",
  "strapLeft",
  "strapRight",
  "dressTop",
  "hairline",
  "hatBrim",
  "spectacles",
] as const;
export type SiteId = (typeof SITE_IDS)[number];

/** Colour of a place on the body, dB re the voice in front after distance, octave 125…8k. From memory; estimates. */
const MID_CHEST_COLOUR: OctaveLevels = [0, 1, 3, 4, -3, -7, -6];
const UNDER_CHIN_COLOUR: OctaveLevels = [3, 3, 3, 0, -7, -13, -15];
const HEAD_COLOUR: OctaveLevels = [0, 0, 0, 0, 1, 0, -2];

/** What the voice sounds like at a site, dB by octave re straight in front. Between the measured places: straight lines. */
export function siteColourDb(site: Site): OctaveLevels {
  const share = site.throatShare;
  if (share === "head") return HEAD_COLOUR;
  return mapOctaves((band) => MID_CHEST_COLOUR[band]! + (UNDER_CHIN_COLOUR[band]! - MID_CHEST_COLOUR[band]!) * share);
}

const chest = { ridesOnHead: false, side: 0, sidewaysShare: 0, isIntrusive: false, effort: 1 } as const;
const head = { ridesOnHead: true, zone: "head", throatShare: "head", route: "headToBack", isIntrusive: true } as const;

/**
 * The places of the trade. Positions: common practice ("thumb on the collarbone, forefinger down the breastbone: about
 * 15 cm") on a body by Drillis & Contini; forward distances are estimates.
 */
export const SITES: Record<SiteId, Site> = {
  breastboneInside: {
    ...chest,
    id: "breastboneInside",
    name: "Breastbone, inside the top",
    host: "insideTop",
    zone: "midChest",
    forwardM: 0.083,
    aboveNotchM: -0.15,
    throatShare: 0,
    route: "frontInside",
    fixing: "Tape triangle sandwich or soft pad between cloth and body, port free; anchor strip below the loop.",
  },
  breastboneSkin: {
    ...chest,
    id: "breastboneSkin",
    name: "Breastbone, on the skin",
    host: "skin",
    zone: "midChest",
    forwardM: 0.08,
    aboveNotchM: -0.15,
    throatShare: 0,
    route: "frontInside",
    fixing: "Medical tape on wiped, dry skin, microphone on that, a second strip over it; never over the port.",
    isIntrusive: true,
    effort: 2,
  },
  tieKnot: {
    ...chest,
    id: "tieKnot",
    name: "Just under the tie knot",
    host: "tieKnot",
    zone: "upperChest",
    forwardM: 0.085,
    aboveNotchM: -0.035,
    throatShare: 0.45,
    route: "frontInside",
    fixing: "Slim capsule in the fold under the knot, lead through the shirt front, cover in the shirt's colour.",
    effort: 2,
  },
  tieBehind: {
    ...chest,
    id: "tieBehind",
    name: "Behind the tie",
    host: "tieBehind",
    zone: "midChest",
    forwardM: 0.088,
    aboveNotchM: -0.13,
    throatShare: 0.05,
    route: "frontInside",
    fixing: "Tape the capsule inside the tie, a second triangle below it holds the tie to the shirt, with slack.",
  },
  tieFront: {
    ...chest,
    id: "tieFront",
    name: "Clipped to the tie",
    host: "tieFront",
    zone: "midChest",
    forwardM: 0.095,
    aboveNotchM: -0.13,
    throatShare: 0.05,
    route: "frontInside",
    fixing: "Clip with a broadcast loop; stick the inside of the tie down so it cannot swing.",
    effort: 0,
  },
  placketInside: {
    ...chest,
    id: "placketInside",
    name: "Inside the front, between buttons",
    host: "placketInside",
    zone: "midChest",
    forwardM: 0.083,
    aboveNotchM: -0.11,
    throatShare: 0.15,
    route: "frontInside",
    fixing: "Triangle sandwich behind the front edge, opposite a button; anchor at the next button down.",
  },
  placketEdge: {
    ...chest,
    id: "placketEdge",
    name: "Clipped to the front edge",
    host: "placketEdge",
    zone: "midChest",
    forwardM: 0.09,
    aboveNotchM: -0.11,
    throatShare: 0.15,
    route: "frontInside",
    fixing: "Clip on the edge with a broadcast loop; lead inside at once.",
    effort: 0,
  },
  neckline: {
    ...chest,
    id: "neckline",
    name: "At the neckline",
    host: "neckline",
    zone: "upperChest",
    forwardM: 0.085,
    aboveNotchM: -0.03,
    throatShare: 0.45,
    route: "overShoulder",
    fixing: "Clip or pad at the edge, capsule sideways or down; lead over the shoulder so the cloth does not sag.",
    effort: 0,
  },
  lapelLeft: {
    ...chest,
    id: "lapelLeft",
    name: "Left lapel",
    host: "lapel",
    zone: "lapels",
    side: -1,
    sidewaysShare: 0.4,
    forwardM: 0.085,
    aboveNotchM: -0.13,
    throatShare: 0.1,
    route: "frontInside",
    fixing: "Clip on the lapel's edge with a broadcast loop, lead taped inside the jacket.",
    effort: 0,
  },
  lapelRight: {
    ...chest,
    id: "lapelRight",
    name: "Right lapel",
    host: "lapel",
    zone: "lapels",
    side: 1,
    sidewaysShare: 0.4,
    forwardM: 0.085,
    aboveNotchM: -0.13,
    throatShare: 0.1,
    route: "frontInside",
    fixing: "Clip on the lapel's edge with a broadcast loop, lead taped inside the jacket.",
    effort: 0,
  },
  collarLeft: {
    ...chest,
    id: "collarLeft",
    name: "Under the collar, left",
    host: "collar",
    zone: "collar",
    side: -1,
    sidewaysShare: 0.26,
    forwardM: 0.06,
    aboveNotchM: 0.015,
    throatShare: 0.8,
    route: "overShoulder",
    fixing: "In the collar's natural gap with a small pad, port not folded over.",
  },
  collarRight: {
    ...chest,
    id: "collarRight",
    name: "Under the collar, right",
    host: "collar",
    zone: "collar",
    side: 1,
    sidewaysShare: 0.26,
    forwardM: 0.06,
    aboveNotchM: 0.015,
    throatShare: 0.8,
    route: "overShoulder",
    fixing: "In the collar's natural gap with a small pad, port not folded over.",
  },
  bibEdge: {
    ...chest,
    id: "bibEdge",
    name: "Behind the bib's top edge",
    host: "bibEdge",
    zone: "midChest",
    forwardM: 0.09,
    aboveNotchM: -0.11,
    throatShare: 0.1,
    route: "frontInside",
    fixing:
      "Triangle sandwich behind the hem of the bib, capsule just above the edge's fold; anchor on the bib, not the top.",
  },
  strapLeft: {
    ...chest,
    id: "strapLeft",
    name: "Left shoulder strap",
    host: "strap",
    zone: "lapels",
    side: -1,
    sidewaysShare: 0.42,
    forwardM: 0.085,
    aboveNotchM: -0.06,
    throatShare: 0.3,
    route: "overShoulder",
    fixing: "Holder on the strap's inner edge, clear of buckles. Never on a load-bearing or releasing part.",
  },
  strapRight: {
    ...chest,
    id: "strapRight",
    name: "Right shoulder strap",
    host: "strap",
    zone: "lapels",
    side: 1,
    sidewaysShare: 0.42,
    forwardM: 0.085,
    aboveNotchM: -0.06,
    throatShare: 0.3,
    route: "overShoulder",
    fixing: "Holder on the strap's inner edge, clear of buckles. Never on a load-bearing or releasing part.",
  },
  dressTop: {
    ...chest,
    id: "dressTop",
    name: "Top edge of the dress, centre",
    host: "dressTop",
    zone: "midChest",
    forwardM: 0.083,
    aboveNotchM: -0.125,
    throatShare: 0.1,
    route: "frontToBack",
    fixing: "Small pad inside the edge at the centre; offer that the person places it.",
    isIntrusive: true,
    effort: 2,
  },
  hairline: {
    ...head,
    id: "hairline",
    name: "Hairline at the forehead",
    host: "hairline",
    side: 0,
    sidewaysShare: 0,
    forwardM: 0.085,
    aboveNotchM: 0.24,
    fixing: "Slim capsule in the hair with small clips, lead behind the ear and down the nape.",
    effort: 3,
  },
  hatBrim: {
    ...head,
    id: "hatBrim",
    name: "Under the hat's brim",
    host: "hatBrim",
    side: 0,
    sidewaysShare: 0,
    forwardM: 0.13,
    aboveNotchM: 0.22,
    fixing: "Pad under the brim, lead inside the band and down the nape. Leave safety helmets to the safety officer.",
    isIntrusive: false,
    effort: 2,
  },
  spectacles: {
    ...head,
    id: "spectacles",
    name: "Spectacle arm",
    host: "spectacles",
    side: 1,
    sidewaysShare: 0.31,
    forwardM: 0.06,
    aboveNotchM: 0.19,
    fixing: "Thread the capsule to the arm at the temple, lead behind the ear.",
    effort: 2,
  },
};

/** Where a site is on a person of this height (0.8…2.3 m), head straight. Axes as in body/landmarks. */
export function sitePoint(site: Site, heightM: number): Point {
  const scale = bodyScale(heightM);
  return {
    xM: site.side * site.sidewaysShare * HALF_SHOULDER_SHARE * heightM,
    yM: site.forwardM * scale,
    zM: HEIGHT_SHARE.shoulder * heightM + site.aboveNotchM * scale,
  };
}
