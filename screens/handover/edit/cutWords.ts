import type { CutPlan, Pause } from "@/core/cut";

const clock = (seconds: number): string =>
  `${Math.floor(Math.round(seconds) / 60)}:${String(Math.round(seconds) % 60).padStart(2, "0")}`;

/** How long it was and is, and how many phrases go. */
export function cutLengths(wasS: number, isS: number, phrases: CutPlan["phrases"]): string {
  const dropped = phrases.filter(({ decision }) => decision === "drop").length;
  const kept = phrases.length - dropped;
  if (kept === 0) return "Nothing is kept.";
  const goes = dropped === 0 ? "every phrase kept" : `${dropped} of ${phrases.length} phrases dropped`;
  return `${clock(wasS)} → ${clock(isS)}, ${goes}.`;
}

/** How often somebody breathes or smacks between phrases. */
export function eventCounts(pauses: readonly Pause[]): { breaths: number; smacks: number } {
  const events = pauses.flatMap((pause) => pause.events);
  const breaths = events.filter(({ kind }) => kind === "breath").length;
  return { breaths, smacks: events.length - breaths };
}
