import { meanSquareToDbfs } from "../sound";
import type { Heard } from "./heard";

/** Speech without a pause; seconds of the recording. */
export interface Phrase {
  startS: number;
  endS: number;
  /** Mean level, dBFS (AES17). */
  levelDbfs: number;
}

/** What is nearer than this is one phrase, s: a piece ends in the middle of one. */
const TOGETHER_S = 0.03;

/** Phrases of one piece from its own beginning on, which stands at `fromS` of the recording. */
export function phrasesOf({ isSpeech, level, first, hops, hopS }: Heard, fromS: number): Phrase[] {
  const phrases: Phrase[] = [];
  let [begin, sum] = [-1, 0];
  for (let hop = first; hop <= hops; hop += 1) {
    if (hop < hops && isSpeech[hop]) {
      if (begin < 0) [begin, sum] = [hop, 0];
      sum += level[hop]!;
    } else if (begin >= 0) {
      const at = (place: number) => fromS + (place - first) * hopS;
      phrases.push({ startS: at(begin), endS: at(hop), levelDbfs: meanSquareToDbfs(sum / (hop - begin)) });
      begin = -1;
    }
  }
  return phrases;
}

/** Adds the phrases of the next piece; the first of them may go on with the last there is. */
export function joinPhrases(all: Phrase[], next: readonly Phrase[]): void {
  for (const phrase of next) {
    const last = all.at(-1);
    if (!last || phrase.startS - last.endS > TOGETHER_S) {
      all.push({ ...phrase });
      continue;
    }
    const [before, own] = [last.endS - last.startS, phrase.endS - phrase.startS];
    const power = (before * 10 ** (last.levelDbfs / 10) + own * 10 ** (phrase.levelDbfs / 10)) / (before + own);
    all[all.length - 1] = { startS: last.startS, endS: phrase.endS, levelDbfs: 10 * Math.log10(power) };
  }
}

/** Phrases of all tracks as one row: where anybody speaks. Levels are those of whoever began. */
export function phrasesTogether(tracks: readonly (readonly Phrase[])[]): Phrase[] {
  const row: Phrase[] = [];
  for (const phrase of tracks.flat().toSorted((one, other) => one.startS - other.startS)) {
    const last = row.at(-1);
    if (!last || phrase.startS > last.endS) row.push({ ...phrase });
    else last.endS = Math.max(last.endS, phrase.endS);
  }
  return row;
}
