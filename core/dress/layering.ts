import type { OctaveLevels } from "../sound";
import { ACCESSORY_FACTS } from "./accessories";
import { CLOTH_LOSS_DB, FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { Feature, Zone } from "./garment";
import { NECKLINES } from "./necklines";
import type { Layer, Outfit } from "./outfit";

/** Zones a front takes with it when it is undone. */
const UNDONE: Record<Layer["opening"], readonly Zone[]> = {
  closed: [],
  partlyOpen: ["throat", "upperChest", "collar"],
  open: ["throat", "upperChest", "collar", "midChest"],
};

/** Whether a layer, as it is cut and worn, lies over a zone. */
export function layerCovers(layer: Layer, zone: Zone): boolean {
  const garment = GARMENTS[layer.garment];
  const neckline = NECKLINES[layer.neckline];
  if (!garment.covers.includes(zone))
    return zone === "throat" && garment.shape === "top" && neckline.overThroat && !garment.opens;
  if (garment.opens && UNDONE[layer.opening].includes(zone)) return false;
  if (zone === "throat") return neckline.overThroat;
  if (zone === "upperChest") return neckline.overUpperChest;
  if (zone === "shoulders") return neckline.overShoulders;
  return true;
}

/** Layers from one on outwards that lie over a zone, innermost first. */
export function coversFrom(outfit: Outfit, firstLayer: number, zone: Zone | "head"): number[] {
  if (zone === "head") return [];
  return outfit.layers.flatMap((layer, index) => (index >= firstLayer && layerCovers(layer, zone) ? [index] : []));
}

/** Layers that offer something to fix to, innermost first. */
export function layersWith(outfit: Outfit, feature: Feature): number[] {
  return outfit.layers.flatMap((layer, index) => (GARMENTS[layer.garment].features.includes(feature) ? [index] : []));
}

/** What a layer takes from the highs, dB by octave. */
export function layerLossDb(layer: Layer): OctaveLevels {
  return CLOTH_LOSS_DB[FABRICS[layer.fabric].loss];
}

/** What accessories that lie over a zone take from the highs, one table each. */
export function accessoryLossesDb(outfit: Outfit, zone: Zone | "head"): OctaveLevels[] {
  return outfit.accessories
    .filter((accessory) => ACCESSORY_FACTS[accessory].over.includes(zone))
    .map((accessory) => CLOTH_LOSS_DB[ACCESSORY_FACTS[accessory].loss]);
}

/** Lowest point of the neckline that a layer has, m below the notch at 1.75 m; 0 without a layer. */
export const necklineDropAt = ({ layers }: Outfit, layer: number | null): number =>
  layer === null ? 0 : NECKLINES[layers[layer]!.neckline].dropM;
