import { turnWithHead } from "@/core/body";
import { type Candidate, type RankedPlace, type Site, sitePoint } from "@/core/dress";
import { project } from "./projection";

/** Places that get a number on the form; the others are in the list. */
export const MOST_CALLOUTS = 14;

/** What of the form is shown: all of it, or the chest. */
export interface Frame {
  halfWidth: number;
  top: number;
  bottom: number;
  /** How large marks and numbers are drawn. */
  size: number;
}

export const WHOLE: Frame = { halfWidth: 285, top: -1050, bottom: -400, size: 1 };
export const CHEST: Frame = { halfWidth: 170, top: -985, bottom: -605, size: 0.6 };

/** Radius of a number, and how far one stands below the other. */
export const RADIUS = 24;
export const APART = 56;

/** One place on the form: where it is, and where its number stands in a margin. */
export interface Callout {
  place: RankedPlace;
  rank: number;
  x: number;
  y: number;
  labelX: number;
  labelY: number;
}

/** The best place of each site, with its rank among all; the chosen one always among them. */
function placesBySite(places: readonly RankedPlace[], chosen: Candidate | null) {
  const bySite = new Map<Site["id"], { place: RankedPlace; rank: number }>();
  places.forEach((place, index) => {
    const isChosen = place.site.id === chosen?.site.id && place.ways.includes(chosen);
    if (!bySite.has(place.site.id) || isChosen) bySite.set(place.site.id, { place, rank: index + 1 });
  });
  return [...bySite.values()].slice(0, MOST_CALLOUTS);
}

/** Heights in order with at least so much between them, each as near to where it should be as a push down and a push up leave it. */
export function spread(wanted: readonly number[], apart: number, top: number, bottom: number): number[] {
  const placed: number[] = [];
  for (const each of wanted) placed.push(Math.max(each, (placed.at(-1) ?? top - apart) + apart));
  for (let index = placed.length - 1, limit = bottom; index >= 0; index -= 1) {
    placed[index] = Math.min(placed[index]!, limit);
    limit = placed[index]! - apart;
  }
  return placed;
}

/** Every number to be shown, down both margins, none over another. */
export function calloutsOf(
  places: readonly RankedPlace[],
  chosen: Candidate | null,
  heightM: number,
  turnDeg: number,
  frame: Frame,
): Callout[] {
  const apart = APART * frame.size;
  const inset = (RADIUS + 4) * frame.size;
  const most = Math.floor((frame.bottom - frame.top - 2 * inset) / apart) + 1;
  const placed = placesBySite(places, chosen)
    .map(({ place, rank }) => {
      const rest = sitePoint(place.site, heightM, place.best.sound.hearing.necklineDropM);
      const [x, y] = project(place.site.ridesOnHead ? turnWithHead(rest, turnDeg) : rest, heightM, "front");
      return { place, rank, x, y, restX: project(rest, heightM, "front")[0] };
    })
    .filter(({ y }) => y > frame.top && y < frame.bottom)
    .toSorted((one, other) => one.y - other.y || one.rank - other.rank);
  const left: typeof placed = [];
  const right: typeof placed = [];
  for (const each of placed) {
    const wanted = each.restX < -8 ? left : each.restX > 8 ? right : left.length <= right.length ? left : right;
    const other = wanted === left ? right : left;
    (wanted.length < most ? wanted : other).push(each);
  }
  const column = (rows: typeof placed, labelX: number): Callout[] => {
    const heights = spread(
      rows.map(({ y }) => y),
      apart,
      frame.top + inset,
      frame.bottom - inset,
    );
    return rows.map(({ place, rank, x, y }, index) => ({ place, rank, x, y, labelX, labelY: heights[index]! }));
  };
  const edge = frame.halfWidth - inset;
  return [...column(left, -edge), ...column(right, edge)].toSorted((one, other) => one.rank - other.rank);
}
