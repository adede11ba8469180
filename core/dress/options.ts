import { ACCESSORY_FACTS } from "./accessories";
import { findAnchors, type Placement } from "./anchors";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import { MOUNT_IDS, MOUNTS, PORTS, type Mount, type Port } from "./mounts";
import type { DressInput } from "./dressInput";
import type { Intrusion } from "./outfit";
import { SITE_IDS, SITES, type Site } from "./sites";
import { SUPPLIES } from "./supplies";

/** One way of placing a microphone: where, on what, held how, looking which way. */
export interface Option {
  site: Site;
  placement: Placement;
  mount: Mount;
  port: Port;
}

/** Why something cannot be done; as much of it is named as the reason needs. */
export interface Refusal {
  site: Site;
  placement: Placement | null;
  mount: Mount | null;
  reason: string;
}

/** A place with the mounts that are possible there. */
export interface MountedPlace {
  site: Site;
  placement: Placement;
  mounts: readonly Mount[];
  ports: readonly Port[];
}

/** How far into somebody's clothing a placement goes. Common practice. */
export function intrusionOf(site: Site, placement: Placement): Intrusion {
  if (site.anchor === "bra") return 3;
  if (placement.surface === "skin" || placement.surface === "hair") return 2;
  return placement.surface === "inside" && placement.behind === null ? 1 : 0;
}

/** Why a mount cannot be used here, or null when it can. Common practice; cautions on pins, skin and protective wear. */
export function mountRefusal(site: Site, placement: Placement, mount: Mount, input: DressInput): string | null {
  const { person, performance, outfit, aims } = input;
  const missing = mount.needs.find((supply) => !aims.supplies.includes(supply));
  if (missing) return `No ${SUPPLIES[missing].name} in the bag.`;
  if (placement.surface === "skin" && mount.usesAdhesive !== "none") {
    if (person.tapeAllergy === "yes") return "Allergic to tape: nothing is stuck to the skin.";
    if (performance.sweats) return "Tape does not hold on sweating skin: go to the garment.";
    if (performance.water === "wading") return "Tape does not hold on wet skin.";
  }
  const layer = placement.layer === null ? null : outfit.layers[placement.layer]!;
  if (!layer) return null;
  const { isSealed, name } = FABRICS[layer.fabric];
  if (mount.id === "pinned") {
    if (placement.layer === 0) return "No pin where the cloth lies on the skin.";
    if (isSealed || GARMENTS[layer.garment].isWatertight) return `No pin through ${name}.`;
  }
  if (isSealed && mount.usesAdhesive === "cloth" && site.anchor !== "tieBehind")
    return `Tape does not hold on ${name}.`;
  return null;
}

/** Why nothing may be fixed to this, or null: what saves lives is not ours to alter. */
function protectiveRefusal({ layer }: Placement, input: DressInput): string | null {
  if (layer === null) return null;
  const garment = GARMENTS[input.outfit.layers[layer]!.garment];
  return garment.isProtective ? `Not on the ${garment.name}: its maker and the safety officer decide.` : null;
}

export interface Search {
  places: readonly MountedPlace[];
  refusals: readonly Refusal[];
}

/** Every site × surface × mount of an outfit: possible, or refused with its reason. */
export function findPlaces(input: DressInput): Search {
  const places: MountedPlace[] = [];
  const refusals: Refusal[] = [];
  for (const id of SITE_IDS) {
    const site = SITES[id];
    const { placements, reasons } = findAnchors(site, input.outfit);
    for (const reason of reasons) refusals.push({ site, placement: null, mount: null, reason });
    for (const placement of placements) {
      const barred = protectiveRefusal(placement, input);
      if (barred) {
        refusals.push({ site, placement, mount: null, reason: barred });
        continue;
      }
      const mounts: Mount[] = [];
      for (const mountId of MOUNT_IDS) {
        const mount = MOUNTS[mountId];
        if (!mount.surfaces.includes(placement.surface)) continue;
        const reason = mountRefusal(site, placement, mount, input);
        if (reason) refusals.push({ site, placement, mount, reason });
        else mounts.push(mount);
      }
      if (mounts.length > 0) places.push({ site, placement, mounts, ports: PORTS });
    }
  }
  return { places, refusals };
}

/** Cautions that a placement brings with it. Shown wherever it is offered. */
export function cautionsOf({ site, placement, mount }: Option): string[] {
  const cautions: string[] = [];
  if (placement.behind && ACCESSORY_FACTS[placement.behind].isProtective)
    cautions.push(
      "Protective headgear: nothing may hinder sight, breathing or release. Its maker and the safety officer decide.",
    );
  if (placement.surface === "skin")
    cautions.push(
      "Ask about allergy and skin conditions first; new tape for every person; take it off along the skin.",
    );
  if (mount.id === "pinned") cautions.push("The pin goes through cloth only, never against the skin.");
  if (mount.id === "wrap") cautions.push("Two fingers must fit under the wrap: nothing tight round the chest.");
  if (site.anchor === "bra") cautions.push("Offer that they place it themselves.");
  return cautions;
}
