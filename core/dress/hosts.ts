import type { OctaveLevels } from "../sound/octaves";
import { CLOTH_LOSS_DB, FABRICS } from "./fabrics";
import { GARMENTS, type Feature, type Zone } from "./garments";
import type { Accessory, Layer, Outfit } from "./outfit";
import type { Site } from "./sites";

export type Surface = "skin" | "inside" | "outside" | "head";

/** Where in the outfit a site's microphone would sit. */
export interface Placement {
  surface: Surface;
  /** Layer it is fixed to, index from the innermost; null for skin, head and accessories. */
  layer: number | null;
  /** Layers that lie over the capsule, innermost first. */
  covers: readonly number[];
  /** An accessory that hides or covers it. */
  behind: Accessory | null;
}

export type HostSearch = { possible: true; placement: Placement } | { possible: false; reason: string };

/** Whether a layer, as it is worn, lies over a zone. */
export function layerCovers(layer: Layer, zone: Zone): boolean {
  const garment = GARMENTS[layer.garment];
  return garment.covers[garment.opens ? layer.opening : "closed"].includes(zone);
}

function coversFrom(outfit: Outfit, firstLayer: number, zone: Zone | "head"): number[] {
  if (zone === "head") return [];
  return outfit.layers.flatMap((layer, index) => (index >= firstLayer && layerCovers(layer, zone) ? [index] : []));
}

function outermostWith(outfit: Outfit, feature: Feature): number | null {
  const index = outfit.layers.findLastIndex((layer) => GARMENTS[layer.garment].features.includes(feature));
  return index < 0 ? null : index;
}

const no = (reason: string): HostSearch => ({ possible: false, reason });

function onFeature(
  outfit: Outfit,
  site: Site,
  feature: Feature,
  surface: "inside" | "outside",
  missing: string,
): HostSearch {
  const layer = outermostWith(outfit, feature);
  if (layer === null) return no(missing);
  const covers = coversFrom(outfit, surface === "inside" ? layer : layer + 1, site.zone);
  if (surface === "inside" && !covers.includes(layer)) covers.unshift(layer);
  return { possible: true, placement: { surface, layer, covers, behind: null } };
}

function onTie(outfit: Outfit, site: Site, behind: Accessory | null): HostSearch {
  if (!outfit.accessories.includes("tie")) return no("There is no tie.");
  const collarLayer = outermostWith(outfit, "collar");
  if (collarLayer === null) return no("There is a tie but no collar to wear it on.");
  const covers = coversFrom(outfit, collarLayer + 1, site.zone);
  return { possible: true, placement: { surface: "outside", layer: collarLayer, covers, behind } };
}

function insideTop(outfit: Outfit): HostSearch {
  const layer = outfit.layers.findLastIndex(
    (each) => layerCovers(each, "midChest") && layerCovers(each, "shoulders") && FABRICS[each.fabric].loss !== "sealed",
  );
  if (layer < 0)
    return no(
      outfit.layers.some((each) => layerCovers(each, "midChest"))
        ? "Only sealed or sleeveless pieces cover the breastbone."
        : "No closed top covers the breastbone: close it, or use an edge.",
    );
  return {
    possible: true,
    placement: { surface: "inside", layer, covers: coversFrom(outfit, layer, "midChest"), behind: null },
  };
}

function onSkin(outfit: Outfit): HostSearch {
  const covers = coversFrom(outfit, 0, "midChest");
  if (covers.length === 0) return no("Nothing covers the breastbone: on bare skin it would be seen.");
  return { possible: true, placement: { surface: "skin", layer: null, covers, behind: null } };
}

const onHead = (behind: Accessory | null): HostSearch => ({
  possible: true,
  placement: { surface: "head", layer: null, covers: [], behind },
});

function placketInside(outfit: Outfit, site: Site): HostSearch {
  const layer = outermostWith(outfit, "placket");
  if (layer === null) return no("No garment here has a button or zip front.");
  if (outfit.layers[layer]!.opening === "open") return no("The front hangs open: close a button or zip to hold it.");
  return onFeature(outfit, site, "placket", "inside", "");
}

/** Looks for what a site is fixed to in this outfit, or says why it is not there. Common practice. */
export function findHost(site: Site, outfit: Outfit): HostSearch {
  switch (site.host) {
    case "skin":
      return onSkin(outfit);
    case "insideTop":
      return insideTop(outfit);
    case "tieKnot":
    case "tieBehind":
      return onTie(outfit, site, "tie");
    case "tieFront":
      return onTie(outfit, site, null);
    case "placketInside":
      return placketInside(outfit, site);
    case "placketEdge":
      return onFeature(outfit, site, "placket", "outside", "No garment here has a button or zip front.");
    case "neckline":
      return onFeature(outfit, site, "neckline", "outside", "No garment here has a plain neckline to hold it.");
    case "lapel":
      return onFeature(outfit, site, "lapels", "outside", "No jacket with lapels.");
    case "collar":
      return onFeature(outfit, site, "collar", "outside", "No shirt collar.");
    case "bibEdge":
      return onFeature(outfit, site, "bibEdge", "inside", "No apron or bib.");
    case "strap":
      return onFeature(outfit, site, "straps", "outside", "No strap at the shoulder.");
    case "dressTop":
      return onFeature(outfit, site, "dressTop", "inside", "No dress.");
    case "hairline":
      if (outfit.accessories.includes("hardHat")) return no("The helmet's band presses on the hairline.");
      return outfit.accessories.includes("hat") ? no("The hat sits on the hairline: use its brim.") : onHead(null);
    case "hatBrim":
      if (outfit.accessories.includes("hardHat"))
        return no("A safety helmet is not to be altered: ask the safety officer and its maker.");
      return outfit.accessories.includes("hat") ? onHead("hat") : no("No hat.");
    case "spectacles":
      return outfit.accessories.includes("spectacles") ? onHead("spectacles") : no("No spectacles.");
  }
}

/** Zones that a scarf hangs over. */
const UNDER_A_SCARF: readonly Site["zone"][] = ["collar", "throat", "upperChest"];

/** Losses of everything that lies over the capsule, dB by octave, one table a cover. */
export function coverLosses(outfit: Outfit, placement: Placement, site: Site): readonly OctaveLevels[] {
  const losses: OctaveLevels[] = placement.covers.map(
    (index) => CLOTH_LOSS_DB[FABRICS[outfit.layers[index]!.fabric].loss],
  );
  if (site.host === "tieBehind") losses.push(CLOTH_LOSS_DB.sheer);
  if (outfit.accessories.includes("scarf") && UNDER_A_SCARF.includes(site.zone)) losses.push(CLOTH_LOSS_DB.knit);
  return losses;
}
