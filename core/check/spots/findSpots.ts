import type { Spot } from "../spot";
import { findBreaths } from "./breaths";
import { findDigitalFaults } from "./digital";
import { findHeadTurns } from "./headTurns";
import { findLowEvents } from "./knocks";
import { findRadioFaults } from "./radio";
import { findRustle } from "./rustle";
import type { Scene } from "./scene";

/** Everything that happens at a place in one channel of a piece. */
export function findSpots(scene: Scene): Spot[] {
  return [findLowEvents, findRustle, findBreaths, findRadioFaults, findDigitalFaults, findHeadTurns]
    .flatMap((find) => find(scene))
    .sort((a, b) => a.startS - b.startS);
}
