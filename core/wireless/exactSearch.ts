import { freshBoard, type AirProblem } from "./airProblem";

/** A search through every set there is; goes on as long as it is asked to. */
export interface ExactSearch {
  /** Tries so many carriers more. "none": there is no set of that size. */
  search(tries: number): "found" | "none" | "open";
  /** Steps of the set that was found. */
  steps(): number[];
}

/**
 * Looks for a set of `wanted` carriers of the one group of a problem by trying all of them in order, lowest frequency first.
 *
 * A branch ends where fewer places are free than carriers are missing, or where these would not fit into what is left even
 * with all their gaps different, which the third order asks for. Throws RangeError unless there is exactly one group.
 */
export function exactSearch(problem: AirProblem, wanted: number): ExactSearch {
  const [group] = problem.groups;
  if (problem.groups.length !== 1 || !group) throw new RangeError("groups: exactly one");
  const { moments } = group;
  const board = freshBoard(problem);
  /** For every carrier that is on: its step, and the free places above it. */
  const taken: number[] = [];
  const isFree = (step: number) => board.isFree(board.placeAt(step), moments);
  const choices: number[][] = [[...group.steps].filter(isFree)];
  const places: number[] = [0];
  return {
    steps: () => [...taken],
    search(tries) {
      for (let left = tries; left > 0;) {
        if (taken.length === wanted) return "found";
        const depth = taken.length;
        const free = choices[depth]!;
        const missing = wanted - depth;
        const place = places[depth]!;
        const step = free[place];
        const last = free.at(-1);
        const hasRoom =
          step !== undefined && free.length - place >= missing && last! - step >= (missing * (missing - 1)) / 2;
        if (!hasRoom) {
          if (depth === 0) return "none";
          board.remove(taken.pop()!, moments);
          choices.pop();
          places.pop();
          continue;
        }
        places[depth] = place + 1;
        board.add(step, moments);
        taken.push(step);
        left -= 1;
        choices.push(free.slice(place + 1).filter(isFree));
        places.push(0);
      }
      return taken.length === wanted ? "found" : "open";
    },
  };
}
