import type { RecordBodies, RecordKind, ShootBody, Stored } from "./records";

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
