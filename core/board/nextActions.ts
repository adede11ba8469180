import type { Risk } from "./board";
import type { StationId } from "./stations";

/** One thing to do next, for everybody whom it concerns. */
export interface NextAction {
  station: StationId;
  /** 0 nothing to lose … 3 the day fails. */
  weight: number;
  says: Risk["says"];
  doThis?: Risk["says"];
  /** Who it concerns, in the order of the lines. */
  concerns: readonly { wearerId: string; sceneId: string | null }[];
}

/** What is the same thing to do: the same station, and the same to be said. */
const keyOf = ({ station, says, doThis }: Risk): string => JSON.stringify([station, says, doThis]);

/**
 * What to do now, worst first; what several people need in the same words is one action.
 *
 * @param risks of all lines, in the order of the lines
 * @param most how many are wanted, 1 and more
 */
export function nextActions(risks: readonly Risk[], most = 5): NextAction[] {
  const actions = new Map<string, NextAction>();
  for (const risk of risks) {
    const { station, weight, says, doThis, wearerId, sceneId } = risk;
    const key = keyOf(risk);
    const known = actions.get(key);
    actions.set(key, {
      station,
      says,
      ...(doThis && { doThis }),
      weight: Math.max(weight, known?.weight ?? 0),
      concerns: [...(known?.concerns ?? []), { wearerId, sceneId }],
    });
  }
  return [...actions.values()].sort((one, other) => other.weight - one.weight).slice(0, most);
}
