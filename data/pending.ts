import {
  type Command,
  type FieldChange,
  fieldChanges,
  type FieldConflict,
  type FaultMessage,
  type FieldFault,
  joined,
  namedBy,
  ONE_FOR,
  type Outcome,
  overlaid,
  type RecordBodies,
  type RecordKind,
} from "@/core/records";

/** Why a command is not done, where that is not just a matter of time. */
export type Trouble =
  | { why: "refused"; says: FaultMessage; fields: readonly FieldFault[]; isMissing: boolean }
  | { why: "conflict"; conflicts: readonly FieldConflict[] }
  | { why: "gone" };

/** A command that the server has not done yet. */
export interface Pending {
  /** Where it stands among all of this device. */
  order: number;
  command: Command;
  /** The shoot it is seen in; null for the crew's own kit, which is seen in all. */
  shootId: string | null;
  /** How the record is called, for messages. */
  name: string;
  /** The page that may still add to it. */
  madeBy: string;
  madeAtMs: number;
  touchedAtMs: number;
  /** It may have reached the server: nothing of it is changed any more. */
  isSent: boolean;
  attempts: number;
  retryAtMs: number;
  trouble: Trouble | null;
}

/** What somebody does, before it is a command. */
export type Deed =
  | { op: "create"; kind: RecordKind; id: string; body: RecordBodies[RecordKind]; initial?: RecordBodies[RecordKind] }
  | { op: "patch"; kind: RecordKind; id: string; changes: readonly FieldChange[] }
  | { op: "delete" | "restore"; kind: RecordKind; id: string };

/** Who does it, where and when; the key is for the command if it becomes one of its own. */
export interface Doing {
  key: string;
  shootId: string | null;
  name: string;
  madeBy: string;
  nowMs: number;
  /** More of it may follow at once: it is waited a little before it is sent. */
  isTyped: boolean;
}

type Pendings = readonly Pending[];

const isAbout = (kind: RecordKind, id: string) => (each: Pending) =>
  each.command.kind === kind && each.command.id === id;

const commandOf = (deed: Deed, key: string): Command =>
  deed.op === "patch"
    ? { ...deed, key, changes: deed.changes.map((change) => ({ ...change, path: [...change.path] })) }
    : { ...deed, key };

function appended(pendings: Pendings, deed: Deed, { key, nowMs, isTyped, ...doing }: Doing): Pendings {
  const order = Math.max(0, ...pendings.map((each) => each.order)) + 1;
  const fresh = {
    madeAtMs: nowMs,
    touchedAtMs: isTyped ? nowMs : 0,
    isSent: false,
    attempts: 0,
    retryAtMs: 0,
    trouble: null,
  };
  return [...pendings, { order, command: commandOf(deed, key), ...doing, ...fresh }];
}

const replaced = (pendings: Pendings, order: number, next: Pending | null): Pendings =>
  pendings.flatMap((each) => (each.order === order ? (next ? [next] : []) : [each]));

/** One that was never sent, or was refused, may be changed; after a refusal it is another command. */
function amended(pending: Pending, command: Command, { key, madeBy, nowMs, isTyped }: Doing): Pending {
  const own = { ...pending, madeBy, touchedAtMs: isTyped ? nowMs : pending.touchedAtMs };
  if (!pending.trouble) return { ...own, command };
  return { ...own, command: { ...command, key }, isSent: false, attempts: 0, retryAtMs: 0, trouble: null };
}

const overlaps = (path: readonly string[], others: readonly FieldConflict[]): boolean =>
  others.some((other) => path.every((name, at) => at >= other.path.length || other.path[at] === name));

function withPatch(pendings: Pendings, deed: Extract<Deed, { op: "patch" }>, doing: Doing): Pendings {
  const last = pendings.filter(isAbout(deed.kind, deed.id)).at(-1);
  if (!last) return appended(pendings, deed, doing);
  const { command, trouble } = last;
  const isOpen = trouble?.why === "refused" || (!trouble && !last.isSent && last.madeBy === doing.madeBy);
  if (command.op === "create" && isOpen) {
    const body = overlaid(deed.kind, command.body as RecordBodies[RecordKind], deed.changes);
    return replaced(pendings, last.order, amended(last, { ...command, body }, doing));
  }
  if (command.op !== "patch") return appended(pendings, deed, doing);
  const changes = command.changes as FieldChange[];
  if (isOpen) {
    const all = joined(deed.kind, changes, deed.changes);
    if (all.length === 0) return replaced(pendings, last.order, null);
    return replaced(pendings, last.order, amended(last, commandOf({ ...deed, changes: all }, command.key), doing));
  }
  if (trouble) {
    // While somebody decides, what is typed into those fields is the new wish; the others go their way.
    const told = trouble.why === "conflict" ? trouble.conflicts : null;
    const [within, beside] = [true, false].map((is) =>
      deed.changes.filter(({ path }) => (told === null || overlaps(path, told)) === is),
    ) as [FieldChange[], FieldChange[]];
    const wished = joined(deed.kind, changes, within);
    const kept =
      within.length === 0
        ? pendings
        : replaced(pendings, last.order, {
            ...last,
            command: commandOf({ ...deed, changes: wished }, command.key),
            trouble: told
              ? {
                  why: "conflict",
                  conflicts: told.map((each) => ({
                    ...each,
                    ...wished.find(({ path }) => path.join() === each.path.join()),
                  })),
                }
              : trouble,
          });
    return beside.length > 0 ? appended(kept, { ...deed, changes: beside }, doing) : kept;
  }
  return appended(pendings, deed, doing);
}

/** Whether nothing of it can have reached the server. */
const isUnseen = ({ isSent, trouble }: Pending): boolean => !isSent || trouble?.why === "refused";

function withDelete(pendings: Pendings, deed: Deed, doing: Doing): Pendings {
  const own = pendings.filter(isAbout(deed.kind, deed.id));
  const isNew = own.some(({ command, ...rest }) => command.op === "create" && isUnseen({ command, ...rest }));
  const isGone = own.some(({ trouble }) => trouble?.why === "gone");
  const without = pendings.filter((each) => !own.includes(each) || !(isNew || isUnseen(each) || each.trouble));
  if (isNew) return withoutOrphans(without, deed.id);
  return isGone ? without : appended(without, deed, doing);
}

/** Without new records that name one that never was. */
function withoutOrphans(pendings: Pendings, id: string): Pendings {
  const orphan = pendings.find(({ command }) => command.op === "create" && namedBy(command).has(id));
  if (!orphan) return pendings;
  const { id: gone, kind } = orphan.command;
  return withoutOrphans(
    pendings.filter((each) => !isAbout(kind, gone)(each)),
    gone,
  );
}

/** Commands with one thing more that somebody did. */
export function withDeed(pendings: Pendings, deed: Deed, doing: Doing): Pendings {
  switch (deed.op) {
    case "patch":
      return withPatch(pendings, deed, doing);
    case "delete":
      return withDelete(pendings, deed, doing);
    case "create":
    case "restore": {
      // A delete that never left is not needed any more.
      const last = pendings.filter(isAbout(deed.kind, deed.id)).at(-1);
      if (deed.op === "restore" && last?.command.op === "delete" && isUnseen(last))
        return replaced(pendings, last.order, null);
      return appended(pendings, deed, doing);
    }
  }
}

/** Commands that were dropped, once more: what dropped them is taken back. */
export function withAgain(pendings: Pendings, dropped: Pendings, newKeys: readonly string[]): Pendings {
  let order = Math.max(0, ...pendings.map((each) => each.order));
  const again = dropped.map((each, at) => ({
    ...each,
    order: (order += 1),
    command: { ...each.command, key: newKeys[at]! },
    ...{ isSent: false, attempts: 0, retryAtMs: 0, trouble: null },
  }));
  return [...pendings, ...again];
}

/** While somebody types, what they type is gathered so long; it leaves at the latest after so much. */
const TYPING_PAUSE_MS = 400;
const LONGEST_PAUSE_MS = 2000;

export const dueAtMs = ({ touchedAtMs, madeAtMs, isSent, retryAtMs }: Pending): number =>
  Math.max(retryAtMs, isSent ? 0 : Math.min(touchedAtMs + TYPING_PAUSE_MS, madeAtMs + LONGEST_PAUSE_MS));

/**
 * What may be sent now, in order. One that must wait holds what depends on it: later ones of the same record, and those that
 * name a record which is not made yet. Everything else goes.
 */
export function sendable(pendings: Pendings, nowMs: number): Pending[] {
  const waiting = new Set<string>();
  const unmade = new Set<string>();
  return [...pendings]
    .sort((one, other) => one.order - other.order)
    .filter((pending) => {
      const { command, trouble } = pending;
      const record = `${command.kind} ${command.id}`;
      // Fields that somebody has to decide about hold no others.
      if (trouble?.why === "conflict") return false;
      const goes =
        trouble === null &&
        dueAtMs(pending) <= nowMs &&
        !waiting.has(record) &&
        (unmade.size === 0 || ![...namedBy(command)].some((id) => unmade.has(id)));
      // What there is one of may turn out to be there already, under another name: what comes after it waits for that.
      const mayBeAnother = command.op === "create" && ONE_FOR[command.kind] !== undefined;
      if (!goes || mayBeAnother) {
        waiting.add(record);
        if (command.op === "create" || command.op === "restore") unmade.add(command.id);
      }
      return goes;
    });
}

/** When something may be sent next, ms; null where nothing waits for its time. */
export function nextDueMs(pendings: Pendings, nowMs: number): number | null {
  const later = pendings
    .filter(({ trouble }) => trouble === null)
    .map(dueAtMs)
    .filter((at) => at > nowMs);
  return later.length > 0 ? Math.min(...later) : null;
}

const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 30_000;
export const retryAfterMs = (attempts: number): number => Math.min(LONGEST_RETRY_MS, FIRST_RETRY_MS * 2 ** attempts);

export const withSent = (pendings: Pendings, keys: ReadonlySet<string>): Pendings =>
  pendings.map((each) => (keys.has(each.command.key) ? { ...each, isSent: true } : each));

/** Renames a record in what is still to be done: there was one already. */
function renamed(pendings: Pendings, from: string, to: string): Pendings {
  const text = new RegExp(from, "g");
  return pendings.map((each) =>
    each.command.id === from || namedBy(each.command).has(from)
      ? { ...each, command: JSON.parse(JSON.stringify(each.command).replace(text, to)) as Command }
      : each,
  );
}

/** A field is asked about once: what is wished for one that waits for a decision already becomes the wish there. */
function joinedConflicts(
  pendings: Pendings,
  { command: { kind, id }, order }: Pending,
  conflicts: readonly FieldConflict[],
): { conflicts: readonly FieldConflict[]; known: Pendings } {
  const isSame = (one: FieldConflict, other: FieldConflict) => one.path.join() === other.path.join();
  const asked: FieldConflict[] = [];
  const known = pendings.map((each) => {
    if (each.order === order || !isAbout(kind, id)(each) || each.trouble?.why !== "conflict") return each;
    const wished = each.trouble.conflicts.map((old) => {
      const newer = conflicts.find((conflict) => isSame(conflict, old));
      if (!newer) return old;
      asked.push(newer);
      return { ...old, to: newer.to, current: newer.current };
    });
    const changes = wished.map(({ path, from, to }) => ({ path: [...path], from, to }));
    const command: Command = { op: "patch", key: each.command.key, kind, id, changes };
    return {
      ...each,
      command,
      trouble: { ...each.trouble, conflicts: wished },
    };
  });
  return { conflicts: conflicts.filter((each) => !asked.includes(each)), known };
}

/** Commands after the server has said what came of one. */
export function withOutcome(
  pendings: Pendings,
  key: string,
  outcome: Outcome,
  newKey: string,
  nowMs: number,
): Pendings {
  const pending = pendings.find((each) => each.command.key === key);
  if (!pending) return pendings;
  const { command, order } = pending;
  switch (outcome.outcome) {
    case "done": {
      const rest = replaced(pendings, order, null).map((each) =>
        // What was missing may be there now.
        each.trouble?.why === "refused" && each.trouble.isMissing ? { ...each, trouble: null, retryAtMs: 0 } : each,
      );
      return outcome.id === command.id ? rest : renamed(rest, command.id, outcome.id);
    }
    case "conflict": {
      const { conflicts, known } = joinedConflicts(pendings, pending, outcome.conflicts);
      if (conflicts.length === 0) return replaced(known, order, null);
      const changes = conflicts.map(({ path, from, to }) => ({ path: [...path], from, to }));
      const wish: Command = { op: "patch", key: newKey, kind: command.kind, id: outcome.id, changes };
      const told: Pending = { ...pending, command: wish, trouble: { why: "conflict", conflicts } };
      const rest = replaced(known, order, told);
      return outcome.id === command.id ? rest : renamed(rest, command.id, outcome.id);
    }
    case "gone":
      return replaced(pendings, order, { ...pending, trouble: { why: "gone" } });
    case "refused": {
      const { says, fields, isMissing } = outcome;
      return replaced(pendings, order, { ...pending, trouble: { why: "refused", says, fields, isMissing } });
    }
    case "failed": {
      const attempts = pending.attempts + 1;
      return replaced(pendings, order, { ...pending, attempts, retryAtMs: nowMs + retryAfterMs(attempts - 1) });
    }
  }
}

/** What becomes of one that is in trouble: it is dropped, or it is the wish after all. */
export function decided(
  pendings: Pendings,
  key: string,
  decision: "keep" | "drop",
  newKeys: readonly [string, string],
): Pendings {
  const pending = pendings.find((each) => each.command.key === key);
  if (!pending?.trouble) return pendings;
  const { trouble, command, order } = pending;
  const again = { ...pending, isSent: false, attempts: 0, retryAtMs: 0, trouble: null, touchedAtMs: 0, madeAtMs: 0 };
  if (decision === "drop") {
    const rest = replaced(pendings, order, null);
    return command.op === "create"
      ? withoutOrphans(
          rest.filter((each) => !isAbout(command.kind, command.id)(each)),
          command.id,
        )
      : rest;
  }
  if (trouble.why === "conflict") {
    const changes = trouble.conflicts.map(({ path, current, to }) => ({ path: [...path], from: current, to }));
    return replaced(pendings, order, {
      ...again,
      command: { ...command, op: "patch", key: newKeys[0], changes } as Command,
    });
  }
  const retried = replaced(pendings, order, { ...again, command: { ...command, key: newKeys[0] } });
  if (trouble.why !== "gone") return retried;
  const restore: Pending = {
    ...again,
    command: { op: "restore", key: newKeys[1], kind: command.kind, id: command.id },
    order: order - 0.5,
  };
  return [...retried, restore];
}

/** A record as one who just made it sees it. */
export const firstChanges = (kind: RecordKind, command: Extract<Command, { op: "create" }>): FieldChange[] =>
  command.initial === undefined
    ? []
    : fieldChanges(kind, command.initial as RecordBodies[RecordKind], command.body as RecordBodies[RecordKind]);
