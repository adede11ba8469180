import * as Type from "@sinclair/typebox";

const PATTERN = "^([01][0-9]|2[0-3]):[0-5][0-9]$";

/** A time of day, "HH:MM", 24 hours. */
export const ClockTime = (title: string) => Type.String({ title, pattern: PATTERN, patternCode: "time" });

/** Whether a text is such a time. */
export function isClockTime(text: string): boolean {
  return new RegExp(PATTERN).test(text);
}

export const MINUTES_A_DAY = 1440;

/** Minutes after midnight of a time "HH:MM". */
export function minutesOfDay(time: string): number {
  const [hours, minutes] = time.split(":").map(Number);
  return hours! * 60 + minutes!;
}

/** Time "HH:MM" of minutes after midnight; before midnight and beyond the day are carried round. */
export function timeOfDay(minutes: number): string {
  const within = ((Math.round(minutes) % MINUTES_A_DAY) + MINUTES_A_DAY) % MINUTES_A_DAY;
  return `${String(Math.floor(within / 60)).padStart(2, "0")}:${String(within % 60).padStart(2, "0")}`;
}
