import type { DressMessage } from "./messages";
import { ACCESSORY_FACTS, HEADGEAR } from "./accessories";
import { GARMENTS } from "./garments";
import type { Layer, Outfit } from "./outfit";

/** Something that cannot be worn as described, and where in the description it stands. */
export interface Contradiction {
  /** Dotted path within the outfit. */
  path: string;
  says: DressMessage;
}

function layerContradictions(layer: Layer, index: number): Contradiction[] {
  const found: Contradiction[] = [];
  const garment = GARMENTS[layer.garment];
  const path = `layers.${index}`;
  if (layer.hasLapels && layer.neckline === "strapless")
    found.push({ path: `${path}.hasLapels`, says: { code: "cannot.straplessLapels", garment: garment.name } });
  if (layer.hasLapels && !garment.opens)
    found.push({ path: `${path}.hasLapels`, says: { code: "cannot.closedLapels", garment: garment.name } });
  if (layer.opening !== "closed" && !garment.opens)
    found.push({ path: `${path}.opening`, says: { code: "cannot.opens", garment: garment.name } });
  if (layer.neckline === "collar" && !garment.features.includes("collar") && garment.neckline !== "collar")
    found.push({ path: `${path}.neckline`, says: { code: "cannot.collar", garment: garment.name } });
  return found;
}

/** What in an outfit cannot be: a tie without a collar, strapless with lapels, two hats. Common sense. */
export function contradictionsOf(outfit: Outfit): Contradiction[] {
  const found = outfit.layers.flatMap(layerContradictions);
  const hasCollar = outfit.layers.some((layer) => GARMENTS[layer.garment].features.includes("collar"));
  for (const neckwear of ["tie", "bowTie"] as const)
    if (outfit.accessories.includes(neckwear) && !hasCollar)
      found.push({ path: "accessories", says: { code: "cannot.neckwear", neckwear: ACCESSORY_FACTS[neckwear].name } });
  if (outfit.accessories.includes("tie") && outfit.accessories.includes("bowTie"))
    found.push({ path: "accessories", says: { code: "cannot.twoTies" } });
  const headgear = HEADGEAR.filter((item) => outfit.accessories.includes(item));
  if (headgear.length > 1) found.push({ path: "accessories", says: { code: "cannot.twoHats" } });
  const whole = outfit.layers.filter(
    (layer) => GARMENTS[layer.garment].isWhole && GARMENTS[layer.garment].isWatertight,
  );
  if (whole.length > 1) found.push({ path: "layers", says: { code: "cannot.twoSuits" } });
  return found;
}
