import type { OctaveLevels } from "../sound";
import { rowsById } from "../schema";

interface Row {
  name: string;
  /** What is lost on the way in, dB by octave 125…8k, none of it negative. */
  lossDb: OctaveLevels;
}

/** What stands between a noise and the place. From memory of handbook figures; estimates. */
const ROWS = {
  none: { name: "same place", lossDb: [0, 0, 0, 0, 0, 0, 0] },
  openWindow: { name: "through an open window", lossDb: [5, 7, 9, 10, 11, 12, 12] },
  openDoor: { name: "through an open door", lossDb: [4, 5, 7, 8, 9, 10, 10] },
  door: { name: "behind a door", lossDb: [12, 15, 18, 20, 22, 22, 22] },
  window: { name: "behind a shut window", lossDb: [17, 20, 24, 28, 30, 28, 32] },
  wall: { name: "behind a wall or floor", lossDb: [30, 35, 40, 45, 50, 52, 54] },
} satisfies Record<string, Row>;

export type BarrierId = keyof typeof ROWS;
export const BARRIERS = rowsById<BarrierId, Row>(ROWS);
export const BARRIER_IDS = Object.keys(ROWS) as BarrierId[];

/** The same way in with door or window shut; null where there is nothing to shut. */
export const SHUT: Record<BarrierId, BarrierId | null> = {
  none: null,
  openWindow: "window",
  openDoor: "door",
  door: null,
  window: null,
  wall: null,
};
