import { channelOfTake, judgeTake } from "@/core/proof/judgeTake";
import { expectedTake } from "@/core/shoot/expectedTake";
import { levelsOfRig } from "@/core/shoot/levels";
import type { ShootBundle } from "@/core/shoot/records";
import { rigOfFile } from "@/core/shoot/takeOwner";
import { keptTake, takeRecord } from "@/core/shoot/takeRecord";
import type { ShootStore } from "../saving/shootStore";
import type { CardFile } from "./useCard";

/** Files of a card whose names say whose they are. */
export function ownedFiles(bundle: ShootBundle, files: readonly CardFile[]): CardFile[] {
  return files.filter(({ path, state }) => state.phase === "measured" && rigOfFile(bundle, path) !== null);
}

/** Keeps every measured file of a card as a take of the wearer its name says; gives back how many there were. */
export function keepTakes(store: ShootStore, files: readonly CardFile[]): number {
  const { bundle } = store.snapshot();
  let kept = 0;
  for (const { path, state } of files) {
    const rig = rigOfFile(bundle, path);
    const subject = rig && levelsOfRig(bundle, rig.id);
    const expected = subject && expectedTake(bundle, subject);
    if (state.phase !== "measured" || !rig || !subject?.levels || !expected) continue;
    const { measurement } = state.recording;
    const known = keptTake(store.snapshot().bundle, rig.id, measurement);
    const reviews = known?.body.reviews ?? [];
    const judged = judgeTake(subject.levels, expected, measurement, channelOfTake(expected, measurement), reviews);
    const ids = { shootId: bundle.shoot.id, rigId: rig.id };
    const body = takeRecord(ids, measurement, expected.plan, judged, reviews);
    if (known) store.change("measurement", known.id, body);
    else store.create("measurement", body);
    kept += 1;
  }
  return kept;
}
