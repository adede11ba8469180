import { timecodeAt } from "@/core/timecode";

/** Times without a frame rate are told to the millisecond. */
export function clockTime(seconds: number): string {
  const sign = seconds < 0 ? "−" : "";
  const ms = Math.round(Math.abs(seconds) * 1000);
  const two = (value: number) => String(Math.floor(value)).padStart(2, "0");
  const hours = Math.floor(ms / 3_600_000);
  const rest = `${two((ms / 60_000) % 60)}:${two((ms / 1000) % 60)}.${String(ms % 1000).padStart(3, "0")}`;
  return `${sign}${hours > 0 ? `${hours}:` : ""}${rest}`;
}

/** A time in whole frames and what is left, where the picture has a frame rate. */
export const frameTime = (seconds: number, frameRate: number): string =>
  `${seconds < 0 ? "−" : ""}${timecodeAt(Math.abs(seconds), frameRate)}`;
