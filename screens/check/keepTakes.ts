import type { QueryClient } from "@tanstack/react-query";
import type { RecordingMeasurement } from "@/core/check";
import { channelOfTake, judgeTake } from "@/core/proof";
import { audioFileOf, type FileContent, type ShootBundle } from "@/core/records";
import { expectedTake, keptTake, levelsOfRig, takeRecord } from "@/core/planning";
import { rigOfFile } from "@/screens/check/takeOwner";
import { takeKey } from "@/data/hub";
import { askTakeDetail } from "@/data/server";
import type { ShootStore } from "@/data/shootStore";
import { contentsOf } from "./contentOf";
import { storeTake } from "./storeTake";
import type { CardFile } from "./useCard";

/** Files of a card whose names say whose they are. */
export function ownedFiles(bundle: ShootBundle, files: readonly CardFile[]): CardFile[] {
  return files.filter(({ path, state }) => state.phase === "measured" && rigOfFile(bundle, path) !== null);
}

/** A measured take of a rig, judged and kept; false where there is no plan, or what was said of an earlier look cannot be asked for. */
async function keepTake(
  store: ShootStore,
  queries: QueryClient,
  rigId: string,
  measurement: RecordingMeasurement,
  content: FileContent,
): Promise<boolean> {
  const { bundle } = store.snapshot();
  const subject = levelsOfRig(bundle, rigId);
  const expected = subject && expectedTake(bundle, subject);
  if (!subject?.levels || !expected) return false;
  const summary = keptTake(bundle, rigId, audioFileOf(measurement, content));
  const detail = summary
    ? await queries
        .fetchQuery({ queryKey: takeKey(summary.id), queryFn: () => askTakeDetail(summary.id) })
        .catch(() => null)
    : null;
  if (summary && !detail) return true;
  const reviews = detail?.body.reviews ?? [];
  const judged = judgeTake(subject.levels, expected, measurement, channelOfTake(expected, measurement), reviews);
  const ids = { shootId: bundle.shoot.id, rigId };
  storeTake(store, takeRecord(ids, measurement, content, expected.plan, judged, reviews), { summary, detail });
  return true;
}

/** Keeps the take of a screen that was left before the file was read for what tells it from others. */
export async function keepLeftTake(
  store: ShootStore,
  queries: QueryClient,
  rigId: string,
  measurement: RecordingMeasurement,
  file: File,
): Promise<void> {
  const [content] = await contentsOf([file]);
  await keepTake(store, queries, rigId, measurement, content!);
}

/**
 * Keeps every measured file of a card as a take of the wearer its name says; gives back how many there were. One that is kept
 * already keeps what was said of it; where that cannot be asked for, it stays as it is.
 */
export async function keepTakes(
  store: ShootStore,
  queries: QueryClient,
  files: readonly CardFile[],
  contents: readonly FileContent[],
): Promise<number> {
  let kept = 0;
  for (const [at, { path, state }] of files.entries()) {
    const rig = rigOfFile(store.snapshot().bundle, path);
    if (state.phase !== "measured" || !rig) continue;
    if (await keepTake(store, queries, rig.id, state.recording.measurement, contents[at]!)) kept += 1;
  }
  return kept;
}
