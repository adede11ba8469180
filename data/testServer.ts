import type { Change, Command, Outcome } from "@/core/records/commands";
import { fieldChanges, withChanges, type FieldChange } from "@/core/records/patch";
import type { RecordBodies } from "@/core/shoot/records";
import { nameOf } from "./overlay";

const AT = "2027-05-11T09:00:00.000Z";

/** What the server does with commands, in memory: enough of it to see what devices make of its answers. */
export function testServer() {
  const records = new Map<string, Change>();
  const done = new Map<string, Outcome>();
  let seq = 0;

  const put = (record: Omit<Change, "seq" | "version">): Change => {
    const name = nameOf(record.kind, record.id);
    const next = { ...record, seq: (seq += 1), version: (records.get(name)?.version ?? 0) + 1 };
    records.set(name, next);
    return next;
  };

  function change(known: Change, changes: readonly FieldChange[]): Outcome {
    const { body, conflicts } = withChanges(known.kind, known.body, changes);
    const record = put({ ...known, body });
    return conflicts.length > 0
      ? { outcome: "conflict", id: known.id, conflicts, records: [record] }
      : { outcome: "done", id: known.id, records: [record] };
  }

  function carryOut(command: Command): Outcome {
    const { kind, id } = command;
    const known = records.get(nameOf(kind, id));
    switch (command.op) {
      case "create": {
        const body = command.body as RecordBodies[typeof kind];
        if (known && !known.isDeleted)
          return change(
            known,
            command.initial === undefined ? [] : fieldChanges(kind, command.initial as typeof body, body),
          );
        const times = { createdAt: AT, changedAt: AT };
        return {
          outcome: "done",
          id,
          records: [put({ kind, id, body, ...times, isDeleted: false, deletedWith: null })],
        };
      }
      case "patch":
        if (!known) return { outcome: "refused", message: "This record does not exist.", fields: [], isMissing: true };
        if (known.isDeleted) return { outcome: "gone", records: [known] };
        return change(known, command.changes);
      case "delete":
        if (!known || known.isDeleted) return { outcome: "done", id, records: [] };
        return { outcome: "done", id, records: [put({ ...known, isDeleted: true, deletedWith: command.key })] };
      case "restore":
        if (!known?.isDeleted) return { outcome: "done", id, records: [] };
        return { outcome: "done", id, records: [put({ ...known, isDeleted: false, deletedWith: null })] };
    }
  }

  return {
    records: (): ReadonlyMap<string, Change> => records,
    since: (number: number): Change[] => [...records.values()].filter((each) => each.seq > number),
    run: (commands: readonly Command[]): Outcome[] =>
      commands.map((command) => {
        const outcome = done.get(command.key) ?? carryOut(command);
        if (outcome.outcome !== "refused") done.set(command.key, outcome);
        return outcome;
      }),
  };
}
