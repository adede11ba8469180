import type { SceneBody } from "./records";

/** A scene of which nothing is known yet: half an hour of sound in takes of three minutes. */
export function newScene(shootId: string, own: Partial<SceneBody> = {}): SceneBody {
  return { shootId, title: "Scene 1", placeId: null, day: 1, startsAt: "09:00", lengthMin: 30, takeMin: 3, ...own };
}
