import {
  bundleOf,
  type FieldChange,
  type FiledRecord,
  fieldChanges,
  type Listed,
  overlaid,
  type RecordBodies,
  type RecordKind,
  type ShootBundle,
  type Stored,
} from "@/core/records";
import type { Keeper, Kept } from "./keeper";
import { nameOf, withPendings, type Records, type ShownRecords } from "./overlay";
import { editHistory, editOf } from "./editHistory";
import { decided, withAgain, withDeed, type Deed, type Pending } from "./pending";

/** How it stands with what was typed. */
export interface SaveState {
  phase: "saved" | "saving" | "away" | "trouble";
  /** Changes that the server does not have. */
  pending: number;
  /** Where they are meanwhile. */
  kept: Kept;
}

export interface ShootSnapshot {
  bundle: ShootBundle;
  saving: SaveState;
  /** What somebody has to decide about. */
  troubles: readonly Pending[];
}

/** Takes something back that was just done. */
export type Undo = () => void;

export interface ShootStore {
  subscribe: (listener: () => void) => () => void;
  /** Everything of the shoot as it is with what is not saved yet. */
  snapshot: () => ShootSnapshot;
  change<Kind extends RecordKind>(kind: Kind, id: string, body: RecordBodies[Kind]): void;
  /** Changes a record from what it is now; its function stays the same however the record changes. */
  edit<Kind extends RecordKind>(kind: Kind, id: string, change: (body: RecordBodies[Kind]) => RecordBodies[Kind]): void;
  /** Makes a record; `initial` is what it would be without the first change, for what there may be already. */
  create<Kind extends RecordKind>(
    kind: Kind,
    body: RecordBodies[Kind],
    own?: { id?: string; initial?: RecordBodies[Kind] },
  ): string;
  /** Makes a whole shoot of records that are in order; there is no way back but to delete it. */
  createAll(records: readonly FiledRecord[]): void;
  has(kind: RecordKind, id: string): boolean;
  remove(kind: RecordKind, id: string): Undo;
  /** Changes a record that lists do not hold. */
  changeFrom<Kind extends RecordKind>(
    kind: Kind,
    known: Pick<Stored<Kind>, "id" | "body">,
    body: RecordBodies[Kind],
  ): void;
  decide(pending: Pending, decision: "keep" | "drop"): void;
  /** Takes back what was done last on this page; false where there is nothing. */
  undo(): boolean;
  /** Does again what was taken back last; false where there is nothing. */
  redo(): boolean;
}

export interface StoreOptions {
  keeper: Pick<Keeper, "pendings" | "records" | "kept" | "change">;
  subscribe: (listener: () => void) => () => void;
  shootId: string;
  isAway: () => boolean;
  /** The page that types here. */
  page: () => string;
  newKey: () => string;
  now: () => number;
  /** Whether whoever is here may do this; says so where not. */
  mayDo: (op: Deed["op"], kind: RecordKind) => boolean;
  /** Something is to be sent. */
  nudge: () => void;
  /** Whether what is done now is typed, and more of it may follow at once. */
  isTyping: () => boolean;
}

const bodyName = (body: object): string =>
  "name" in body && typeof body.name === "string" ? body.name : "title" in body ? String(body.title) : "";

/** What the screens of one shoot share; null while this device knows nothing of it. */
export function shootStore(
  options: StoreOptions,
): Omit<ShootStore, "snapshot"> & { snapshot: () => ShootSnapshot | null } {
  const { keeper, shootId } = options;
  let seen: { records: Records; pendings: readonly Pending[]; isAway: boolean; kept: Kept } | null = null;
  let shown: ShownRecords = new Map() as Records;
  let bundle: ShootBundle | null = null;
  let current: ShootSnapshot | null = null;
  const history = editHistory();

  const isOurs = (pending: Pending) => pending.shootId === shootId || pending.shootId === null;

  function listed(): Iterable<Listed> {
    const ours: Listed[] = [];
    for (const record of shown.values())
      if (!record.isDeleted && (record.kind === "shoot" ? record.id === shootId : isOfShoot(record.body)))
        ours.push(record);
    return ours;
  }

  const isOfShoot = (body: object): boolean => "shootId" in body && (body.shootId === shootId || body.shootId === null);

  function phaseOf(pendings: readonly Pending[]): SaveState["phase"] {
    if (pendings.some(({ trouble }) => trouble !== null)) return "trouble";
    if (pendings.length === 0) return "saved";
    return options.isAway() ? "away" : "saving";
  }

  /** Computes what changed since it was last looked at. */
  function look(): ShootSnapshot | null {
    const [records, pendings, isAway, kept] = [keeper.records(), keeper.pendings(), options.isAway(), keeper.kept()];
    if (seen && seen.records === records && seen.pendings === pendings && seen.isAway === isAway && seen.kept === kept)
      return current;
    if (!seen || seen.records !== records || seen.pendings !== pendings) {
      shown = withPendings(records, pendings.filter(isOurs), shown);
      bundle = bundleOf(shootId, listed(), bundle);
    }
    seen = { records, pendings, isAway, kept };
    const ours = pendings.filter(isOurs);
    const troubles = ours.filter(({ trouble }) => trouble !== null);
    const saving: SaveState = { phase: phaseOf(ours), pending: ours.length, kept };
    current = bundle && {
      bundle,
      saving: current && sameState(current.saving, saving) ? current.saving : saving,
      troubles: current && sameList(current.troubles, troubles) ? current.troubles : troubles,
    };
    return current;
  }

  const recordOf = (kind: RecordKind, id: string) => {
    look();
    const found = shown.get(nameOf(kind, id));
    return found && !found.isDeleted ? found : null;
  };

  function act(deed: Deed, name: string, scope: string | null): void {
    if (!options.mayDo(deed.op, deed.kind)) return;
    const doing = {
      ...{ key: options.newKey(), shootId: scope, name, madeBy: options.page() },
      ...{ nowMs: options.now(), isTyped: options.isTyping() },
    };
    void keeper.change((pendings) => withDeed(pendings, deed, doing));
    options.nudge();
  }

  function changeFrom<Kind extends RecordKind>(
    kind: Kind,
    known: Pick<Stored<Kind>, "id" | "body">,
    body: RecordBodies[Kind],
  ): void {
    const { id } = known;
    const changes = fieldChanges(kind, known.body, body);
    if (changes.length === 0) return;
    act({ op: "patch", kind, id, changes }, bodyName(body), scopeOf(kind, id, body));
    const paths = changes.map(({ path }) => path);
    const set = (to: readonly FieldChange[]) => () => {
      const now = recordOf(kind, id);
      if (now) change(kind, id, overlaid(kind, now.body as RecordBodies[Kind], to));
    };
    const back = changes.map(({ path, from, to }) => ({
      path,
      ...(to !== undefined && { from: to }),
      ...(from !== undefined && { to: from }),
    }));
    history.remember({ of: editOf(kind, id, paths), atMs: options.now(), undo: set(back), redo: set(changes) });
  }

  function change<Kind extends RecordKind>(kind: Kind, id: string, body: RecordBodies[Kind]): void {
    const known = recordOf(kind, id);
    if (known) changeFrom(kind, { id, body: known.body as RecordBodies[Kind] }, body);
  }

  const scopeOf = (kind: RecordKind, id: string, body: object): string | null =>
    kind === "shoot" ? id : "shootId" in body ? (body.shootId as string | null) : shootId;

  /** Deletes a record; returns how it comes back. */
  function takeAway(kind: RecordKind, id: string): Undo {
    const known = recordOf(kind, id);
    if (!known) return () => undefined;
    const before = keeper.pendings();
    const [name, scope] = [bodyName(known.body), scopeOf(kind, id, known.body)];
    act({ op: "delete", kind, id }, name, scope);
    const after = keeper.pendings();
    const left = new Set(after.map(({ command }) => command.key));
    const dropped = before.filter(({ command }) => !left.has(command.key));
    const isAsked = after.some(({ command }) => command.op === "delete" && command.id === id);
    return () => {
      if (isAsked) act({ op: "restore", kind, id }, name, scope);
      const keys = dropped.map(() => options.newKey());
      if (keys.length > 0) void keeper.change((pendings) => withAgain(pendings, dropped, keys));
      options.nudge();
    };
  }

  return {
    subscribe: options.subscribe,
    snapshot: look,
    change,
    changeFrom,
    edit(kind, id, edit) {
      const known = recordOf(kind, id);
      if (known) change(kind, id, edit(known.body as RecordBodies[typeof kind]));
    },
    create(kind, body, own = {}) {
      const id = own.id ?? options.newKey();
      const deed: Deed = { op: "create", kind, id, body, ...(own.initial ? { initial: own.initial } : {}) };
      act(deed, bodyName(body), scopeOf(kind, id, body));
      let back: Undo = () => undefined;
      history.remember({
        ...{ of: `${kind} ${id}`, atMs: options.now() },
        undo: () => {
          back = takeAway(kind, id);
        },
        redo: () => back(),
      });
      return id;
    },
    createAll(records) {
      if (!records.every(({ kind }) => options.mayDo("create", kind))) return;
      const nowMs = options.now();
      void keeper.change((pendings) =>
        records.reduce((all, { kind, id, body }) => {
          const about = { key: options.newKey(), shootId: scopeOf(kind, id, body), name: bodyName(body) };
          return withDeed(
            all,
            { op: "create", kind, id, body },
            { ...about, madeBy: options.page(), nowMs, isTyped: false },
          );
        }, pendings),
      );
      options.nudge();
    },
    has: (kind, id) => recordOf(kind, id) !== null,
    remove(kind, id) {
      let back = takeAway(kind, id);
      history.remember({
        ...{ of: `${kind} ${id} removed`, atMs: options.now() },
        undo: () => back(),
        redo: () => {
          back = takeAway(kind, id);
        },
      });
      return () => back();
    },
    undo: history.undo,
    redo: history.redo,
    decide({ command }, decision) {
      const keys: [string, string] = [options.newKey(), options.newKey()];
      void keeper.change((pendings) => decided(pendings, command.key, decision, keys));
      options.nudge();
    },
  };
}

const sameState = (one: SaveState, other: SaveState): boolean =>
  one.phase === other.phase && one.pending === other.pending && one.kept === other.kept;

const sameList = (one: readonly Pending[], other: readonly Pending[]): boolean =>
  one.length === other.length && one.every((each, at) => each === other[at]);
