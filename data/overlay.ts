import {
  belongings,
  type Change,
  inShapeNow,
  overlaid,
  type RecordBodies,
  type RecordKind,
  sameValue,
  withChanges,
} from "@/core/records";
import { firstChanges, type Pending } from "./pending";

/** Records as the server has them, by kind and id. */
export type Records = ReadonlyMap<string, Change>;

export const nameOf = (kind: RecordKind, id: string): string => `${kind} ${id}`;

/** Records as a page shows them. */
export type ShownRecords = Pick<Records, "get" | "values">;

/** What is shown over what is stored: a day has ten thousand records, and a press changes one. */
class Shown implements ShownRecords {
  readonly changed = new Map<string, Change>();

  constructor(private readonly stored: Records) {}

  get(name: string): Change | undefined {
    return this.changed.get(name) ?? this.stored.get(name);
  }

  set(name: string, record: Change): void {
    this.changed.set(name, record);
  }

  /** In the order they were learned of; new ones come last. */
  values(): MapIterator<Change> {
    const { changed, stored } = this;
    if (changed.size === 0) return stored.values();
    const all: Change[] = [];
    stored.forEach((record, name) => all.push(changed.get(name) ?? record));
    changed.forEach((record, name) => {
      if (!stored.has(name)) all.push(record);
    });
    return all.values();
  }
}

function hide(shown: Shown, record: Change, deletedWith: string): void {
  shown.set(nameOf(record.kind, record.id), { ...record, isDeleted: true, deletedWith });
  for (const { kind, field } of belongings(record.kind))
    for (const each of [...shown.values()])
      if (each.kind === kind && !each.isDeleted && (each.body as Record<string, unknown>)[field] === record.id)
        hide(shown, each, deletedWith);
}

function bringBack(shown: Shown, record: Change): void {
  for (const each of [...shown.values()])
    if (each === record || (record.deletedWith !== null && each.deletedWith === record.deletedWith))
      shown.set(nameOf(each.kind, each.id), { ...each, isDeleted: false, deletedWith: null });
}

/** One command as its maker sees it done. */
function show(shown: Shown, { command, madeAtMs }: Pending): void {
  const { kind, id } = command;
  const name = nameOf(kind, id);
  const known = shown.get(name);
  switch (command.op) {
    case "create": {
      if (known && !known.isDeleted) {
        // It is there: it was sent, or another tab made the same. What was changed in it is still the wish.
        const { body } = withChanges(kind, known.body, firstChanges(kind, command));
        shown.set(name, { ...known, body: inShapeNow(kind, body) });
        return;
      }
      const at = new Date(madeAtMs).toISOString();
      const times = { createdAt: known?.createdAt ?? at, changedAt: at };
      const body = inShapeNow(kind, command.body as RecordBodies[RecordKind]);
      shown.set(name, {
        kind,
        id,
        version: known?.version ?? 1,
        seq: 0,
        ...times,
        isDeleted: false,
        deletedWith: null,
        body,
      });
      return;
    }
    case "patch":
      // What was deleted elsewhere is no ghost here.
      if (known && !known.isDeleted)
        shown.set(name, { ...known, body: inShapeNow(kind, overlaid(kind, known.body, command.changes)) });
      return;
    case "delete":
      if (known && !known.isDeleted) hide(shown, known, command.key);
      return;
    case "restore":
      if (known?.isDeleted) bringBack(shown, known);
  }
}

/**
 * Records as they are with what is not done yet. What is the same as in `before` is the same object, so that what reads it need
 * not be drawn anew.
 */
export function withPendings(
  records: Records,
  pendings: readonly Pending[],
  before: ShownRecords = new Map<string, Change>(),
): ShownRecords {
  const shown = new Shown(records);
  for (const pending of [...pendings].sort((one, other) => one.order - other.order)) show(shown, pending);
  for (const [name, record] of shown.changed) {
    const old = before.get(name);
    if (old && old !== record && records.get(name) !== record && sameValue(old, record)) shown.set(name, old);
  }
  return shown;
}

/** Records with news from the server; what is older than what is there is none. Null where nothing is new. */
export function withNews(records: Records, news: readonly Change[]): Records | null {
  const fresh = news.filter(({ kind, id, seq }) => (records.get(nameOf(kind, id))?.seq ?? -1) < seq);
  if (fresh.length === 0) return null;
  const next = new Map(records);
  for (const record of fresh) next.set(nameOf(record.kind, record.id), record);
  return next;
}
