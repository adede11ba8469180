import { FIRST_OUTFIT, newRig } from "@/core/planning";
import { newScene, type RigBody, scenesInOrder, type ShootBundle, type Stored, THREADS } from "@/core/records";
import type { ShootStore } from "@/data/shootStore";
import { clipText } from "@/core/schema";

/** Adds a person in a shirt to a scene, or to the first one; where there is none, one is made at the first place. */
export function addWearer(
  store: ShootStore,
  bundle: ShootBundle,
  wanted: string | null = null,
): { wearerId: string; sceneId: string } {
  const shootId = bundle.shoot.id;
  const wearerId = store.create("wearer", {
    shootId,
    name: `Talent ${bundle.wearers.length + 1}`,
    heightM: 1.7,
    voice: "unknown",
    tapeAllergy: "unknown",
    hairyChest: "unknown",
    voiceOffsetDb: 0,
    thread: bundle.wearers.length % THREADS,
    outfit: FIRST_OUTFIT,
  });
  const sceneId =
    bundle.scenes.find(({ id }) => id === wanted)?.id ??
    scenesInOrder(bundle.scenes)[0]?.id ??
    store.create("scene", newScene(shootId, { placeId: bundle.places[0]?.id ?? null }));
  store.create("rig", newRig({ shootId, wearerId, sceneId }));
  return { wearerId, sceneId };
}

/** Adds a person dressed alike, with the same rig in the same scene, not asked and not rigged yet; returns their id. */
export function duplicateWearer(
  store: ShootStore,
  bundle: ShootBundle,
  wearer: Stored<"wearer">,
  rig: Stored<"rig">,
): string {
  const wearerId = store.create("wearer", {
    ...wearer.body,
    name: clipText(`${wearer.body.name} (copy)`, 120),
    voice: "unknown",
    tapeAllergy: "unknown",
    hairyChest: "unknown",
    thread: bundle.wearers.length % THREADS,
  });
  store.create(
    "rig",
    newRig({ shootId: rig.body.shootId, wearerId, sceneId: rig.body.sceneId }, decisionsOf(rig.body)),
  );
  return wearerId;
}

/** What of a rig goes along when it is copied; permission and being rigged never do. */
function decisionsOf({ performance, outfit, aims, choice, packPlace, lavId, packId, receiverId, inputId }: RigBody) {
  return {
    performance,
    outfit,
    aims,
    choice,
    packPlace,
    lavId,
    packId,
    receiverId,
    inputId,
  } satisfies Partial<RigBody>;
}

/** Puts a wearer into another scene with the same rig; a new scene is made when none is named. Returns the scene's id. */
export function copyRig(store: ShootStore, bundle: ShootBundle, rig: Stored<"rig">, sceneId: string | null): string {
  const { shootId, wearerId } = rig.body;
  const before = bundle.scenes.find((scene) => scene.id === rig.body.sceneId);
  const into =
    sceneId ??
    store.create("scene", newScene(shootId, { ...before?.body, title: `Scene ${bundle.scenes.length + 1}` }));
  store.create("rig", newRig({ shootId, wearerId, sceneId: into }, decisionsOf(rig.body)));
  return into;
}
