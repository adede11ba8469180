import { Commands, type Outcome } from "../core/records";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { log } from "./log";
import { runCommand } from "./records";
import { isAway, isDangling, isUnstorable } from "./trouble";
import { accept } from "./validate";

/** Carries out one command; what goes wrong with it is its own. Throws only where the database is away. */
async function outcomeOf(acting: ActingCrew, command: unknown, requestId: string): Promise<Outcome> {
  try {
    return await runCommand(acting, command);
  } catch (error) {
    if (error instanceof Fault)
      return {
        outcome: "refused",
        message: error.message,
        fields: error.detail.fields ?? [],
        isMissing: error.detail.isMissing ?? false,
      };
    if (isAway(error)) throw error;
    if (isUnstorable(error))
      return { outcome: "refused", message: "It holds something that cannot be stored.", fields: [], isMissing: false };
    if (isDangling(error))
      return { outcome: "refused", message: "It names something that is not there.", fields: [], isMissing: true };
    // Deeper than JavaScript itself can follow.
    if (error instanceof RangeError)
      return { outcome: "refused", message: "It is nested too deep.", fields: [], isMissing: false };
    log.error({ requestId, error }, "a command failed");
    return { outcome: "failed", message: "Something went wrong here; it is tried again.", requestId };
  }
}

/** Carries out commands one after the other, each in a transaction of its own: one that fails holds no other. */
export async function requestCommands(
  acting: ActingCrew,
  request: unknown,
  requestId: string,
): Promise<{ outcomes: Outcome[] }> {
  const { commands } = accept(Commands, request);
  const outcomes: Outcome[] = [];
  for (const command of commands) outcomes.push(await outcomeOf(acting, command, requestId));
  return { outcomes };
}
