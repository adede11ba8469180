import type { RigBody, ShootBundle } from "../records";

/** A day's voice is learned within these, dB. */
const MOST_DB = 40;

/** Rigs whose voice changes when one of them was measured so much louder than planned: the same wearer's, on the same day. */
export function withVoiceToday(bundle: ShootBundle, rigId: string, louderDb: number): { id: string; body: RigBody }[] {
  const rig = bundle.rigs.find(({ id }) => id === rigId);
  const dayOf = (sceneId: string) => bundle.scenes.find(({ id }) => id === sceneId)?.body.day ?? null;
  if (!rig) return [];
  const day = dayOf(rig.body.sceneId);
  const now = (rig.body.voiceTodayDb ?? 0) + louderDb;
  const voiceTodayDb = Math.round(10 * Math.min(MOST_DB, Math.max(-MOST_DB, now))) / 10;
  return bundle.rigs
    .filter(({ body }) => body.wearerId === rig.body.wearerId && dayOf(body.sceneId) === day)
    .map(({ id, body }) => ({ id, body: { ...body, voiceTodayDb } }));
}
