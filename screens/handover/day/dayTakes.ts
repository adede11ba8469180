import { isDelivered, rollsInOrder } from "@/core/planning";
import type { RollBody, ShootBundle, Stored } from "@/core/records";
import type { DroppedFile } from "@/ui/FileDrop";

/** A take that is to be handed over, with its files in their order. */
export interface DayTake {
  roll: Stored<"roll">;
  /** What was dropped on this page of its files; null where one is missing. */
  files: readonly DroppedFile[] | null;
}

/** A file's name without its folders and its ending, whatever its capitals. */
const stemOf = (path: string): string =>
  path
    .replace(/^.*[\\/]/, "")
    .replace(/\.[^.]*$/, "")
    .toLowerCase();

/** The files of a take among those that were dropped: as the card's log has them, else by the name that was noted. */
function filesOf(
  { files, fileName }: RollBody,
  byStem: ReadonlyMap<string, DroppedFile>,
): readonly DroppedFile[] | null {
  const names = files.length > 0 ? files.map(({ name }) => name) : [fileName];
  const found = names.map((name) => (name === "" ? undefined : byStem.get(stemOf(name))));
  return found.some((each) => each === undefined) ? null : found.flatMap((each) => each ?? []);
}

/** What of a day is handed over, in its order. */
export function dayTakes(bundle: ShootBundle, day: number, sounds: readonly DroppedFile[]): DayTake[] {
  const byStem = new Map(sounds.map((sound) => [stemOf(sound.path), sound]));
  return rollsInOrder(bundle)
    .filter(({ body }) => body.day === day && body.type !== "noSound" && isDelivered(body))
    .map((roll) => ({ roll, files: filesOf(roll.body, byStem) }));
}
