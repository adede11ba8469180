import {
  airProblem,
  type AirRules,
  type Carrier,
  choicesOf,
  conflictsOf,
  coordinator,
  exactSearch,
  EXAMPLE_REGIONS,
  firstFit,
  GENERIC_SYSTEMS,
  simulatedScan,
  takenParts,
  USUAL_RULES,
  type WantedLink,
} from "../../core/wireless";
import { INPUTS, PARTS, SOURCES } from "../../core/devices";
import { findPath } from "../../core/connect";
import { median } from "./median";

const THIRD_ONLY: AirRules = { ...USUAL_RULES, spacingKHz: 0, twoThirdKHz: 0, threeThirdKHz: 0, fifthKHz: null };
/** Carriers and the fewest slots they fit into: optimal Golomb rulers. */
const RULERS = [
  [4, 7],
  [5, 12],
  [6, 18],
  [7, 26],
  [8, 35],
  [9, 45],
  [10, 56],
  [11, 73],
  [12, 86],
] as const;
const RULER_MS = 5000;
const FORTY_MS = 10_000;
const REALISTIC_MS = 10_000;
/** Share of free steps above which air counts as empty. */
const MOSTLY_FREE = 0.9;

const slots = (count: number) => Array.from({ length: count }, (_, index) => 500 + index * 0.025);
const wanted = (count: number, choicesMHz: readonly number[]): WantedLink[] =>
  Array.from({ length: count }, (_, index) => ({
    id: String(index),
    name: String(index),
    systemId: "",
    moments: 1,
    choicesMHz,
    lockedMHz: null,
  }));

/** Searches for a while: how many carriers, and when the last of them came, ms. */
function searchFor(links: readonly WantedLink[], rules: AirRules, limitMs: number): { placed: number; ms: number } {
  const began = performance.now();
  const search = coordinator(airProblem(links, rules), 1);
  let [placed, ms] = [0, 0];
  while (performance.now() - began < limitMs && !search.isComplete()) {
    search.search(20);
    if (search.placed() > placed) [placed, ms] = [search.placed(), performance.now() - began];
  }
  return { placed: search.placed(), ms };
}

/** Prints how well and how fast frequencies are found and checked; false when a limit is passed. */
export function benchAir(): boolean {
  let isGood = true;
  const say = (line: string, isWithin: boolean) => {
    isGood &&= isWithin;
    process.stdout.write(`${line}${isWithin ? "" : "  BEYOND"}\n`);
  };
  for (const [carriers, places] of RULERS) {
    const { placed, ms } = searchFor(wanted(carriers, slots(places)), THIRD_ONLY, RULER_MS);
    say(
      `${carriers} carriers in ${places} slots: ${placed} in ${ms.toFixed(0)} ms (at most ${RULER_MS})`,
      placed === carriers,
    );
  }
  const wide = wanted(40, slots(2401));
  const spaced = { ...THIRD_ONLY, spacingKHz: 300 };
  const forty = searchFor(wide, spaced, FORTY_MS);
  const plainForty = firstFit(airProblem(wide, spaced)).size;
  say(
    `40 carriers in 60 MHz, 300 kHz apart: ${forty.placed} in ${forty.ms.toFixed(0)} ms (at most ${FORTY_MS}); plain way ${plainForty}`,
    forty.placed === 40,
  );
  for (const place of ["quay", "mill", "estuary"]) {
    const scan = simulatedScan({ place, hour: 11, fromMHz: 470, toMHz: 694, stepKHz: 25, ownMHz: [] });
    const system = GENERIC_SYSTEMS[1]!;
    const taken = takenParts(scan, USUAL_RULES.occupiedDbm, USUAL_RULES.scanMarginKHz);
    const choices = choicesOf(system, EXAMPLE_REGIONS[0]!, taken, null);
    const fullCount = choicesOf(system, EXAMPLE_REGIONS[0]!, [], null).length;
    const links = wanted(60, choices);
    const plain = firstFit(airProblem(links, USUAL_RULES)).size;
    const { placed, ms } = searchFor(links, USUAL_RULES, REALISTIC_MS);
    say(
      `usual guards, simulated scan of the ${place}, ${system.toMHz - system.fromMHz} MHz, ${choices.length} free steps: ${placed} after ${(ms / 1000).toFixed(1)} s, plain way ${plain}: ${((placed / plain - 1) * 100).toFixed(0)} % more (at least 10${choices.length > MOSTLY_FREE * fullCount ? ", but for empty air" : ""})`,
      // In nearly empty air the plain way does well: that line is printed, and not judged.
      placed >= 1.1 * plain || choices.length > MOSTLY_FREE * fullCount,
    );
  }
  const small = wanted(7, slots(25));
  const exact = exactSearch(airProblem(small, THIRD_ONLY), 7).search(10_000_000);
  const near = searchFor(small, THIRD_ONLY, 1000).placed;
  say(`7 carriers in 25 slots: none by searching all through; found ${near}`, exact === "none" && near === 6);
  const hundred: Carrier[] = Array.from({ length: 100 }, (_, index) => ({
    id: String(index),
    name: String(index),
    moments: 1,
    frequencyMHz: Math.round((470 + index * 0.4 + index * index * 0.0175) * 40) / 40,
  }));
  const checkMs = median(() => void conflictsOf(hundred, USUAL_RULES));
  say(`100 carriers checked for third and fifth order: ${checkMs.toFixed(1)} ms (at most 50)`, checkMs <= 50);
  const dragMs = median(() => void conflictsOf(hundred.slice(0, 40), USUAL_RULES));
  say(`one of 40 carriers moved and all checked anew: ${dragMs.toFixed(1)} ms (at most 16)`, dragMs <= 16);
  // The catalogue nine times over, every copy under a name of its own.
  const bag = Array.from({ length: 500 }, (_, index) => {
    const part = PARTS[index % PARTS.length]!;
    return { ...part, id: `${part.id} ${index}`, isOwned: index % 3 === 0 };
  });
  const ways = Object.values(SOURCES).flatMap((source) =>
    Object.values(INPUTS).map((input) => [source, input] as const),
  );
  const worstMs = Math.max(...ways.map(([source, input]) => median(() => void findPath(source, input, bag))));
  say(`a way through 500 parts, the slowest of ${ways.length}: ${worstMs.toFixed(1)} ms (at most 20)`, worstMs <= 20);
  return isGood;
}
