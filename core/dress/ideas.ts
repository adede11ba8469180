import type { Placement } from "./anchors";
import type { Site } from "./sites";

/** What kind of answer a place is: on the skin, in cloth on the chest, at an edge, outside, in something worn, on the head. */
export type Idea = "skin" | "chest" | "edge" | "outside" | "worn" | "head";

/** The kind of answer that a place is. Common practice. */
export function ideaOf(site: Site, { surface, behind }: Placement): Idea {
  if (site.zone === "head") return "head";
  if (behind !== null) return "worn";
  if (surface === "outside") return "outside";
  if (site.anchor !== "torso") return "edge";
  return surface === "skin" ? "skin" : "chest";
}

/** So many answers are looked at first. */
const FIRST = 5;

/**
 * The same places, best first, but with answers of different kinds ahead: of the first five, each kind once while there are
 * kinds left. Only places that `mayLead` are moved ahead. Common practice: five neighbours are one idea.
 */
export function differentFirst<Place>(
  ranked: readonly Place[],
  kindOf: (place: Place) => Idea,
  mayLead: (place: Place) => boolean,
): Place[] {
  const kinds = new Set<Idea>();
  const ahead = new Set<Place>();
  for (const place of ranked) {
    if (ahead.size === FIRST) break;
    if (!mayLead(place) || kinds.has(kindOf(place))) continue;
    kinds.add(kindOf(place));
    ahead.add(place);
  }
  return [...ahead, ...ranked.filter((place) => !ahead.has(place))];
}
