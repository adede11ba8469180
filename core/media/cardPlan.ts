import { timeOfDay } from "../schedule/clockTime";
import { bytesPerS, minutesOnCard, type SoundFormat } from "./soundFormat";

/** Something that is recorded on a day. */
export interface Rolling {
  title: string;
  /** Minutes after midnight. */
  fromMin: number;
  /** Sound that is wanted, and its longest take, min. */
  lengthMin: number;
  takeMin: number;
  tracks: number;
}

export interface CardChange {
  /** Minutes after midnight; the card before is full then, as near as takes allow. */
  atMin: number;
  title: string;
  /** From 1. */
  card: number;
}

export interface CardPlan {
  /** Minutes of one track at this format, whole day. */
  trackMinutes: number;
  gigabytes: number;
  changes: readonly CardChange[];
  /** Cards that are needed, and those there are. */
  needed: number;
  /** The first thing that does not fit any more, with the minutes that it lacks; null when all fits. */
  lack: { title: string; atMin: number; minutes: number } | null;
  says: string;
}

/** Rolled for each minute that is wanted: roll long before it is needed. Common practice, put into a figure. */
export const ROLLS_FACTOR = 1.5;

/**
 * What goes onto which card over a day.
 *
 * `cardsGb`: sizes as printed, in the order in which they are used. A card is changed between takes: when what is left on it
 * is less than the longest take of what is being recorded. Safety tracks count as tracks. Recordings in any order; of those
 * that overlap, each is taken after the other.
 */
export function planCards(
  recordings: readonly Rolling[],
  format: Omit<SoundFormat, "channels">,
  cardsGb: readonly number[],
): CardPlan {
  const inOrder = [...recordings].sort((one, other) => one.fromMin - other.fromMin);
  /** Track minutes: a card holds twice as long with half the tracks. */
  const holds = (gigabytes: number) => minutesOnCard(gigabytes, { ...format, channels: 1 });
  const perTrackGb = (60 * bytesPerS({ ...format, channels: 1 })) / 1e9;
  const changes: CardChange[] = [];
  let card = 0;
  let left = cardsGb[0] === undefined ? 0 : holds(cardsGb[0]);
  let lack: CardPlan["lack"] = null;
  for (const { title, fromMin, lengthMin, takeMin, tracks } of inOrder) {
    const take = Math.max(1e-6, takeMin);
    let toRoll = lengthMin * ROLLS_FACTOR;
    while (toRoll > 1e-9) {
      const piece = Math.min(take, toRoll);
      if (left + 1e-9 < piece * tracks) {
        const atMin = fromMin + (lengthMin * ROLLS_FACTOR - toRoll) / ROLLS_FACTOR;
        card += 1;
        const next = cardsGb[card];
        if (next === undefined || holds(next) < piece * tracks) {
          lack ??= { title, atMin, minutes: toRoll };
          if (next === undefined) break;
          left = holds(next);
          continue;
        }
        left = holds(next);
        changes.push({ atMin, title, card: card + 1 });
        continue;
      }
      left -= piece * tracks;
      toRoll -= piece;
    }
    if (lack) break;
  }
  const total = inOrder.reduce((sum, each) => sum + each.lengthMin * ROLLS_FACTOR * each.tracks, 0);
  const gigabytes = total * perTrackGb;
  const largest = Math.max(0, ...cardsGb);
  const needed = largest > 0 ? Math.ceil(total / holds(largest) - 1e-9) : 0;
  return {
    trackMinutes: total,
    gigabytes,
    changes,
    needed: Math.max(needed, changes.length + 1),
    lack,
    says: cardWords(inOrder, cardsGb, changes, lack, gigabytes),
  };
}

function cardWords(
  recordings: readonly Rolling[],
  cardsGb: readonly number[],
  changes: readonly CardChange[],
  lack: CardPlan["lack"],
  gigabytes: number,
): string {
  if (recordings.length === 0) return "Nothing is recorded on this day.";
  if (cardsGb.length === 0) return `${gigabytes.toFixed(1)} GB are needed, and there is no card.`;
  if (lack)
    return `The cards last to ${timeOfDay(lack.atMin)}: ${lack.title} needs ${Math.ceil(lack.minutes)} min more.`;
  const [first] = changes;
  if (!first) return `One card is enough: ${gigabytes.toFixed(1)} GB of it.`;
  return `The first card lasts to ${timeOfDay(first.atMin)}; change it between takes of ${first.title}.`;
}
