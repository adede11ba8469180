import { REMEDY_WORDS } from "@/messages";
import { isSteady, type NoiseSource } from "@/core/noise";

/** When a noise is there. */
export function whenWords(source: NoiseSource): string {
  if (isSteady(source)) return "all the time";
  if (source.occurs === "comes") return `${source.perHour} an hour, ${source.lastsS} s each`;
  return source.times.length === 0
    ? "times not known yet"
    : `${source.times.length} times, first ${source.times[0]!.from}`;
}

/** What is done about a noise, and by whom. */
export function remedyWords({ remedy, isDone, owner }: NoiseSource): string {
  if (!remedy) return "nothing done yet";
  const who = owner ? ` (${owner})` : "";
  return isDone ? `${REMEDY_WORDS[remedy].done}${who}` : `to do: ${REMEDY_WORDS[remedy].name}${who}`;
}
