import type { FindingKind } from "../kinds";
import type { Spot } from "../spot";
import { findBreaths } from "./breaths";
import { findDigitalFaults } from "./digital";
import { findHeadTurns } from "./headTurns";
import { findLowEvents } from "./knocks";
import { findRadioFaults } from "./radio";
import { findRustle } from "./rustle";
import type { Scene } from "./scene";
import { coveredBy } from "./touched";

/** What loses sound or puts some in its place, and what its edges look like. */
const CUTS: readonly FindingKind[] = ["gap", "repeated", "dropout", "radioNoise"];
const EDGES: readonly FindingKind[] = ["knock", "plosive", "breath"];
const BESIDE_S = 0.06;

/** Leaves out what is only the edge of a cut in the sound. */
function withoutEdges(spots: readonly Spot[]): Spot[] {
  const cuts = spots.filter(({ kind }) => CUTS.includes(kind));
  const isEdge = (spot: Spot) =>
    EDGES.includes(spot.kind) &&
    cuts.some((cut) => cut.startS < spot.endS + BESIDE_S && cut.endS > spot.startS - BESIDE_S);
  return spots.filter((spot) => !isEdge(spot));
}

/** Everything that happens at a place in one channel of a piece. */
export function findSpots(scene: Scene): Spot[] {
  const spots = withoutEdges(
    [findLowEvents, findRustle, findBreaths, findRadioFaults, findDigitalFaults].flatMap((find) => find(scene)),
  );
  return [...spots, ...findHeadTurns(scene, coveredBy(spots, scene))].sort((a, b) => a.startS - b.startS);
}
