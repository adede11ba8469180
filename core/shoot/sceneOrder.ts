import type { ShootBundle, Stored } from "./records";

/** Minutes after midnight of a time "HH:MM". */
export function minutesOfDay(time: string): number {
  const [hours, minutes] = time.split(":").map(Number);
  return hours! * 60 + minutes!;
}

/** Time "HH:MM" of minutes after midnight; before midnight and beyond the day are carried round. */
export function timeOfDay(minutes: number): string {
  const within = ((Math.round(minutes) % 1440) + 1440) % 1440;
  return `${String(Math.floor(within / 60)).padStart(2, "0")}:${String(within % 60).padStart(2, "0")}`;
}

/** A shoot's scenes as they will be recorded: by day, then by time. */
export function scenesInOrder(scenes: ShootBundle["scenes"]): Stored<"scene">[] {
  return [...scenes].sort(
    (one, other) => one.body.day - other.body.day || one.body.startsAt.localeCompare(other.body.startsAt),
  );
}

/** A wearer's rigs in the order of their scenes. */
export function rigsOfWearer(bundle: ShootBundle, wearerId: string): Stored<"rig">[] {
  const order = new Map(scenesInOrder(bundle.scenes).map((scene, index) => [scene.id, index]));
  return bundle.rigs
    .filter((rig) => rig.body.wearerId === wearerId)
    .sort((one, other) => (order.get(one.body.sceneId) ?? Infinity) - (order.get(other.body.sceneId) ?? Infinity));
}
