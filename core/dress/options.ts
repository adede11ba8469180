import { bareDress, type DressMessage } from "./messages";
import { ACCESSORY_FACTS } from "./accessories";
import { findAnchors, type Placement } from "./anchors";
import { FABRICS } from "./fabrics";
import { GARMENTS } from "./garments";
import { MOUNT_IDS, MOUNTS, PORTS, type Mount, type Port } from "./mounts";
import type { DressInput } from "./dressInput";
import { ACTION_FACTS, type Intrusion, type Outfit, type Performance, type Person } from "./outfit";
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
  reason: DressMessage;
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
export function mountRefusal(site: Site, placement: Placement, mount: Mount, input: DressInput): DressMessage | null {
  const { person, performance, outfit, aims } = input;
  const missing = mount.needs.find((supply) => !aims.supplies.includes(supply));
  if (missing) return { code: "no.supply", supply: SUPPLIES[missing].name };
  if (placement.surface === "skin" && mount.usesAdhesive !== "none") {
    if (person.tapeAllergy === "yes") return { code: "no.allergic" };
    if (performance.sweats) return { code: "no.sweatingSkin" };
    if (isInWater(performance)) return { code: "no.wetSkin" };
  }
  const layer = placement.layer === null ? null : outfit.layers[placement.layer]!;
  if (!layer) return null;
  const { isSealed, name } = FABRICS[layer.fabric];
  if (isInWater(performance) && mount.usesAdhesive === "cloth" && site.zone === "midChest")
    return { code: "no.wetCloth" };
  if (mount.id === "pinned") {
    if (placement.layer === 0) return { code: "no.pinOnSkin" };
    if (isSealed || GARMENTS[layer.garment].isWatertight) return { code: "no.pinThrough", fabric: name };
  }
  if (isSealed && mount.usesAdhesive === "cloth" && site.anchor !== "tieBehind")
    return { code: "no.tapeOn", fabric: name };
  return null;
}

const isInWater = ({ water }: Performance) => water === "wading" || water === "swimming";

/** Why nothing may be fixed to this, or null: what saves lives is not ours to alter. */
function protectiveRefusal({ layer, covers }: Placement, { outfit }: DressInput): DressMessage | null {
  const garmentAt = (index: number) => GARMENTS[outfit.layers[index]!.garment];
  if (layer !== null && garmentAt(layer).isProtective) return { code: "no.protective", garment: garmentAt(layer).name };
  const above = covers.map(garmentAt).find(({ barsBelow }) => barsBelow);
  return above ? { code: "no.under", what: above.name } : null;
}

/** Why nothing may be at a place, whatever it is fixed to: what is worn lies on it, or water covers it. Common practice. */
function zoneRefusal({ zone }: Site, { outfit, performance }: DressInput): DressMessage | null {
  if (zone === "head") return null;
  const [over] = outfit.accessories.filter((worn) => ACCESSORY_FACTS[worn].bars.includes(zone));
  if (over) return { code: "no.under", what: ACCESSORY_FACTS[over].name };
  return performance.water === "swimming" ? { code: "no.floods" } : null;
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
    const { placements, reasons } = findAnchors(site, input.outfit, input.person.hair);
    for (const reason of reasons) refusals.push({ site, placement: null, mount: null, reason });
    for (const placement of placements) {
      const barred = zoneRefusal(site, input) ?? protectiveRefusal(placement, input);
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
export function cautionsOf({ site, placement, mount }: Option): DressMessage[] {
  const cautions: DressMessage[] = [];
  if (placement.behind && ACCESSORY_FACTS[placement.behind].isProtective) cautions.push({ code: "caution.headgear" });
  if (placement.surface === "skin") cautions.push({ code: "caution.skin" });
  if (mount.id === "pinned") cautions.push({ code: "caution.pin" });
  if (mount.id === "wrap") cautions.push({ code: "caution.wrap" });
  if (site.anchor === "bra") cautions.push({ code: "caution.offer" });
  return cautions;
}

/** What is said wherever something is worn that protects: never in its way, whatever the place. Common practice. */
export function safetyCautions(
  { layers, accessories }: Outfit,
  performance: Performance,
  person: Person,
): DressMessage[] {
  const names = [
    ...layers.flatMap(({ garment }) => (GARMENTS[garment].isProtective ? [GARMENTS[garment].name] : [])),
    ...accessories.flatMap((worn) => (ACCESSORY_FACTS[worn].isProtective ? [ACCESSORY_FACTS[worn].name] : [])),
  ];
  const said: DressMessage[] = names.length > 0 ? [{ code: "caution.protective", names }] : [];
  for (const worn of accessories) {
    const { caution } = ACCESSORY_FACTS[worn];
    if (caution && !said.some(({ code }) => code === caution)) said.push(bareDress(caution));
  }
  if (person.isChild ?? person.heightM < CHILD_BELOW_M) said.push({ code: "caution.child" });
  if (performance.water === "wading" || performance.water === "swimming") said.push({ code: "caution.water" });
  if (ACTION_FACTS[performance.action].pulls >= 1.5) said.push({ code: "caution.cords" });
  return said;
}

/** Taken for a child while nobody has said, m. An estimate. */
const CHILD_BELOW_M = 1.4;
