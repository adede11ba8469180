/** What a start and a stop of the recorder was for. */
export const TAKE_TYPES = ["take", "pickUp", "wild", "roomTone", "noSound", "falseStart"] as const;
export type TakeType = (typeof TAKE_TYPES)[number];

/** How a take was found when it was over. */
export const RATINGS = ["none", "good", "hold", "noGood"] as const;
export type Rating = (typeof RATINGS)[number];

/** Types of takes that are counted together: pick-ups go on with the numbers of their slate. */
export const isCounted = (type: TakeType): boolean => type === "take" || type === "pickUp";
