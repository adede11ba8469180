import Dexie, { type Table } from "dexie";
import { type Change, inShapeNow } from "@/core/records";
import type { Pending } from "./pending";

/** A record on this device. `scope`: the shoot it is of, or CREW for what is of none. */
export interface DeviceRecord {
  name: string;
  scope: string;
  record: Change;
}

/** How far this device knows a shoot. */
export interface Sync {
  shootId: string;
  seq: number;
  epoch: string;
}

/** Something that was kept and cannot be used any more; it is offered as a file, never thrown away. */
export interface Leftover {
  id?: number;
  atMs: number;
  what: string;
  content: unknown;
}

/** A refusal in words as it is kept now; anything else stays as it is. */
function refusalInCodes(row: { trouble?: unknown }): void {
  const trouble = row.trouble as { why?: unknown; message?: unknown; fields?: unknown; isMissing?: unknown } | null;
  if (trouble?.why !== "refused" || typeof trouble.message !== "string") return;
  const { message, fields, ...rest } = trouble;
  const written = (text: unknown) => ({ code: "record.asWritten", text: String(text) });
  const each = (Array.isArray(fields) ? fields : []) as { path: unknown; message: unknown }[];
  row.trouble = {
    ...rest,
    says: written(message),
    fields: each.map(({ path, message: text }) => ({ path, says: written(text) })),
  };
}

export const CREW = "crew";

/** What one database of the server looks like from this device: its records, and what is not done yet. */
export class Device extends Dexie {
  commands!: Table<Pending, number>;
  records!: Table<DeviceRecord, string>;
  syncs!: Table<Sync, string>;
  leftovers!: Table<Leftover, number>;
  answers!: Table<{ key: string; value: unknown }, string>;

  constructor(installation: string) {
    // What is said to be kept is on the disk, not on its way there.
    super(`hypophon ${installation}`, { chromeTransactionDurability: "strict" });
    this.version(1).stores({
      commands: "order, command.key",
      records: "name, scope",
      syncs: "shootId",
      leftovers: "++id",
      answers: "key",
    });
    // Bodies of the release before are not understood any more: they are asked for anew. What is not saved stays.
    this.version(2).upgrade(async (change) => {
      await Promise.all(["records", "syncs", "answers"].map((name) => change.table(name).clear()));
    });
    // Why something was refused was kept in words.
    this.version(3).upgrade((change) => change.table("commands").toCollection().modify(refusalInCodes));
    // Shoots got a clock. The server tells nothing of it, since nothing of theirs has changed.
    this.version(4).upgrade((change) =>
      change
        .table("records")
        .toCollection()
        .modify(({ record }: DeviceRecord) => {
          record.body = inShapeNow(record.kind, record.body);
        }),
    );
  }
}

const databaseNames = async (): Promise<string[]> =>
  (await Dexie.getDatabaseNames()).filter((name) => name.startsWith("hypophon "));

/** How many changes this device holds that no server has. */
export async function unsavedHere(): Promise<number> {
  let count = 0;
  for (const name of await databaseNames()) {
    const device = new Device(name.slice("hypophon ".length));
    count += await device.commands.count().catch(() => 0);
    device.close();
  }
  return count;
}

/** Forgets all that this device keeps of any crew. */
export async function forgetAll(): Promise<void> {
  for (const name of await databaseNames()) await Dexie.delete(name);
}
