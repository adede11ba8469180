import type { Command } from "./commands";

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Ids of other records that a command names. */
export function namedBy(command: Command): Set<string> {
  const found = new Set<string>();
  const look = (value: unknown): void => {
    if (typeof value === "string") {
      if (UUID.test(value)) found.add(value);
    } else if (Array.isArray(value)) value.forEach(look);
    else if (typeof value === "object" && value !== null) Object.values(value).forEach(look);
  };
  if (command.op === "create") look(command.body);
  if (command.op === "patch") command.changes.forEach(({ to }) => look(to));
  return found;
}

/**
 * Whether a command makes sense only once an earlier one is done: it is about the same record, or names one that the earlier one
 * makes. Done without it, it would look like a change of somebody else's.
 */
export const dependsOn = (command: Command, earlier: Command): boolean =>
  (command.op !== "create" && command.kind === earlier.kind && command.id === earlier.id) ||
  ((earlier.op === "create" || earlier.op === "restore") && namedBy(command).has(earlier.id));
