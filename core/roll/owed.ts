import type { RollMessage } from "./messages";
import { joinsPicture, spoils } from "./markKinds";
import type { Rating, TakeType } from "./takeTypes";

/** What of a logged take decides what is still owed. */
export interface OwedTake {
  id: string;
  slate: string;
  take: number;
  type: TakeType;
  rating: Rating;
  /** Kinds of its marks; proposals that nobody has taken are left out. */
  marks: readonly string[];
  /** Talent with a track of their own. */
  wearerIds: readonly string[];
}

export interface OwedScene {
  /** Where it is; null: not said. */
  place: string | null;
  /** Somebody has recorded room tone at this place today, in this scene or another. */
  hasRoomTone: boolean;
  /** A camera rolls too. */
  hasPicture: boolean;
  talent: readonly { id: string; name: string }[];
  takes: readonly OwedTake[];
}

const isSlated = ({ type }: OwedTake): boolean => type === "take" || type === "pickUp";
const isSpoilt = ({ marks, rating }: OwedTake): boolean => rating === "noGood" || marks.some(spoils);

/**
 * What is still owed before a scene is left, the dearest first: talent that was never recorded, slates without a take that can be
 * used, lines that were spoilt and not recorded wild, room tone, takes without a clap. Common practice.
 */
export function owedOf(scene: OwedScene): RollMessage[] {
  const owed: RollMessage[] = [];
  const { takes } = scene;
  const kept = takes.filter(isSlated);
  const recorded = new Set(takes.filter(({ type }) => type !== "noSound").flatMap(({ wearerIds }) => wearerIds));
  const missing = scene.talent.filter(({ id }) => !recorded.has(id));
  if (kept.length > 0 && missing.length > 0)
    owed.push({ code: "owed.notRecorded", names: missing.map(({ name }) => name) });
  for (const slate of new Set(kept.map((each) => each.slate))) {
    const own = kept.filter((each) => each.slate === slate);
    const clean = own.some((each) => each.rating !== "noGood" && !isSpoilt(each));
    if (own.every(({ rating }) => rating === "noGood")) owed.push({ code: "owed.noGoodTake", slate });
    else if (!clean && !takes.some((each) => each.type === "wild" && each.slate === slate))
      owed.push({ code: "owed.wildLine", slate });
  }
  if (scene.place !== null && takes.length > 0 && !scene.hasRoomTone)
    owed.push({ code: "owed.roomTone", place: scene.place });
  if (scene.hasPicture)
    for (const each of kept)
      if (each.rating !== "noGood" && !each.marks.some(joinsPicture))
        owed.push({ code: "owed.clap", slate: each.slate, take: each.take });
  return owed;
}
