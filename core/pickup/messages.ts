import type { Message } from "../message";
import type { Pieces } from "../room";

/** What would make a pickup better: each follows "Better:". Distances in m, angles in degrees. */
export type PickupCatalogue = {
  "better.nearer": { byM: number };
  "better.turned": { byDeg: number };
  "better.pattern": { pattern: string };
  "better.handsAway": object;
  "better.popScreen": object;
  "better.treated": Pieces;
};
export type PickupMessage = Message<PickupCatalogue>;
