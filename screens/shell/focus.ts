import { rigsOfScene, rigsOfWearer, scenesInOrder, type ShootBundle, type Stored } from "@/core/records";

/** What is worked on: one scene, and one talent in it. */
export interface Focus {
  /** Null: the shoot has no scene. */
  scene: Stored<"scene"> | null;
  /** Null: nobody wears a microphone in the scene. */
  talent: Stored<"wearer"> | null;
  rig: Stored<"rig"> | null;
}

const NOTHING: Focus = { scene: null, talent: null, rig: null };

/** Focus on one talent of a scene: who is wanted, else the first. */
function focusIn(bundle: ShootBundle, scene: Stored<"scene">, wearerId: string | null): Focus {
  const rigs = rigsOfScene(bundle, scene.id);
  const talentOf = (rig: Stored<"rig">) => bundle.wearers.find(({ id }) => id === rig.body.wearerId) ?? null;
  const wanted = rigs.find(({ body }) => body.wearerId === wearerId);
  const rig = wanted ?? rigs.find((each) => talentOf(each) !== null) ?? null;
  return { scene, rig, talent: rig && talentOf(rig) };
}

/**
 * The scene and talent that an address names. The scene counts more than the talent: whoever is not in it gives way to the first
 * who is. A talent alone means their first scene; nothing named, the first scene in which somebody wears a microphone.
 */
export function focusOf(bundle: ShootBundle, wanted: { wearerId: string | null; sceneId: string | null }): Focus {
  const { wearerId, sceneId } = wanted;
  const sceneOf = (id: string | null) => bundle.scenes.find((scene) => scene.id === id) ?? null;
  const scene = sceneOf(sceneId);
  if (scene) return focusIn(bundle, scene, wearerId);
  const own = wearerId === null ? undefined : rigsOfWearer(bundle, wearerId)[0];
  const ownScene = own ? sceneOf(own.body.sceneId) : null;
  if (ownScene) return focusIn(bundle, ownScene, wearerId);
  const scenes = scenesInOrder(bundle.scenes);
  const first = scenes.find(({ id }) => rigsOfScene(bundle, id).length > 0) ?? scenes[0];
  return first ? focusIn(bundle, first, null) : NOTHING;
}

/** What an address says of one thing only: it does not hold for another scene or talent. */
const OF_ONE = ["way", "link", "place", "take"];

/** The same page with another scene or talent; what else its address says of the page stays. */
export function withFocus(query: URLSearchParams, to: { wearerId?: string | null; sceneId?: string | null }): string {
  const next = new URLSearchParams(query);
  for (const key of OF_ONE) next.delete(key);
  for (const [key, value] of [
    ["wearer", to.wearerId],
    ["scene", to.sceneId],
  ] as const) {
    if (value) next.set(key, value);
    else if (value === null) next.delete(key);
  }
  return `?${next.toString()}`;
}
