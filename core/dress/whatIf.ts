import { bareDress, type DressMessage } from "./messages";
import { ACCESSORY_FACTS } from "./accessories";
import { GARMENTS } from "./garments";
import { CAPSULE_COLOURS } from "../devices";
import type { DressInput } from "./dressInput";
import { CAPSULE_FOR_SHADE, OPENINGS, type Layer, type Outfit } from "./outfit";
import { bestAt, planDress } from "./planDress";
import type { SiteId } from "./sites";
import { SUPPLIES, SUPPLY_IDS } from "./supplies";

/** One change to outfit, bag or shot. */
export interface Change {
  says: DressMessage;
  input: DressInput;
}

/** A change, and what a place becomes through it; plain figures, so that it crosses a worker's door. */
export interface Possibility {
  says: DressMessage;
  points: number;
  /** Rank among the places after the change, from 1. */
  rank: number;
  /** Points it saves; null when the place was impossible before. */
  saves: number | null;
}

const withOutfit = (input: DressInput, outfit: Partial<Outfit>): DressInput => ({
  ...input,
  outfit: { ...input.outfit, ...outfit },
});

function openingWords(layer: Layer, opening: Layer["opening"]): DressMessage {
  const { name } = GARMENTS[layer.garment];
  if (opening === "closed") return { code: "help.close", garment: name };
  return opening === "open"
    ? { code: "help.open", garment: name }
    : layer.opening === "closed"
      ? { code: "help.undoButton", garment: name }
      : { code: "help.closeHalf", garment: name };
}

/** Every single change that may be asked for on location: buttons, accessories, outer layers, capsule, bag, shot. */
export function changesOf(input: DressInput): Change[] {
  const { layers, accessories } = input.outfit;
  const changes: Change[] = [];
  layers.forEach((layer, index) => {
    if (!GARMENTS[layer.garment].opens) return;
    for (const opening of OPENINGS)
      if (opening !== layer.opening)
        changes.push({
          says: openingWords(layer, opening),
          input: withOutfit(input, { layers: layers.with(index, { ...layer, opening }) }),
        });
  });
  for (const accessory of accessories) {
    const { remedy } = ACCESSORY_FACTS[accessory];
    if (remedy)
      changes.push({
        says: bareDress(remedy),
        input: withOutfit(input, { accessories: accessories.filter((one) => one !== accessory) }),
      });
  }
  const outer = layers.at(-1)!;
  if (layers.length > 1 && !GARMENTS[outer.garment].isProtective)
    changes.push({
      says: { code: "help.takeOff", garment: GARMENTS[outer.garment].name },
      input: withOutfit(input, { layers: layers.slice(0, -1) }),
    });
  const wanted = new Set(layers.map((layer) => CAPSULE_FOR_SHADE[layer.shade]));
  for (const colour of CAPSULE_COLOURS)
    if (wanted.has(colour) && !input.capsule.colours.includes(colour))
      changes.push({
        says: { code: "help.capsule", colour },
        input: { ...input, capsule: { ...input.capsule, colours: [...input.capsule.colours, colour] } },
      });
  for (const supply of SUPPLY_IDS)
    if (!input.aims.supplies.includes(supply))
      changes.push({
        says: { code: "help.get", supply: SUPPLIES[supply].name },
        input: { ...input, aims: { ...input.aims, supplies: [...input.aims.supplies, supply] } },
      });
  if (!input.performance.mayBeSeen)
    changes.push({
      says: { code: "help.show" },
      input: { ...input, performance: { ...input.performance, mayBeSeen: true } },
    });
  return changes;
}

/** Points that a change must save to be worth asking for. */
const WORTH_ASKING = 1;

/**
 * What would make a site possible, or clearly better: single changes, the best first. Each is planned afresh, so the
 * figures are those of the plan one would get.
 */
export function whatWouldHelp(asked: DressInput, siteId: SiteId): Possibility[] {
  const now = bestAt(planDress(asked), siteId);
  return changesOf(asked)
    .flatMap(({ says, input }): Possibility[] => {
      const changed = planDress(input);
      const candidate = bestAt(changed, siteId);
      if (!candidate) return [];
      const saves = now ? now.points - candidate.points : null;
      if (saves !== null && saves < WORTH_ASKING) return [];
      return [
        {
          says,
          points: candidate.points,
          saves,
          rank: changed.places.findIndex((place) => place.best === candidate) + 1,
        },
      ];
    })
    .sort((one, other) => one.points - other.points);
}
