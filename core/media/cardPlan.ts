import type { MediaMessage } from "./messages";
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
  /** From 1, by its place among the cards. */
  card: number;
}

/** The first thing that does not fit any more. */
export interface CardLack {
  title: string;
  atMin: number;
  /** Minutes still to be rolled. */
  minutes: number;
  /** One take of it is larger than any card. */
  isTakeTooLong: boolean;
}

export interface CardPlan {
  /** Minutes of one track at this format, whole day. */
  trackMinutes: number;
  gigabytes: number;
  changes: readonly CardChange[];
  /** Cards the day takes, whole takes on each; beyond those there are they are like the largest. Null: a take fits on none. */
  needed: number | null;
  /** Cards, from 1, that nothing goes onto: too small for a take, or never reached. */
  unused: readonly number[];
  /** Null when all fits. */
  lack: CardLack | null;
  says: MediaMessage;
}

/** Rolled for each minute that is wanted: roll long before it is needed. Common practice, put into a figure. */
export const ROLLS_FACTOR = 1.5;

/**
 * What goes onto which card over a day.
 *
 * `cardsGb`: sizes as printed, in the order in which they are used. A card is changed between takes: when what is left on it
 * is less than the longest take of what is being recorded. The next one is the first that holds such a take; smaller ones are
 * passed over, and used later if shorter takes come. Safety tracks count as tracks. Recordings in any order; of those that
 * overlap, each is taken after the other.
 */
export function planCards(
  recordings: readonly Rolling[],
  format: Omit<SoundFormat, "channels">,
  cardsGb: readonly number[],
): CardPlan {
  const inOrder = [...recordings].sort((one, other) => one.fromMin - other.fromMin);
  const perTrackGb = (60 * bytesPerS({ ...format, channels: 1 })) / 1e9;
  /** Track minutes: a card holds twice as long with half the tracks. */
  const holds = cardsGb.map((gigabytes) => minutesOnCard(gigabytes, { ...format, channels: 1 }));
  const largest = Math.max(0, ...holds);
  const fresh = new Set(holds.keys());
  const changes: CardChange[] = [];
  let used = 0;
  let left = 0;
  let lack: CardLack | null = null;
  let isTakeTooLong = false;
  /** Cards that are missing. */
  let more = 0;
  /** Puts in the first fresh card that holds so much, or one more like the largest; false where not even that would do. */
  const changeCard = (trackMinutes: number, title: string, atMin: number, minutes: number): boolean => {
    const card = [...fresh].find((each) => holds[each]! + 1e-9 >= trackMinutes);
    if (card !== undefined && !lack) {
      fresh.delete(card);
      left = holds[card]!;
      if (used > 0) changes.push({ atMin, title, card: card + 1 });
    } else {
      isTakeTooLong = largest + 1e-9 < trackMinutes;
      lack ??= { title, atMin, minutes, isTakeTooLong };
      left = largest;
      more += 1;
    }
    used += 1;
    return !isTakeTooLong;
  };
  fill: for (const { title, fromMin, lengthMin, takeMin, tracks } of inOrder) {
    const take = Math.max(1e-6, takeMin);
    let toRoll = lengthMin * ROLLS_FACTOR;
    while (toRoll > 1e-9) {
      const piece = Math.min(take, toRoll);
      const atMin = fromMin + lengthMin - toRoll / ROLLS_FACTOR;
      if (left + 1e-9 < piece * tracks && !changeCard(piece * tracks, title, atMin, toRoll)) break fill;
      left -= piece * tracks;
      toRoll -= piece;
    }
  }
  const total = inOrder.reduce((sum, each) => sum + each.lengthMin * ROLLS_FACTOR * each.tracks, 0);
  const gigabytes = total * perTrackGb;
  return {
    trackMinutes: total,
    gigabytes,
    changes,
    needed: isTakeTooLong ? null : used,
    unused: [...fresh].map((card) => card + 1),
    lack,
    says: cardMessage(inOrder, cardsGb, changes, lack, gigabytes, more),
  };
}

function cardMessage(
  recordings: readonly Rolling[],
  cardsGb: readonly number[],
  changes: readonly CardChange[],
  lack: CardLack | null,
  gigabytes: number,
  more: number,
): MediaMessage {
  if (recordings.length === 0) return { code: "media.nothingRecorded" };
  if (cardsGb.length === 0) return { code: "media.noCard", gigabytes };
  if (lack?.isTakeTooLong) return { code: "media.takeFitsNoCard", title: lack.title };
  if (lack) {
    const { atMin, title, minutes } = lack;
    return { code: "media.cardsEnd", atMin, title, minutes, more, gigabytes: Math.max(...cardsGb) };
  }
  const [first] = changes;
  if (!first) return { code: "media.oneCard", gigabytes };
  return { code: "media.changeCard", atMin: first.atMin, title: first.title };
}
