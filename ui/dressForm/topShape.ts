import { GARMENTS, type Layer, NECKLINES } from "@/core/dress";
import { bodyScale, HEIGHT_SHARE } from "@/core/body";
import { armEdges, WRIST_UP } from "./outline";
import { armNodes, type Node, onSide, penPath } from "./pen";
import { clothWidth, LOWEST, type Piece } from "./piece";

type GarmentId = Layer["garment"];
type NecklineId = Layer["neckline"];

export const NOTCH = HEIGHT_SHARE.shoulder;
/** A drop below the notch, m at 1.75 m, as a share of height. */
export const dropShare = (metres: number): number => (metres * bodyScale(1.75)) / 1.75;

const setOf = (...ids: GarmentId[]): ReadonlySet<string> => new Set(ids);
/** Drawn with legs; cut high at the leg; with sleeves that widen; laid over the arms; belted at the waist. */
export const LEGGED = setOf("drySuit", "wetsuit", "overall", "ridingSuit", "creatureSuit", "waders", "dungarees");
export const BRIEF = setOf("leotard", "swimwear");
const WIDE_SLEEVED = setOf("kimono", "robe", "kaftan", "abaya", "cassock");
export const DRAPED = setOf("poncho", "cape", "shawl");
export const BELTED = setOf("robe", "kimono", "uniform");
export const QUILTED = setOf("lifeJacket", "bodyArmour");
export const SHORT_PLACKET = setOf("polo", "kurta");

/** The front edge of a neckline from its middle to where it meets the shoulder. */
export function neckline(id: NecklineId, bottom: number): Node[] {
  switch (id) {
    case "high":
      return [
        [0, 0.864],
        [0.02, 0.866],
        [0.036, 0.87, "corner"],
        [0.038, 0.85],
        [0.056, 0.842, "corner"],
      ];
    case "boat":
      return [
        [0, bottom],
        [0.04, bottom + 0.006],
        [0.08, 0.836, "corner"],
      ];
    case "v":
    case "deepV":
      return [
        [0, bottom, "corner"],
        [0.03, (bottom + 0.846) / 2 - 0.004],
        [0.047, 0.848, "corner"],
      ];
    case "scoop":
      return [
        [0, bottom],
        [0.034, bottom + 0.008],
        [0.054, bottom + 0.034],
        [0.058, 0.843, "corner"],
      ];
    default:
      return [
        [0, bottom],
        [0.022, bottom + 0.005],
        [0.039, 0.832],
        [0.044, 0.848, "corner"],
      ];
  }
}

/** How deep the front is open: the neckline's lowest point. */
export function neckBottom(layer: Layer): number {
  const own = NOTCH - dropShare(NECKLINES[layer.neckline].dropM);
  if (!GARMENTS[layer.garment].opens) return own;
  return layer.opening === "partlyOpen" ? Math.min(own, NOTCH - dropShare(0.09)) : own;
}

export const isSplit = (layer: Layer): boolean => GARMENTS[layer.garment].opens && layer.opening === "open";
/** A skirt hangs from it. */
export const isSkirt = ({ garment }: Layer): boolean =>
  GARMENTS[garment].hemShare < 0.45 && !LEGGED.has(garment) && !BRIEF.has(garment);
export const hemOf = ({ garment }: Layer): number => Math.max(LOWEST, GARMENTS[garment].hemShare);

/** From the top of the shoulder by the armhole to the armpit. */
function armhole({ garment, fit }: Layer): Node[] {
  const armpit: Node = [clothWidth(0.75, fit, false), 0.75, "corner"];
  return GARMENTS[garment].sleeves === "none"
    ? [[0.102, 0.831, "corner"], [0.093, 0.795], armpit]
    : [[0.121, 0.825, "corner"], [0.107, 0.79], armpit];
}

/** From the armpit along the side to the middle of the hem. */
export function sideAndHem(layer: Layer): Node[] {
  const { fit, garment } = layer;
  const hem = hemOf(layer);
  const side = [0.72, 0.68, 0.63, 0.58, 0.53, 0.48, 0.44]
    .filter((up) => up > hem + 0.012)
    .map((up): Node => [clothWidth(up, fit, isSkirt(layer)), up]);
  const foot: Node = [clothWidth(hem, fit, isSkirt(layer)), hem, "corner"];
  if (BRIEF.has(garment))
    return [...side.filter(([, up]) => up > 0.54), [0.104, 0.535, "corner"], [0.05, 0.49], [0.012, 0.474], [0, 0.472]];
  if (LEGGED.has(garment)) return [...side, foot, [0.012, hem, "corner"], [0, 0.475, "corner"]];
  return [...side, foot, [0, hem - 0.006]];
}

/** A cloth laid over shoulders and arms. */
function drapedHalf(layer: Layer, neck: Node[]): Node[] {
  const hem = Math.max(0.47, hemOf(layer));
  return [...neck, [0.112, 0.83], [0.152, 0.79], [0.184, 0.7], [0.205, 0.61, "corner"], [0.13, hem + 0.03], [0, hem]];
}

export const frontHalf = (layer: Layer, neck: Node[]): Node[] =>
  DRAPED.has(layer.garment) ? drapedHalf(layer, neck) : [...neck, ...armhole(layer), ...sideAndHem(layer)];

/** One of two fronts that hang open. */
export function openFront(layer: Layer): Node[] {
  const half = frontHalf(layer, neckline("collar", 0.83).slice(-1));
  const hem = hemOf(layer);
  const edge = DRAPED.has(layer.garment) ? 0.03 : 0.046;
  return [...half.filter(([across]) => across > 0), [edge, hem, "corner"], [edge * 0.86, 0.68], [0.036, 0.79]];
}

/** Sleeve on one side, with its cuff. */
function sleeve(layer: Layer, side: 1 | -1): Piece[] {
  const { garment, fit } = layer;
  const { sleeves } = GARMENTS[garment];
  if (sleeves === "none" || DRAPED.has(garment)) return [];
  const foot = sleeves === "long" ? WRIST_UP + 0.006 : 0.705;
  const ease = { tight: 0.002, fitted: 0.007, loose: 0.014 }[fit];
  const widens = WIDE_SLEEVED.has(garment) ? 0.1 : sleeves === "short" ? 0.05 : 0;
  const { outer, inner } = armEdges(foot, (up) => ease + Math.max(0, 0.78 - up) * widens);
  const nodes = armNodes(outer, inner);
  const cuffUp = foot + (sleeves === "long" ? 0.018 : 0.008);
  const cuff = armEdges(cuffUp, (up) => ease + Math.max(0, 0.78 - up) * widens);
  const [from, to] = [cuff.outer.at(-1)!, cuff.inner[0]!];
  return [
    { d: penPath(onSide(nodes, side)), kind: "cloth" },
    { d: penPath(onSide([from, to], side), false), kind: sleeves === "long" ? "line" : "seam" },
  ];
}

export const sleevesOf = (layer: Layer): Piece[] => [...sleeve(layer, 1), ...sleeve(layer, -1)];
