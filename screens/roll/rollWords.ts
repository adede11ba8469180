import type { RollBody, Stored } from "@/core/records";
import { TYPE_NAMES } from "@/messages";

const two = (value: number): string => String(value).padStart(2, "0");

/** "4:07", "1:04:07". */
export function runTime(seconds: number): string {
  const whole = Math.floor(Math.max(0, seconds));
  const hours = Math.floor(whole / 3600);
  const rest = `${hours > 0 ? two(Math.floor(whole / 60) % 60) : Math.floor(whole / 60)}:${two(whole % 60)}`;
  return hours > 0 ? `${hours}:${rest}` : rest;
}

/** Time of day of seconds after midnight, "09:44:12". */
export function dayTime(seconds: number): string {
  const whole = Math.floor(seconds);
  return `${two(Math.floor(whole / 3600) % 24)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
}

/** What a take is called: "Slate 12A, take 3", "Slate 12A, wild line 1", "Room tone 1". */
export function takeName({ slate, take, type }: Pick<RollBody, "slate" | "take" | "type">): string {
  const what = type === "falseStart" ? TYPE_NAMES.falseStart : `${TYPE_NAMES[type]} ${take}`;
  return slate.trim() === "" ? what : `Slate ${slate}, ${what.charAt(0).toLowerCase()}${what.slice(1)}`;
}

/** A take runs on after this only where somebody forgot to stop it, h. */
const FORGOTTEN_H = 12;

/** The take that is running, whoever started it; one that was forgotten for half a day is none. */
export function runningOf(rolls: readonly Stored<"roll">[], nowMs: number): Stored<"roll"> | null {
  const open = rolls.filter(
    ({ body }) =>
      body.lengthS === null &&
      nowMs - Date.parse(body.startedAt) < FORGOTTEN_H * 3600_000 &&
      // Of a device whose clock is ahead; what lies further ahead is another day's.
      Date.parse(body.startedAt) - nowMs < FORGOTTEN_H * 3600_000,
  );
  return open.toSorted((one, other) => (one.body.startedAt < other.body.startedAt ? -1 : 1)).at(-1) ?? null;
}
