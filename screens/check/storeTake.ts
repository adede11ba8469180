import type { Stored } from "@/core/records";
import type { TakeRecord } from "@/core/planning";
import { idFor } from "@/data/hub";
import type { ShootStore } from "@/data/shootStore";

/** What is stored of a take already. */
export interface StoredTake {
  summary: Stored<"measurement"> | null;
  detail: Stored<"takeDetail"> | null;
}

/** Keeps a judged take; the same file measured again for the same rig replaces its earlier proof. */
export function storeTake(store: ShootStore, { summary, detail }: TakeRecord, known: StoredTake): void {
  const { shootId, rigId, file } = summary;
  const { name, hash, sizeBytes, timeReference } = file;
  const of = hash === null ? [name, String(file.format.durationS)] : [hash, String(sizeBytes), String(timeReference)];
  const measurementId = known.summary?.id ?? idFor(shootId, "measurement", rigId, ...of);
  if (known.summary) store.change("measurement", measurementId, summary);
  else store.create("measurement", summary, { id: measurementId });
  const body = { ...detail, measurementId };
  if (known.detail) store.changeFrom("takeDetail", known.detail, body);
  else store.create("takeDetail", body, { id: idFor(shootId, "takeDetail", measurementId) });
}
