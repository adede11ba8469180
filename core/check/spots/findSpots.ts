import type { FindingKind } from "../kinds";
import type { Spot } from "../spot";
import { findBreaths } from "./breaths";
import { findBuzz } from "./buzz";
import { findClicks } from "./clicks";
import { findDigitalFaults } from "./digital";
import { findHeadTurns } from "./headTurns";
import { findLowEvents } from "./knocks";
import { findRadioFaults } from "./radio";
import { findRustle } from "./rustle";
import type { Scene } from "./scene";
import { coveredBy } from "./touched";

/** What loses sound or puts some in its place, and what its edges look like. */
const CUTS: readonly FindingKind[] = ["gap", "repeated", "dropout", "contactLost", "radioNoise"];
const EDGES: readonly FindingKind[] = ["knock", "plosive", "breath", "click", "crackle"];
const BESIDE_S = 0.06;

/** A knock clicks, and a phone's bursts do. */
const CLICKS_OF: readonly FindingKind[] = ["knock", "plosive", "buzz", "crackle"];

/** After a burst it is quiet again, which is no mute. */
const MUTES: readonly FindingKind[] = ["dropout", "contactLost"];
const ADDED: readonly FindingKind[] = ["radioNoise", "rustle", "crackle", "wind", "buzz", "knock"];

const meets = (one: Spot, other: Spot): boolean => one.startS < other.endS && one.endS > other.startS;
/** Whether one is a part of something at least twice as long. */
const isWithin = (part: Spot, whole: Spot): boolean =>
  meets(part, whole) && whole.endS - whole.startS > 2 * (part.endS - part.startS);

/** Leaves out what is only the edge of a cut in the sound. */
function withoutEdges(spots: readonly Spot[]): Spot[] {
  const cuts = spots.filter(({ kind }) => CUTS.includes(kind));
  const isEdge = (spot: Spot) =>
    EDGES.includes(spot.kind) &&
    cuts.some((cut) => cut.startS < spot.endS + BESIDE_S && cut.endS > spot.startS - BESIDE_S);
  const clicking = spots.filter(({ kind }) => CLICKS_OF.includes(kind));
  const isExplained = (spot: Spot) =>
    (spot.kind === "click" &&
      clicking.some((other) => other.startS < spot.endS + BESIDE_S && other.endS > spot.startS - BESIDE_S)) ||
    (spot.kind === "radioNoise" && spots.some((other) => other.kind === "rustle" && isWithin(spot, other))) ||
    (spot.kind === "rustle" &&
      spots.some((other) => other.kind === "radioNoise" && !isWithin(other, spot) && meets(spot, other))) ||
    (MUTES.includes(spot.kind) &&
      spots.some(
        ({ kind, startS, endS }) => ADDED.includes(kind) && startS < spot.endS && endS > spot.startS - BESIDE_S,
      )) ||
    (spot.kind !== "buzz" &&
      spots.some(({ kind, startS, endS }) => kind === "buzz" && startS < spot.endS && endS > spot.startS));
  return spots.filter((spot) => !isEdge(spot) && !isExplained(spot));
}

/** Everything that happens at a place in one channel of a piece. */
export function findSpots(scene: Scene): Spot[] {
  const spots = withoutEdges(
    [findLowEvents, findRustle, findBreaths, findRadioFaults, findDigitalFaults, findClicks, findBuzz].flatMap((find) =>
      find(scene),
    ),
  );
  return [...spots, ...findHeadTurns(scene, coveredBy(spots, scene))].sort((a, b) => a.startS - b.startS);
}
