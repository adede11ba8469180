import { Command, Commands, dependsOn, type Outcome } from "../core/records";
import { rightOf } from "../core/crew";
import { requireRight } from "./accounts";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { log } from "./log";
import { runCommand } from "./records";
import { isAway, isDangling, isUnstorable } from "./trouble";
import { accept } from "./validate";

/** Carries out one command; what goes wrong with it is its own. Throws only where the database is away. */
async function outcomeOf(
  acting: ActingCrew,
  value: unknown,
  undone: readonly Command[],
  requestId: string,
  onAccepted: (command: Command) => void,
): Promise<Outcome> {
  try {
    const command = accept(Command, value);
    onAccepted(command);
    requireRight(acting, rightOf(command.op, command.kind));
    if (undone.some((earlier) => dependsOn(command, earlier)))
      return { outcome: "failed", says: { code: "record.waits" }, requestId };
    return await runCommand(acting, command);
  } catch (error) {
    if (error instanceof Fault)
      return {
        outcome: "refused",
        says: error.says,
        fields: error.detail.fields ?? [],
        isMissing: error.detail.isMissing ?? false,
      };
    if (isAway(error)) throw error;
    if (isUnstorable(error))
      return { outcome: "refused", says: { code: "record.unstorable" }, fields: [], isMissing: false };
    if (isDangling(error))
      return { outcome: "refused", says: { code: "record.dangling" }, fields: [], isMissing: true };
    // Deeper than JavaScript itself can follow.
    if (error instanceof RangeError)
      return { outcome: "refused", says: { code: "record.tooDeep" }, fields: [], isMissing: false };
    log.error({ requestId, error }, "a command failed");
    return { outcome: "failed", says: { code: "record.failed", requestId: null }, requestId };
  }
}

const isUndone = ({ outcome }: Outcome): boolean => outcome === "failed" || outcome === "refused";

/**
 * Carries out commands one after the other, each in a transaction of its own. One that fails holds those that depend on it, which
 * are to be sent again after it, and no other.
 */
export async function requestCommands(
  acting: ActingCrew,
  request: unknown,
  requestId: string,
): Promise<{ outcomes: Outcome[] }> {
  const { commands } = accept(Commands, request);
  const outcomes: Outcome[] = [];
  const undone: Command[] = [];
  for (const command of commands) {
    const accepted: Command[] = [];
    const outcome = await outcomeOf(acting, command, undone, requestId, (each) => accepted.push(each));
    outcomes.push(outcome);
    if (isUndone(outcome)) undone.push(...accepted);
  }
  return { outcomes };
}
