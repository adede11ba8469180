import { freshBoard, stepMHz, type AirProblem } from "./airProblem";
import { exactSearch } from "./exactSearch";
import { fieldStarts } from "./fieldStarts";

/** Who got which frequency, MHz; who is missing got none. */
export type Tuned = ReadonlyMap<string, number>;

/** A search that goes on as long as it is asked to. */
export interface Coordinator {
  /** How many links there are, and how many have a frequency in the best set so far. */
  wanted: number;
  placed(): number;
  /** No search finds more: so many links have a place of their own to go to. */
  most(): number;
  best(): Tuned;
  /** Everyone has a frequency, or it is proved that no more can have one. */
  isComplete(): boolean;
  /** It is proved that no more can have one. */
  isProved(): boolean;
  /** Tries on for so many rounds. */
  search(rounds: number): void;
}

/** Steps taken in each group of a set. */
type Layout = number[][];

const countOf = (layout: Layout): number => layout.reduce((sum, { length }) => sum + length, 0);

/** A generator of numbers in 0…1 from a seed. Source: mulberry32, public domain. */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** The plain way: the lowest frequency that is still free, one link after the other. */
export function firstFit(problem: AirProblem): Tuned {
  const board = freshBoard(problem);
  return tunedOf(
    problem,
    problem.groups.map((group) => {
      const taken: number[] = [];
      for (const step of group.steps) {
        if (taken.length === group.links.length) break;
        if (!board.isFree(board.placeAt(step), group.moments)) continue;
        board.add(step, group.moments);
        taken.push(step);
      }
      return taken;
    }),
  );
}

function tunedOf(problem: AirProblem, layout: Layout): Tuned {
  const tuned = new Map(problem.locked.map(({ link, step }) => [link.id, stepMHz(problem, step)]));
  problem.groups.forEach(({ links }, index) =>
    [...layout[index]!]
      .sort((one, other) => one - other)
      .forEach((step, place) => tuned.set(links[place]!.id, stepMHz(problem, step))),
  );
  return tuned;
}

/** How many starts from finite fields are tried before the best is worked on. */
const FIELD_STARTS = 60;

/** Rounds of taking out and putting in before a set one too large is repaired; then again. */
const RECREATED = 12_000;
/** Rounds before sets of finite fields are built: plain cases need none. */
const EARLY = 20;
/** Carriers taken out at once, at most. */
const MOST_TAKEN = 4;
/** Largest share of free places that a filling passes over. */
const MOST_SKIPPED = 0.3;
/** Cases of so many places are searched through, so many tries a round. */
const MOST_SEARCHED = 150;
const TRIES = 400;
/** Moves of one repair, and how often one goes anywhere. */
const MOVES = 1000;
const SLIP = 0.02;

/**
 * Finds frequencies for as many links as it can: no rule of the problem broken, locked ones kept.
 *
 * Starts from sets of finite fields and from chance, then takes a few carriers out and puts others in, and keeps what is not
 * worse. The same seed gives the same answer. Source: ruin and recreate (Schrimpf et al. 2000); constructions of sidonSets.
 */
export function coordinator(problem: AirProblem, seed: number): Coordinator {
  const random = randomFrom(seed);
  const board = freshBoard(problem);
  const { groups } = problem;
  /** Where the steps of each group stand on the board. */
  const placesOf = groups.map(({ steps }) => steps.map((step) => board.placeAt(step)));
  const wantedFree = groups.reduce((sum, { links }) => sum + links.length, 0);
  // Nobody gets a place that is not there: more than this no search finds.
  const most = groups.reduce((sum, { links, steps }) => sum + Math.min(links.length, steps.length), 0);
  let layout: Layout = groups.map(() => []);
  let best: Layout = layout;
  const largest = groups.reduce<number>(
    (most, { links, steps }, index) =>
      steps.length > 0 && links.length > (groups[most]?.links.length ?? 0) ? index : most,
    groups.findIndex(({ steps }) => steps.length > 0),
  );
  let turn = 0;
  // Small cases are searched through beside the rest, for one more than the best.
  const isSmall = groups.length === 1 && groups[0]!.steps.length <= MOST_SEARCHED;
  let exact = isSmall ? exactSearch(problem, 1) : null;
  let exactFor = 1;
  let isProved = false;
  // First of all the plain way, so that what is found is never worse; sets of fields are built only where that is not enough.
  let starts: number[][] = [[]];
  let isFieldTried = most <= 2;

  /** Groups with the fewest choices first. */
  const tightestFirst = groups
    .map((_, index) => index)
    .sort((one, other) => groups[one]!.steps.length - groups[other]!.steps.length);

  const put = (index: number, step: number) => {
    board.add(step, groups[index]!.moments);
    layout[index]!.push(step);
  };
  const take = (index: number, place: number) => {
    const [step] = layout[index]!.splice(place, 1);
    board.remove(step!, groups[index]!.moments);
  };
  /** Puts carriers where there is room, each group from its lowest frequency on, passing over some by chance and `not` at first. */
  function fill(skip: number, not: ReadonlySet<number> | null): void {
    for (const index of tightestFirst) {
      const { links, moments, steps } = groups[index]!;
      const places = placesOf[index]!;
      for (const isFirst of not ? [true, false] : [false])
        for (let at = 0; at < steps.length && layout[index]!.length < links.length; at += 1) {
          if (!board.isFree(places[at]!, moments)) continue;
          const step = steps[at]!;
          if (!isFirst || (random() >= skip && !not!.has(step))) put(index, step);
        }
    }
  }

  function restore(saved: Layout): void {
    board.clear();
    for (const { link, step } of problem.locked) board.add(step, link.moments);
    layout = groups.map(() => []);
    saved.forEach((steps, index) => steps.forEach((step) => put(index, step)));
  }

  function keepIfBest(): void {
    if (countOf(layout) > countOf(best)) best = layout.map((steps) => [...steps]);
  }

  function startFrom(steps: readonly number[]): void {
    restore(groups.map(() => []));
    const group = groups[largest]!;
    for (const step of steps)
      if (layout[largest]!.length < group.links.length && board.isFree(board.placeAt(step), group.moments))
        put(largest, step);
    fill(0, null);
    keepIfBest();
  }

  /** Which group a carrier of all that are placed belongs to, and its place there. */
  function placeOf(carrier: number): [index: number, place: number] {
    let place = carrier;
    for (let index = 0; index < layout.length; index += 1) {
      if (place < layout[index]!.length) return [index, place];
      place -= layout[index]!.length;
    }
    throw new RangeError("No such carrier");
  }

  function ruinAndRecreate(): void {
    const placed = countOf(layout);
    const taken: [index: number, step: number][] = [];
    for (let left = Math.min(placed, 1 + Math.floor(random() * MOST_TAKEN)); left > 0; left -= 1) {
      const [index, place] = placeOf(Math.floor(random() * countOf(layout)));
      taken.push([index, layout[index]![place]!]);
      take(index, place);
    }
    const kept = layout.map(({ length }) => length);
    fill(MOST_SKIPPED * random(), new Set(taken.map(([, step]) => step)));
    const now = countOf(layout);
    if (now > placed) keepIfBest();
    if (now >= placed || (now === placed - 1 && now >= countOf(best) - 1 && random() < SLIP)) return;
    layout.forEach((steps, index) => {
      while (steps.length > kept[index]!) take(index, steps.length - 1);
    });
    for (const [index, step] of taken) put(index, step);
  }

  function searchThrough(): void {
    const wanted = countOf(best) + 1;
    if (wanted > most) return;
    if (exactFor < wanted) [exact, exactFor] = [exactSearch(problem, wanted), wanted];
    const outcome = exact!.search(TRIES);
    if (outcome === "none") isProved = true;
    if (outcome === "found") best = [exact!.steps()];
  }

  /** One more than the best set holds, rules broken as they are: what the repair works on. */
  let broken = 0;
  let movesLeft = 0;

  function leastBroken(index: number, not: number): number {
    const { steps, moments } = groups[index]!;
    const places = placesOf[index]!;
    let [found, least, alike] = [steps[0]!, Infinity, 0];
    for (let at = 0; at < steps.length; at += 1) {
      const cost = board.broken(places[at]!, moments);
      if (cost > least) continue;
      const step = steps[at]!;
      if (step === not) continue;
      if (cost < least) [least, alike] = [cost, 0];
      alike += 1;
      // Each of those alike has the same chance.
      if (random() * alike < 1) found = step;
    }
    return found;
  }

  function beginRepair(): void {
    restore(best);
    movesLeft = MOVES;
    const open = tightestFirst.filter((index) => {
      const { links, steps } = groups[index]!;
      return steps.length > 0 && layout[index]!.length < links.length;
    });
    const index = open[Math.floor(random() * open.length)]!;
    const step = leastBroken(index, -1);
    broken = board.broken(board.placeAt(step), groups[index]!.moments);
    put(index, step);
  }

  /** Carriers of a set one larger than the best are moved to where they break least, until nothing is broken. */
  function repair(): void {
    if (movesLeft === 0) beginRepair();
    movesLeft -= 1;
    const [index, place] = placeOf(Math.floor(random() * countOf(layout)));
    const group = groups[index]!;
    const old = layout[index]![place]!;
    take(index, place);
    broken -= board.broken(board.placeAt(old), group.moments);
    const step = random() < SLIP ? group.steps[Math.floor(random() * group.steps.length)]! : leastBroken(index, old);
    broken += board.broken(board.placeAt(step), group.moments);
    put(index, step);
    if (broken > 0) return;
    fill(0, null);
    keepIfBest();
    movesLeft = 0;
  }

  return {
    wanted: wantedFree + problem.locked.length,
    placed: () => countOf(best) + problem.locked.length,
    best: () => tunedOf(problem, best),
    most: () => most + problem.locked.length,
    isComplete: () => isProved || countOf(best) === most,
    isProved: () => isProved || (countOf(best) === most && most < wantedFree),
    search(rounds) {
      for (let round = 0; round < rounds && !isProved && countOf(best) < most; round += 1) {
        if (!isFieldTried && starts.length === 0 && turn === EARLY) {
          starts = fieldStarts(groups[largest]!, problem, FIELD_STARTS).reverse();
          isFieldTried = true;
          turn = 0;
        }
        if (exact && starts.length === 0) searchThrough();
        const start = starts.pop();
        if (start) startFrom(start);
        else if (turn < RECREATED) {
          if (turn === 0) restore(best);
          ruinAndRecreate();
          turn += 1;
        } else {
          repair();
          turn = movesLeft === 0 ? 0 : turn;
        }
      }
    },
  };
}
