/** Hops metered together. */
export const HOPS_PER_BLOCK: i32 = 8;
/** Parts of a hop, of about 1 ms. */
export const PARTS_PER_HOP: i32 = 10;

/** Room for figures, all zero, never given back: one engine serves one form of recording, and new memory is zero. */
export function room(bytes: usize): usize {
  return (heap.alloc(bytes + 16) + 15) & ~15;
}

/** The larger of the four lanes. */
export function largestLane(values: v128): f32 {
  return max(
    max(f32x4.extract_lane(values, 0), f32x4.extract_lane(values, 1)),
    max(f32x4.extract_lane(values, 2), f32x4.extract_lane(values, 3)),
  );
}

export function smallestLane(values: v128): f32 {
  return min(
    min(f32x4.extract_lane(values, 0), f32x4.extract_lane(values, 1)),
    min(f32x4.extract_lane(values, 2), f32x4.extract_lane(values, 3)),
  );
}

export function sumOfLanes(values: v128): f32 {
  return (
    f32x4.extract_lane(values, 0) +
    f32x4.extract_lane(values, 1) +
    (f32x4.extract_lane(values, 2) + f32x4.extract_lane(values, 3))
  );
}
