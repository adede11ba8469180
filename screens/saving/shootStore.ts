import type { RecordBodies, RecordKind, ShootBundle, Stored } from "@/core/shoot/records";
import { saveQueue, type PendingSave, type SaveState } from "./saveQueue";
import { sendRecord, sendRemoval } from "./sendRecord";

export interface Conflict {
  kind: RecordKind;
  id: string;
  mine: RecordBodies[RecordKind];
  theirs: Stored<RecordKind>;
}

export interface ShootSnapshot {
  bundle: ShootBundle;
  saving: SaveState;
  conflicts: readonly Conflict[];
}

export interface ShootStore {
  subscribe: (listener: () => void) => () => void;
  snapshot: () => ShootSnapshot;
  /** Applies what an earlier visit could not save; call once in the browser. */
  recover(): void;
  change<Kind extends RecordKind>(kind: Kind, id: string, body: RecordBodies[Kind]): void;
  /** Changes a record from what it is now; its function stays the same however the record changes. */
  edit<Kind extends RecordKind>(kind: Kind, id: string, change: (body: RecordBodies[Kind]) => RecordBodies[Kind]): void;
  create<Kind extends RecordKind>(kind: Kind, body: RecordBodies[Kind]): string;
  remove(kind: RecordKind, id: string): Promise<void>;
  restore(kind: RecordKind, id: string): Promise<void>;
  decide(conflict: Conflict, keep: "mine" | "theirs"): void;
  close: () => void;
}

const LISTS = {
  place: "places",
  scene: "scenes",
  wearer: "wearers",
  rig: "rigs",
  kitItem: "kit",
  measurement: "measurements",
  pickup: "pickups",
  air: "airs",
  connection: "connections",
  packing: "packings",
  provision: "provisions",
  levels: "levels",
} as const;

type AnyStored = Stored<RecordKind>;

function listOf(bundle: ShootBundle, kind: RecordKind): readonly AnyStored[] {
  return kind === "shoot" ? [bundle.shoot] : bundle[LISTS[kind]];
}

function withList(bundle: ShootBundle, kind: RecordKind, records: readonly AnyStored[]): ShootBundle {
  return kind === "shoot" ? { ...bundle, shoot: records[0] as Stored<"shoot"> } : { ...bundle, [LISTS[kind]]: records };
}

function withRecord(bundle: ShootBundle, kind: RecordKind, record: AnyStored): ShootBundle {
  const records = listOf(bundle, kind);
  const isKnown = records.some((each) => each.id === record.id);
  return withList(
    bundle,
    kind,
    isKnown ? records.map((each) => (each.id === record.id ? record : each)) : [...records, record],
  );
}

function sameBody(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** What the screens of one shoot share: the records as typed so far, and how their saving goes. */
export function shootStore(initial: ShootBundle): ShootStore {
  let current: ShootSnapshot = {
    bundle: initial,
    saving: { phase: "saved", pending: 0, message: null },
    conflicts: [],
  };
  const listeners = new Set<() => void>();

  function update(change: Partial<ShootSnapshot>): void {
    current = { ...current, ...change };
    listeners.forEach((listener) => listener());
  }

  function place(kind: RecordKind, record: AnyStored): void {
    update({ bundle: withRecord(current.bundle, kind, record) });
  }

  const queue = saveQueue({
    send: sendRecord,
    storage: typeof window === "undefined" ? null : window.localStorage,
    storageKey: `hypophon.unsaved.${initial.shoot.id}`,
    later: (task, afterMs) => {
      const timer = setTimeout(task, afterMs);
      return () => clearTimeout(timer);
    },
    onState: (saving) => update({ saving }),
    onSaved: (save, stored) => {
      const known = listOf(current.bundle, save.kind).find((each) => each.id === save.id);
      // What was typed since stays; only version and time come from the server.
      if (known) place(save.kind, { ...known, version: stored.version, changedAt: stored.changedAt });
    },
    onStale: (save, theirs) => {
      if (sameBody(save.body, theirs.body)) {
        queue.drop(save.kind, save.id);
        place(save.kind, theirs);
      } else update({ conflicts: [...current.conflicts, { kind: save.kind, id: save.id, mine: save.body, theirs }] });
    },
  });

  function applyRecovered(save: PendingSave): void {
    const known = listOf(current.bundle, save.kind).find((each) => each.id === save.id);
    place(save.kind, {
      id: save.id,
      version: known?.version ?? 1,
      changedAt: known?.changedAt ?? new Date().toISOString(),
      body: save.body,
    });
  }

  function change<Kind extends RecordKind>(kind: Kind, id: string, body: RecordBodies[Kind]): void {
    const known = listOf(current.bundle, kind).find((each) => each.id === id);
    if (!known || sameBody(known.body, body)) return;
    place(kind, { ...known, body });
    queue.put({ kind, id, version: known.version, body });
  }

  return {
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    snapshot: () => current,
    recover: () => queue.recover().forEach(applyRecovered),
    change,
    edit(kind, id, edit) {
      const known = listOf(current.bundle, kind).find((each) => each.id === id);
      if (known) change(kind, id, edit(known.body as RecordBodies[typeof kind]));
    },
    create(kind, body) {
      const id = crypto.randomUUID();
      place(kind, { id, version: 1, changedAt: new Date().toISOString(), body });
      queue.put({ kind, id, version: null, body });
      return id;
    },
    async remove(kind, id) {
      await queue.flush();
      await sendRemoval(kind, id, false);
      update({
        bundle: withList(
          current.bundle,
          kind,
          listOf(current.bundle, kind).filter((each) => each.id !== id),
        ),
      });
    },
    async restore(kind, id) {
      const stored = await sendRemoval(kind, id, true);
      if (stored) place(kind, stored);
    },
    decide({ kind, id, mine, theirs }, keep) {
      update({ conflicts: current.conflicts.filter((each) => each.id !== id) });
      queue.drop(kind, id);
      if (keep === "theirs") place(kind, theirs);
      else {
        place(kind, { ...theirs, body: mine });
        queue.put({ kind, id, version: theirs.version, body: mine });
      }
    },
    close: () => queue.close(),
  };
}
