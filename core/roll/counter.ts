import type { RollMessage } from "./messages";

/** A recorder's time over this many times what the log has counted is no counter but a time of day. */
const FAR_S = 120;
/** The log and the counter agree within this, s: a thumb's second and a half. Estimate. */
const AGREES_S = 2;

/** What the recorder's display says against the log: how late it was started, or how its clock lies. */
export interface CounterCheck {
  isTimeOfDay: boolean;
  /** Log less counter: positive where the recorder was started later than the log; or clock of the recorder less ours. */
  offsetS: number;
  says: RollMessage;
}

/**
 * Compares what the recorder shows, seconds, with how long the log has run and what time it is, both in seconds; a display that
 * shows a time of day gives the offset of its clock.
 */
export function checkCounter(showsS: number, loggedS: number, timeOfDayS: number): CounterCheck {
  const late = loggedS - showsS;
  const clock = ((((showsS - timeOfDayS + 43_200) % 86_400) + 86_400) % 86_400) - 43_200;
  if (Math.abs(late) > FAR_S && Math.abs(clock) < Math.abs(late))
    return { isTimeOfDay: true, offsetS: clock, says: { code: "counter.timeOfDay", offsetS: clock } };
  return {
    isTimeOfDay: false,
    offsetS: late,
    says: Math.abs(late) <= AGREES_S ? { code: "counter.agrees" } : { code: "counter.late", seconds: late },
  };
}

/** Seconds of a display, "h:mm:ss" or "mm:ss"; null where it is none. */
export function secondsShown(text: string): number | null {
  const parts = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!parts) return null;
  const [hours, minutes, seconds] = [parts[1] ?? "0", parts[2]!, parts[3]!].map(Number) as [number, number, number];
  return minutes < 60 && seconds < 60 ? (hours * 60 + minutes) * 60 + seconds : null;
}
