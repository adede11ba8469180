import type { ShootBundle, Stored } from "../records";

/** The pickup kept for a scene; null while there is none. */
export function storedPickup(bundle: ShootBundle, sceneId: string): Stored<"pickup"> | null {
  return bundle.pickups.find(({ body }) => body.sceneId === sceneId) ?? null;
}
