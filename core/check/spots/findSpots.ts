import type { Spot } from "../spot";
import { findBreaths } from "./breaths";
import { findDigitalFaults } from "./digital";
import { findHeadTurns } from "./headTurns";
import { findLowEvents } from "./knocks";
import { findRadioFaults } from "./radio";
import { findRustle } from "./rustle";
import type { Scene } from "./scene";
import { coveredBy } from "./touched";

/** Everything that happens at a place in one channel of a piece. */
export function findSpots(scene: Scene): Spot[] {
  const spots = [findLowEvents, findRustle, findBreaths, findRadioFaults, findDigitalFaults].flatMap((find) =>
    find(scene),
  );
  return [...spots, ...findHeadTurns(scene, coveredBy(spots, scene))].sort((a, b) => a.startS - b.startS);
}
