import type { DressMessage } from "./messages";
import { ACCESSORY_FACTS, type Accessory } from "./accessories";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import type { Feature, Shape, Zone } from "./garment";
import { coversFrom, layerCovers, layersWith } from "./layering";
import { NECKLINES } from "./necklines";
import type { Surface } from "./mounts";
import type { Hair, Outfit } from "./outfit";
import type { Anchor, Site } from "./sites";

/** Where in the outfit a microphone would sit. */
export interface Placement {
  surface: Surface;
  /** Layer it is fixed to, index from the innermost; null for skin, hair and accessories. */
  layer: number | null;
  /** Layers that lie over the capsule, innermost first. */
  covers: readonly number[];
  /** An accessory it is fixed to or hidden by. */
  behind: Accessory | null;
}

export interface AnchorSearch {
  placements: readonly Placement[];
  /** Why there is no more: one sentence, when something stands against it. */
  reasons: readonly DressMessage[];
}

const none = (...reasons: DressMessage[]): AnchorSearch => ({ placements: [], reasons });
const has = (outfit: Outfit, accessory: Accessory) => outfit.accessories.includes(accessory);

function inside(outfit: Outfit, layer: number, zone: Zone | "head"): Placement {
  const covers = coversFrom(outfit, layer, zone);
  return { surface: "inside", layer, covers: covers.includes(layer) ? covers : [layer, ...covers], behind: null };
}

function outside(outfit: Outfit, layer: number, zone: Zone | "head"): Placement {
  return { surface: "outside", layer, covers: coversFrom(outfit, layer + 1, zone), behind: null };
}

/** Inside and outside of every layer that has a feature. */
function onFeature(outfit: Outfit, site: Site, feature: Feature, missing: DressMessage): AnchorSearch {
  const layers = layersWith(outfit, feature);
  if (layers.length === 0) return none(missing);
  return {
    placements: layers.flatMap((layer) => [outside(outfit, layer, site.zone), inside(outfit, layer, site.zone)]),
    reasons: [],
  };
}

const isTube = (shape: Shape) => shape === "tube";
/** A whole suit that neither sound nor cable passes. */
function isShut({ layers }: Outfit, layer: number): boolean {
  const { garment, fabric } = layers[layer]!;
  const { isWatertight, isWhole, opens, shape } = GARMENTS[garment];
  return shape !== "bib" && (isWatertight || (isWhole && !opens && FABRICS[fabric].isSealed));
}

function onTorso(outfit: Outfit, site: Site): AnchorSearch {
  const zone = site.zone as Zone;
  const covering = coversFrom(outfit, 0, zone);
  if (covering.length === 0) return none({ code: "no.bareSkin" });
  const reasons: DressMessage[] = [];
  // Nothing is heard through a suit that keeps water out, and no cable leaves it.
  const shut = covering.findLast((layer) => isShut(outfit, layer));
  if (shut !== undefined) {
    const { garment, fabric } = outfit.layers[shut]!;
    const reason: DressMessage = GARMENTS[garment].isWatertight
      ? { code: "no.watertight" }
      : { code: "no.sealedCloth", fabric: FABRICS[fabric].name };
    // What is worn over the suit is free.
    const over = covering.filter((layer) => layer > shut && !FABRICS[outfit.layers[layer]!.fabric].isSealed);
    return { placements: over.map((layer) => inside(outfit, layer, zone)), reasons: [reason] };
  }
  const isUnderBodice = covering.every((layer) => isTube(GARMENTS[outfit.layers[layer]!.garment].shape));
  const placements: Placement[] = isUnderBodice
    ? []
    : [{ surface: "skin", layer: null, covers: covering, behind: null }];
  for (const layer of covering) {
    const { shape, isWatertight } = GARMENTS[outfit.layers[layer]!.garment];
    const fabric = FABRICS[outfit.layers[layer]!.fabric];
    if (isWatertight) reasons.push({ code: "no.watertight" });
    else if (fabric.isSealed) reasons.push({ code: "no.sealedCloth", fabric: fabric.name });
    else if (shape === "bib") reasons.push({ code: "no.bibHangs" });
    else if (isTube(shape)) reasons.push({ code: "no.bodiceTight" });
    else placements.push(inside(outfit, layer, zone));
  }
  return { placements, reasons };
}

function onTie(outfit: Outfit, site: Site, surface: "inside" | "outside"): AnchorSearch {
  if (!has(outfit, "tie")) return none({ code: "no.tie" });
  const layer = layersWith(outfit, "collar").at(-1);
  if (layer === undefined) return none({ code: "no.tieCollar" });
  const covers = coversFrom(outfit, layer + 1, site.zone);
  return { placements: [{ surface, layer, covers, behind: "tie" }], reasons: [] };
}

function onBowTie(outfit: Outfit, site: Site): AnchorSearch {
  if (!has(outfit, "bowTie")) return none({ code: "no.bowTie" });
  const layer = layersWith(outfit, "collar").at(-1);
  if (layer === undefined) return none({ code: "no.bowTieCollar" });
  return {
    placements: [{ surface: "inside", layer, covers: coversFrom(outfit, layer + 1, site.zone), behind: "bowTie" }],
    reasons: [],
  };
}

function onPlacket(outfit: Outfit, site: Site): AnchorSearch {
  const layers = layersWith(outfit, "placket");
  if (layers.length === 0) return none({ code: "no.frontClosure" });
  const reasons: DressMessage[] = [];
  const placements = layers.flatMap((layer) => {
    if (outfit.layers[layer]!.opening !== "open")
      return [outside(outfit, layer, site.zone), inside(outfit, layer, site.zone)];
    reasons.push({ code: "no.hangsOpen" });
    return [];
  });
  return { placements, reasons };
}

function onNeckline(outfit: Outfit, site: Site): AnchorSearch {
  const placements = outfit.layers.flatMap((layer, index) => {
    const garment = GARMENTS[layer.garment];
    const isEdge = (garment.shape === "top" || garment.shape === "wrap") && garment.covers.length > 0;
    const isPlain =
      layer.neckline !== "collar" && layer.neckline !== "strapless" && !garment.features.includes("collar");
    if (!isEdge || !isPlain || garment.isWatertight || (garment.opens && layer.opening === "open") || layer.hasLapels)
      return [];
    return [outside(outfit, index, site.zone), inside(outfit, index, site.zone)];
  });
  return placements.length > 0 ? { placements, reasons: [] } : none({ code: "no.plainNeckline" });
}

function onLapel(outfit: Outfit, site: Site): AnchorSearch {
  const layers = outfit.layers.flatMap((layer, index) => (layer.hasLapels ? [index] : []));
  if (layers.length === 0) return none({ code: "no.lapels" });
  return {
    placements: layers.flatMap((layer) => [outside(outfit, layer, site.zone), inside(outfit, layer, site.zone)]),
    reasons: [],
  };
}

function onCollar(outfit: Outfit, site: Site): AnchorSearch {
  const layers = layersWith(outfit, "collar");
  if (layers.length === 0) return none({ code: "no.shirtCollar" });
  if (site.side === 0 && (has(outfit, "tie") || has(outfit, "bowTie"))) return none({ code: "no.tieBetween" });
  return {
    placements: layers.map((layer) => ({
      surface: "inside",
      layer,
      covers: coversFrom(outfit, layer + 1, site.zone),
      behind: null,
    })),
    reasons: [],
  };
}

function onTopEdge(outfit: Outfit, site: Site): AnchorSearch {
  const layers = outfit.layers.flatMap((layer, index) => {
    const { shape, features } = GARMENTS[layer.garment];
    const isBodice = isTube(shape) && !features.includes("bra");
    const { isWhole, opens } = GARMENTS[layer.garment];
    // A front that opens has two edges and no middle.
    return isBodice || (isWhole && !opens && NECKLINES[layer.neckline].dropM >= 0.07 && shape !== "bib") ? [index] : [];
  });
  if (layers.length === 0) return none({ code: "no.topEdge" });
  return { placements: layers.map((layer) => inside(outfit, layer, site.zone)), reasons: [] };
}

function onBra(outfit: Outfit, site: Site): AnchorSearch {
  const layers = layersWith(outfit, "bra");
  if (layers.length === 0) return none({ code: "no.bra" });
  const under = layers.filter((layer) => site.side === 0 || outfit.layers[layer]!.neckline !== "strapless");
  if (under.length === 0) return none({ code: "no.straps" });
  return { placements: under.map((layer) => inside(outfit, layer, site.zone)), reasons: [] };
}

const behindAccessory = (outfit: Outfit, site: Site, accessory: Accessory, missing: DressMessage): AnchorSearch =>
  has(outfit, accessory)
    ? {
        placements: [
          {
            surface: "inside",
            layer: null,
            covers: coversFrom(outfit, outfit.layers.length, site.zone),
            behind: accessory,
          },
        ],
        reasons: [],
      }
    : none(missing);

function onHair(outfit: Outfit, site: Site, hair: Hair): AnchorSearch {
  if (hair === "bald") return none({ code: "no.hair" });
  const covering = (["headscarf", "turban", "beanie"] as const).find((worn) => has(outfit, worn));
  if (covering) return none({ code: "no.hairCovered", by: ACCESSORY_FACTS[covering].name });
  if (site.side !== 0 && hair === "short") return none({ code: "no.shortHair" });
  if (has(outfit, "sealedHood") || has(outfit, "openHelmet")) return none({ code: "no.headgearOnHair" });
  if (has(outfit, "hardHat")) return none({ code: "no.helmetBand" });
  if (has(outfit, "hat")) return none({ code: "no.hatOnHairline" });
  if (site.side !== 0 && has(outfit, "earDefenders")) return none({ code: "no.earDefenders" });
  return { placements: [{ surface: "hair", layer: null, covers: [], behind: null }], reasons: [] };
}

const onHeadwear = (behind: Accessory): AnchorSearch => ({
  placements: [{ surface: "headwear", layer: null, covers: [], behind }],
  reasons: [],
});

function onHelmet(outfit: Outfit): AnchorSearch {
  if (has(outfit, "sealedHood")) return onHeadwear("sealedHood");
  if (has(outfit, "openHelmet")) return onHeadwear("openHelmet");
  return none({ code: has(outfit, "hardHat") ? "no.safetyHelmet" : "no.headgear" });
}

const SEARCHES: Record<Anchor, (outfit: Outfit, site: Site, hair: Hair) => AnchorSearch> = {
  torso: onTorso,
  tieFront: (outfit, site) => onTie(outfit, site, "outside"),
  tieBehind: (outfit, site) => onTie(outfit, site, "inside"),
  bowTie: onBowTie,
  placket: onPlacket,
  neckline: onNeckline,
  lapel: onLapel,
  collar: onCollar,
  bibEdge: (outfit, site) => onFeature(outfit, site, "bibEdge", { code: "no.bib" }),
  strap: (outfit, site) => onFeature(outfit, site, "straps", { code: "no.shoulderStrap" }),
  topEdge: onTopEdge,
  bra: onBra,
  breastPocket: (outfit, site) => onFeature(outfit, site, "breastPocket", { code: "no.breastPocket" }),
  hoodCord: (outfit, site) => onFeature(outfit, site, "cord", { code: "no.hoodCord" }),
  scarf: (outfit, site) => behindAccessory(outfit, site, "scarf", { code: "no.scarf" }),
  cravat: (outfit, site) => behindAccessory(outfit, site, "cravat", { code: "no.cravat" }),
  headscarf: (outfit, site) => behindAccessory(outfit, site, "headscarf", { code: "no.headscarf" }),
  turban: (outfit) => (has(outfit, "turban") ? onHeadwear("turban") : none({ code: "no.turban" })),
  crown: (outfit) => (has(outfit, "crown") ? onHeadwear("crown") : none({ code: "no.crown" })),
  hood(outfit, site) {
    const layers = layersWith(outfit, "hood");
    if (layers.length === 0) return none({ code: "no.hood" });
    return { placements: layers.map((layer) => inside(outfit, layer, site.zone)), reasons: [] };
  },
  brooch: (outfit, site) =>
    outfit.sides?.brooch && (outfit.sides.brooch === "left") !== site.side < 0
      ? none({ code: "no.brooch" })
      : behindAccessory(outfit, site, "brooch", { code: "no.brooch" }),
  drape(outfit, site) {
    const layers = outfit.layers.flatMap((layer, index) => (GARMENTS[layer.garment].shape === "wrap" ? [index] : []));
    return layers.length > 0
      ? {
          placements: layers.flatMap((layer) => [outside(outfit, layer, site.zone), inside(outfit, layer, site.zone)]),
          reasons: [],
        }
      : none({ code: "no.drape" });
  },
  hair: onHair,
  hatBrim: (outfit) => (has(outfit, "hat") ? onHeadwear("hat") : none({ code: "no.hat" })),
  capEdge: (outfit) => (has(outfit, "beanie") ? onHeadwear("beanie") : none({ code: "no.knittedCap" })),
  spectacles(outfit) {
    if (!has(outfit, "spectacles")) return none({ code: "no.spectacles" });
    return has(outfit, "earDefenders") ? none({ code: "no.spectacleArm" }) : onHeadwear("spectacles");
  },
  helmetLiner: onHelmet,
};

/** Zones of a chest that a buttoned suit closes; nothing of the chest hears a voice shut in a hood. */
const SHUT_IN: DressMessage = { code: "no.shutIn" };

/** Looks for everything a site could be fixed to in this outfit, or says why there is nothing. Common practice. */
export function findAnchors(site: Site, outfit: Outfit, hair: Hair = "unknown"): AnchorSearch {
  if (has(outfit, "sealedHood") && site.anchor !== "helmetLiner") return none(SHUT_IN);
  return SEARCHES[site.anchor](outfit, site, hair);
}

/** Whether any layer closes over a zone: what a scarf or collar adds does not count. */
export function isCovered(outfit: Outfit, zone: Zone): boolean {
  return outfit.layers.some((layer) => layerCovers(layer, zone));
}
