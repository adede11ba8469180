/** A stretch of one axis, in the axis's own unit. */
export interface Stretch {
  from: number;
  to: number;
}

export const lengthOf = ({ from, to }: Stretch): number => to - from;

/** A stretch that lies within the whole and is no shorter than the narrowest. */
export function within(whole: Stretch, narrowest: number, { from, to }: Stretch): Stretch {
  const length = Math.min(lengthOf(whole), Math.max(narrowest, to - from));
  const start = Math.max(whole.from, Math.min(whole.to - length, from));
  return { from: start, to: start + length };
}

/** Closer (factor below 1) or farther, with one point staying where it is. */
export const zoomed = ({ from, to }: Stretch, factor: number, around: number): Stretch => ({
  from: around - (around - from) * factor,
  to: around + (to - around) * factor,
});

/** The stretch as a scaling by k and a shift by x pixels, of the whole drawn over so many pixels. */
export function scalingOf(whole: Stretch, seen: Stretch, widthPx: number): { k: number; x: number } {
  const k = lengthOf(whole) / lengthOf(seen);
  return { k, x: (-(seen.from - whole.from) / lengthOf(whole)) * widthPx * k };
}

/** The stretch that a scaling shows: {@link scalingOf} the other way round. */
export function stretchOf(whole: Stretch, { k, x }: { k: number; x: number }, widthPx: number): Stretch {
  const from = whole.from + (-x / (widthPx * k)) * lengthOf(whole);
  return { from, to: from + lengthOf(whole) / k };
}
