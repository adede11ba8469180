import type { QueryClient } from "@tanstack/react-query";
import { channelOfTake, judgeTake } from "@/core/proof/judgeTake";
import { audioFileOf, type FileContent } from "@/core/records/audioFile";
import { expectedTake } from "@/core/planning/expectedTake";
import { levelsOfRig } from "@/core/planning/levels";
import type { ShootBundle } from "@/core/records/records";
import { rigOfFile } from "@/screens/check/takeOwner";
import { keptTake, takeRecord } from "@/core/planning/takeRecord";
import { takeKey } from "@/data/hub";
import { askTakeDetail } from "@/data/server";
import type { ShootStore } from "@/data/shootStore";
import { storeTake } from "./storeTake";
import type { CardFile } from "./useCard";

/** Files of a card whose names say whose they are. */
export function ownedFiles(bundle: ShootBundle, files: readonly CardFile[]): CardFile[] {
  return files.filter(({ path, state }) => state.phase === "measured" && rigOfFile(bundle, path) !== null);
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
    const { bundle } = store.snapshot();
    const rig = rigOfFile(bundle, path);
    const subject = rig && levelsOfRig(bundle, rig.id);
    const expected = subject && expectedTake(bundle, subject);
    if (state.phase !== "measured" || !rig || !subject?.levels || !expected) continue;
    kept += 1;
    const { measurement } = state.recording;
    const content = contents[at]!;
    const summary = keptTake(bundle, rig.id, audioFileOf(measurement, content));
    const detail = summary
      ? await queries
          .fetchQuery({ queryKey: takeKey(summary.id), queryFn: () => askTakeDetail(summary.id) })
          .catch(() => null)
      : null;
    if (summary && !detail) continue;
    const reviews = detail?.body.reviews ?? [];
    const judged = judgeTake(subject.levels, expected, measurement, channelOfTake(expected, measurement), reviews);
    const ids = { shootId: bundle.shoot.id, rigId: rig.id };
    storeTake(store, takeRecord(ids, measurement, content, expected.plan, judged, reviews), { summary, detail });
  }
  return kept;
}
