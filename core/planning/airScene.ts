import { type AirBody, rememberReads, type ShootBundle, type Stored } from "../records";
import { minutesOfDay } from "../schedule";
import {
  type AirFaults,
  type AirLink,
  type AirPlan,
  BY_LEAD,
  type Carrier,
  carriersOf,
  FIRST_AIR_PLAN,
  judgeAir,
  type OnAir,
  type PackedScan,
  prepareAir,
  type PreparedAir,
  type Scan,
  unpackScan,
} from "../wireless";
import { clipText } from "../schema";
import { usualChain } from "./usualChain";

/** The shoot's air as it is stored; null while nothing was changed. */
export const storedAir = (bundle: ShootBundle): Stored<"air"> | null => bundle.airs[0] ?? null;

/** Everybody in a scene has a link: who wears no pack is said to be connected by a lead. */
export function newLink(own: Pick<AirLink, "id" | "name"> & Partial<AirLink>): AirLink {
  return {
    wearerId: null,
    systemId: FIRST_AIR_PLAN.systems[0]!.id,
    zone: "",
    sceneIds: [],
    frequencyMHz: null,
    isLocked: false,
    spareMHz: null,
    ...own,
  };
}

/** The shoot's air with a link for everybody who is in a scene, named as they are; links of those who left are gone. */
export const airBodyOf: (bundle: ShootBundle) => AirBody = rememberReads((bundle) => {
  const stored = storedAir(bundle)?.body;
  const known = stored ?? { ...FIRST_AIR_PLAN, scan: null, shootId: bundle.shoot.id };
  const dressed = new Set(bundle.rigs.map(({ body }) => body.wearerId));
  const inScene = bundle.wearers.filter(({ id }) => dressed.has(id));
  const chain = usualChain(bundle.kit);
  const isKnown = chain && (chain.systemId === BY_LEAD || known.systems.some(({ id }) => id === chain.systemId));
  const worn = inScene.map(
    ({ id, body }) =>
      known.links.find(({ wearerId }) => wearerId === id) ??
      newLink({ id, wearerId: id, name: body.name, ...(isKnown && { systemId: chain.systemId }) }),
  );
  const nameOf = new Map(bundle.wearers.map(({ id, body }) => [id, clipText(body.name, 80)]));
  return {
    ...known,
    links: [
      ...worn.map((link) => ({ ...link, name: nameOf.get(link.wearerId!) ?? link.name })),
      ...known.links.filter(({ wearerId }) => wearerId === null),
    ],
  };
});

const unpacked = new WeakMap<PackedScan, Scan>();

/** A stored scan with its levels; each is unpacked once. */
function scanOf(packed: PackedScan): Scan {
  const known = unpacked.get(packed) ?? unpackScan(packed);
  unpacked.set(packed, known);
  return known;
}

export function airPlanOf({ region, rules, systems, links, scan }: AirBody): AirPlan {
  return { region, rules, systems, links, scan: scan ? scanOf(scan) : null };
}

/** When each link is on, from the scenes of who wears it, or those that were named for it. Times of a scene run from its start. */
export function onAirOf(bundle: ShootBundle, links: readonly AirLink[]): OnAir[] {
  const scenes = new Map(bundle.scenes.map(({ id, body }) => [id, body]));
  return links
    .filter(({ systemId }) => systemId !== BY_LEAD)
    .map(({ id, wearerId, zone, sceneIds }) => {
      const ids = wearerId
        ? bundle.rigs.filter(({ body }) => body.wearerId === wearerId).map(({ body }) => body.sceneId)
        : sceneIds;
      return {
        linkId: id,
        zone,
        times: ids.flatMap((sceneId) => {
          const scene = scenes.get(sceneId);
          if (!scene) return [];
          const fromMin = minutesOfDay(scene.startsAt);
          return [{ day: scene.day, fromMin, toMin: fromMin + scene.lengthMin }];
        }),
      };
    });
}

/** The shoot's air, made ready and judged. */
export interface AirScene {
  body: AirBody;
  plan: AirPlan;
  onAir: readonly OnAir[];
  prepared: PreparedAir;
  carriers: readonly Carrier[];
  faults: AirFaults;
}

export function airSceneOf(bundle: ShootBundle, body = airBodyOf(bundle), hasCure = true): AirScene {
  const plan = airPlanOf(body);
  const onAir = onAirOf(bundle, body.links);
  const prepared = prepareAir(plan, onAir);
  return {
    body,
    plan,
    onAir,
    prepared,
    carriers: carriersOf(plan, prepared),
    faults: judgeAir(plan, prepared, hasCure),
  };
}

/** How a wearer stands on the air: nothing yet, tuned and sound, or tuned and wrong; null when they are connected by a lead. */
export function airStateOf({ body, plan, faults }: AirScene, wearerId: string): "loose" | "basted" | "unpicked" | null {
  const link = body.links.find((each) => each.wearerId === wearerId);
  if (!link || link.systemId === BY_LEAD) return null;
  if (plan.systems.find(({ id }) => id === link.systemId)?.band === "ism24") return "basted";
  if (link.frequencyMHz === null) return "loose";
  const isBroken =
    faults.conflicts.some(({ makers, victim }) => victim.id === link.id || makers.some(({ id }) => id === link.id)) ||
    [...faults.refused, ...faults.onTaken].some(({ linkId }) => linkId === link.id);
  return isBroken ? "unpicked" : "basted";
}
