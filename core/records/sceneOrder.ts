import { rememberReads } from "./rememberReads";
import type { ShootBundle, Stored } from "./records";

/** A shoot's scenes as they will be recorded: by day, then by time. */
export function scenesInOrder(scenes: ShootBundle["scenes"]): Stored<"scene">[] {
  return [...scenes].sort(
    (one, other) => one.body.day - other.body.day || one.body.startsAt.localeCompare(other.body.startsAt),
  );
}

const rigsByWearer = rememberReads((bundle) => {
  const order = new Map(scenesInOrder(bundle.scenes).map((scene, index) => [scene.id, index]));
  const at = ({ body }: Stored<"rig">) => order.get(body.sceneId) ?? Infinity;
  const byWearer = new Map<string, Stored<"rig">[]>();
  for (const rig of [...bundle.rigs].sort((one, other) => at(one) - at(other))) {
    const known = byWearer.get(rig.body.wearerId);
    if (known) known.push(rig);
    else byWearer.set(rig.body.wearerId, [rig]);
  }
  return byWearer;
});

const rigsByScene = rememberReads((bundle) => {
  const order = new Map(bundle.wearers.map((wearer, index) => [wearer.id, index]));
  const at = ({ body }: Stored<"rig">) => order.get(body.wearerId) ?? Infinity;
  const byScene = new Map<string, Stored<"rig">[]>();
  for (const rig of [...bundle.rigs].sort((one, other) => at(one) - at(other))) {
    const known = byScene.get(rig.body.sceneId);
    if (known) known.push(rig);
    else byScene.set(rig.body.sceneId, [rig]);
  }
  return byScene;
});

/** Rigs of a scene, in the order of the talent. */
export const rigsOfScene = (bundle: ShootBundle, sceneId: string): readonly Stored<"rig">[] =>
  rigsByScene(bundle).get(sceneId) ?? [];

/** A wearer's rigs in the order of their scenes. */
export const rigsOfWearer = (bundle: ShootBundle, wearerId: string): readonly Stored<"rig">[] =>
  rigsByWearer(bundle).get(wearerId) ?? [];
