import { FIRST_OUTFIT } from "./newRig";
import type { RecordBodies, RecordKind, ShootBody, Stored, WearerBody } from "./records";

/** A record as it is loaded, for tests. */
export const stored = <Kind extends RecordKind>(
  id: string,
  body: RecordBodies[Kind],
  changedAt = "2027-05-11T09:00:00Z",
): Stored<Kind> => ({ id, version: 1, changedAt, body });

/** A plain shoot, for tests. */
export const TEST_SHOOT: ShootBody = {
  title: "T",
  firstDay: "2027-05-11",
  days: 1,
  units: "metric",
  frameRate: 25,
  delivery: "picture",
  sampleRateHz: 48000,
  bitsPerSample: 24,
};

/** Somebody in a shirt, for tests. */
export const testWearer = (name: string, own: Partial<WearerBody> = {}): WearerBody => ({
  shootId: "s",
  name,
  heightM: 1.75,
  voice: "middle",
  tapeAllergy: "no",
  hairyChest: "no",
  voiceOffsetDb: 0,
  thread: 0,
  outfit: FIRST_OUTFIT,
  ...own,
});
