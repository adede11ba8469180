import { ACCESSORY_FACTS, HEADGEAR } from "./accessories";
import { GARMENTS } from "./garments";
import type { Layer, Outfit } from "./outfit";

/** Something that cannot be worn as described, and where in the description it stands. */
export interface Contradiction {
  /** Dotted path within the outfit. */
  path: string;
  says: string;
}

function layerContradictions(layer: Layer, index: number): Contradiction[] {
  const found: Contradiction[] = [];
  const garment = GARMENTS[layer.garment];
  const path = `layers.${index}`;
  if (layer.hasLapels && layer.neckline === "strapless")
    found.push({ path: `${path}.hasLapels`, says: `A strapless ${garment.name} has no lapels.` });
  if (layer.hasLapels && !garment.opens)
    found.push({ path: `${path}.hasLapels`, says: `A ${garment.name} that does not open has no lapels.` });
  if (layer.opening !== "closed" && !garment.opens)
    found.push({ path: `${path}.opening`, says: `A ${garment.name} does not open at the front.` });
  if (layer.neckline === "collar" && !garment.features.includes("collar") && garment.neckline !== "collar")
    found.push({ path: `${path}.neckline`, says: `A ${garment.name} has no collar.` });
  return found;
}

/** What in an outfit cannot be: a tie without a collar, strapless with lapels, two hats. Common sense. */
export function contradictionsOf(outfit: Outfit): Contradiction[] {
  const found = outfit.layers.flatMap(layerContradictions);
  const hasCollar = outfit.layers.some((layer) => GARMENTS[layer.garment].features.includes("collar"));
  for (const neckwear of ["tie", "bowTie"] as const)
    if (outfit.accessories.includes(neckwear) && !hasCollar)
      found.push({ path: "accessories", says: `A ${ACCESSORY_FACTS[neckwear].name} needs a shirt with a collar.` });
  if (outfit.accessories.includes("tie") && outfit.accessories.includes("bowTie"))
    found.push({ path: "accessories", says: "A tie or a bow tie, not both." });
  const headgear = HEADGEAR.filter((item) => outfit.accessories.includes(item));
  if (headgear.length > 1) found.push({ path: "accessories", says: "One thing on the head at a time." });
  const whole = outfit.layers.filter(
    (layer) => GARMENTS[layer.garment].isWhole && GARMENTS[layer.garment].isWatertight,
  );
  if (whole.length > 1) found.push({ path: "layers", says: "Two closed suits cannot be worn one over the other." });
  return found;
}
