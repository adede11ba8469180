import { clockWords, REMEDY_WORDS, timeWords } from "@/messages";
import type { NoisyTime } from "@/core/planning";
import { lengthOf } from "@/core/schedule";
import { isSteady, type NoiseSource } from "@/core/noise";

/** When a noise is there. */
export function whenWords(source: NoiseSource): string {
  if (isSteady(source)) return "all the time";
  if (source.occurs === "comes") return `${source.perHour} an hour, ${source.lastsS} s each`;
  return source.times.length === 0
    ? "times not known yet"
    : `${source.times.length} times, first ${timeWords(source.times[0]!.from)}`;
}

/** A noise with its time: "10:10 ferry landing, 12 min". */
export const noisyWords = (time: NoisyTime): string =>
  `${clockWords(time.fromMin)} ${time.says}, ${Math.round(lengthOf(time))} min`;

/** What is done about a noise, and by whom. */
export function remedyWords({ remedy, isDone, owner }: NoiseSource): string {
  if (!remedy) return "nothing done yet";
  const who = owner ? ` (${owner})` : "";
  return isDone ? `${REMEDY_WORDS[remedy].done}${who}` : `to do: ${REMEDY_WORDS[remedy].name}${who}`;
}
