import type { ShootBundle, Stored } from "./records";

/** A shoot's scenes as they will be recorded: by day, then by time. */
export function scenesInOrder(scenes: ShootBundle["scenes"]): Stored<"scene">[] {
  return [...scenes].sort(
    (one, other) => one.body.day - other.body.day || one.body.startsAt.localeCompare(other.body.startsAt),
  );
}

/** A wearer's rigs in the order of their scenes. */
export function rigsOfWearer(bundle: ShootBundle, wearerId: string): Stored<"rig">[] {
  const order = new Map(scenesInOrder(bundle.scenes).map((scene, index) => [scene.id, index]));
  return bundle.rigs
    .filter((rig) => rig.body.wearerId === wearerId)
    .sort((one, other) => (order.get(one.body.sceneId) ?? Infinity) - (order.get(other.body.sceneId) ?? Infinity));
}
