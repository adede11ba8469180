import { type Change, sameValue } from "@/core/records";
import { CREW, type Device, type DeviceRecord, type Leftover, type Sync } from "./device";
import { nameOf, withNews, type Records } from "./overlay";
import type { Pending } from "./pending";

type Pendings = readonly Pending[];
type Update = (pendings: Pendings) => Pendings;

/** Where what is typed is, until the server has it. */
export type Kept = "device" | "page";

export interface Keeper {
  /** What is not done yet, of all tabs, as this one knows it. */
  pendings: () => Pendings;
  /** Those of them that only this page has. */
  onlyHere: () => ReadonlySet<string>;
  records: () => Records;
  kept: () => Kept;
  subscribe: (listener: () => void) => () => void;
  /** Changes what is to be done: at once here, and on the device when the promise resolves. */
  change: (update: Update) => Promise<void>;
  /** What came of commands: with it the records that they touched. */
  settle: (update: Update, news: readonly Change[]) => Promise<void>;
  /** Takes over what the server told of a shoot; `isAll`: what it did not name is not there. */
  learn: (shootId: string, news: readonly Change[], sync: Omit<Sync, "shootId">, isAll: boolean) => Promise<void>;
  /** Reads what this device knows of a shoot; null where it knows nothing. */
  open: (shootId: string) => Promise<Sync | null>;
  /** Shoots that this device has opened. */
  shoots: () => Promise<readonly Change<"shoot">[]>;
  /** Puts something that cannot be used aside. */
  setAside: (what: string, content: unknown) => Promise<void>;
  leftovers: () => Promise<readonly Leftover[]>;
  forgetLeftovers: () => Promise<void>;
  /** Reads anew what other tabs have changed. */
  reload: () => Promise<void>;
  /** Takes over records that another tab has learned. */
  hear: (news: readonly Change[]) => void;
}

/** What tabs tell each other. */
export type Message = { type: "commands" } | { type: "records"; news: readonly Change[] };

const scopeOf = ({ kind, id, body }: Change): string =>
  kind === "shoot" ? id : (("shootId" in body ? body.shootId : null) ?? CREW);

/** What was measured of takes is large, and asked for when it is looked at. */
const isHeld = ({ kind }: Change): boolean => kind !== "takeDetail";

const rowOf = (record: Change): DeviceRecord => ({
  name: nameOf(record.kind, record.id),
  scope: scopeOf(record),
  record,
});

/** Whether something read from the device is a command, as far as it must be to be sent. */
function isUsable(value: unknown): value is Pending {
  const { command, order } = (value ?? {}) as Partial<Pending>;
  return (
    typeof order === "number" &&
    typeof command?.key === "string" &&
    typeof command.kind === "string" &&
    typeof command.id === "string" &&
    ["create", "patch", "delete", "restore"].includes(command.op) &&
    (command.op !== "patch" || Array.isArray(command.changes))
  );
}

/** The same objects for what is the same, so that what is computed from them need not be computed again. */
const reused = (before: Pendings, after: Pendings): Pendings =>
  after.map((each) => before.find((old) => old.order === each.order && sameValue(old, each)) ?? each);

/** Records that are written at once. */
const PORTION = 300;
const DRAWN_AFTER_MS = 500;
const pause = (ms: number): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));

/** News in portions, at least one; the shoot itself is in the last. */
function portionsOf(news: readonly Change[]): Change[][] {
  const sorted = [...news.filter(({ kind }) => kind !== "shoot"), ...news.filter(({ kind }) => kind === "shoot")];
  const portions: Change[][] = [];
  for (let at = 0; at < sorted.length; at += PORTION) portions.push(sorted.slice(at, at + PORTION));
  return portions.length > 0 ? portions : [[]];
}

/**
 * What this device holds of one database of the server, and what is not done yet. `tell` reaches the other tabs. Where the device
 * cannot keep anything, the page does, and says so.
 */
export function keeper(device: Device, tell: (message: Message) => void): Keeper {
  let stored: Pendings = [];
  /** What could not be written: this page alone has it. */
  let unwritten: Pendings = [];
  /** What stands on the device and has gone on in this page, which could not write it. */
  let shadowed: ReadonlySet<string> = new Set();
  const updates: Update[] = [];
  let shown: Pendings = [];
  let records: Records = new Map();
  let keptOn: Kept = "device";
  const listeners = new Set<() => void>();
  let turn: Promise<unknown> = Promise.resolve();

  function notify(): void {
    shown = updates.reduce<Pendings>((pendings, update) => update(pendings), [...stored, ...unwritten]);
    listeners.forEach((listener) => listener());
  }

  /** One after the other, whatever becomes of those before. */
  function inTurn<Result>(task: () => Promise<Result>): Promise<Result> {
    const next = turn.then(task, task);
    turn = next.catch(() => undefined);
    return next;
  }

  function take(news: readonly Change[]): void {
    records = withNews(records, news.filter(isHeld)) ?? records;
  }

  async function readCommands(): Promise<Pendings> {
    const rows: unknown[] = await device.commands.toArray();
    const usable = rows.filter(isUsable);
    if (usable.length < rows.length) {
      const broken = rows.filter((row) => !isUsable(row));
      await device.leftovers.add({ atMs: Date.now(), what: "Changes that could not be read", content: broken });
      await device.commands.bulkDelete(
        broken.map((row) => (row as { order?: unknown }).order).filter((order) => typeof order === "number"),
      );
    }
    return usable;
  }

  /** Writes the next update in one transaction, with all that could not be written before. */
  async function write(update: Update, news: readonly Change[]): Promise<void> {
    try {
      const next = await device.transaction("rw", device.commands, device.records, device.leftovers, async () => {
        const rows = await readCommands();
        const theirs = rows.filter(({ command }) => !shadowed.has(command.key));
        const orders = new Set(theirs.map(({ order }) => order));
        // Meanwhile another tab may have taken the places of those that only this page has.
        let last = Math.max(0, ...orders, ...unwritten.map(({ order }) => order));
        const mine = unwritten.map((each) => (orders.has(each.order) ? { ...each, order: (last += 1) } : each));
        const after = update([...theirs, ...mine]);
        const gone = rows.filter(({ order }) => !after.some((each) => each.order === order));
        await device.commands.bulkDelete(gone.map(({ order }) => order));
        await device.commands.bulkPut(after.filter((each) => !rows.includes(each)));
        if (news.length > 0) await putRecords(news);
        return after;
      });
      stored = reused(shown, next);
      unwritten = [];
      shadowed = new Set();
      keptOn = "device";
    } catch {
      // Storage is full, forbidden or broken: the page goes on with what it has.
      shadowed = new Set([...shadowed, ...stored.map(({ command }) => command.key)]);
      unwritten = update([...stored, ...unwritten]);
      stored = [];
      keptOn = "page";
    }
  }

  async function putRecords(news: readonly Change[]): Promise<void> {
    const rows = news.filter(isHeld).map(rowOf);
    const known = await device.records.bulkGet(rows.map(({ name }) => name));
    await device.records.bulkPut(rows.filter(({ record }, at) => (known[at]?.record.seq ?? -1) < record.seq));
  }

  function change(update: Update, news: readonly Change[] = []): Promise<void> {
    updates.push(update);
    take(news);
    notify();
    return inTurn(async () => {
      await write(update, news);
      updates.shift();
      notify();
      tell({ type: "commands" });
      if (news.length > 0) tell({ type: "records", news });
    });
  }

  return {
    pendings: () => shown,
    onlyHere: () => new Set(unwritten.map(({ command }) => command.key)),
    records: () => records,
    kept: () => keptOn,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    change: (update) => change(update),
    settle: change,
    async learn(shootId, news, sync, isAll) {
      const isNamed = new Set(news.map(({ kind, id }) => nameOf(kind, id)));
      const isStale = ({ name, scope, record }: DeviceRecord) =>
        isAll &&
        (scope === shootId || scope === CREW) &&
        !isNamed.has(name) &&
        record.seq <= sync.seq &&
        !record.isDeleted;
      if (isAll) {
        const there = [...records].filter(([name, record]) => !isStale({ name, scope: scopeOf(record), record }));
        records = new Map(there);
      }
      take(news);
      notify();
      tell({ type: "records", news });
      // The server has it all: a large shoot is drawn before it is written, and written bit by bit. What it is known by comes
      // last, so that nobody opens half of it.
      const portions = portionsOf(news);
      if (portions.length > 1) await pause(DRAWN_AFTER_MS);
      for (const portion of portions.slice(0, -1)) {
        await inTurn(() => device.transaction("rw", device.records, () => putRecords(portion)).catch(() => undefined));
        await pause(0);
      }
      await inTurn(async () => {
        try {
          await device.transaction("rw", device.records, device.syncs, async () => {
            if (isAll) {
              const known = await device.records.where("scope").anyOf(shootId, CREW).toArray();
              await device.records.bulkDelete(known.filter(isStale).map(({ name }) => name));
            }
            await putRecords(portions.at(-1)!);
            await device.syncs.put({ shootId, ...sync });
          });
        } catch {
          // Without a place to keep it, it is asked for again on the next visit.
        }
      });
    },
    async open(shootId) {
      return inTurn(async () => {
        try {
          const [rows, sync, commands] = await device.transaction(
            "rw",
            device.records,
            device.syncs,
            device.commands,
            device.leftovers,
            async () =>
              [
                await device.records.where("scope").anyOf(shootId, CREW).toArray(),
                (await device.syncs.get(shootId)) ?? null,
                await readCommands(),
              ] as const,
          );
          take(rows.map(({ record }) => record));
          stored = reused(stored, commands);
          notify();
          return sync;
        } catch {
          keptOn = "page";
          notify();
          return null;
        }
      });
    },
    shoots: () =>
      device.records
        .where("name")
        .startsWith(nameOf("shoot", ""))
        .toArray()
        .then((rows) => rows.map(({ record }) => record as Change<"shoot">).filter(({ isDeleted }) => !isDeleted))
        .catch(() => []),
    async setAside(what, content) {
      await device.leftovers.add({ atMs: Date.now(), what, content });
    },
    leftovers: () => device.leftovers.toArray().catch(() => []),
    forgetLeftovers: () => device.leftovers.clear().catch(() => undefined),
    hear(news) {
      take(news);
      notify();
    },
    reload: () =>
      inTurn(async () => {
        try {
          stored = reused(
            shown,
            (await readCommands()).filter(({ command }) => !shadowed.has(command.key)),
          );
          notify();
        } catch {
          keptOn = "page";
        }
      }),
  };
}
