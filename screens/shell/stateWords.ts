import type { Stitch } from "@/core/board";

/** How far a talent is at a station, in words. */
export const STATE_WORDS: Record<Stitch, string> = {
  loose: "not started",
  basted: "planned",
  sewn: "verified",
  unpicked: "redo",
};
