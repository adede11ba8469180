import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

interface Column {
  name: string;
  type: string;
  notNull: boolean;
  default?: unknown;
}
interface Snapshot {
  tables: Record<string, { columns: Record<string, Column> }>;
}

const META = join(__dirname, "migrations", "meta");
/** The first release in which several processes may run while one of them changes the schema. */
const SINCE = "0019";
const snapshots = readdirSync(META)
  .filter((name) => name.endsWith("_snapshot.json") && name >= SINCE)
  .sort((one, other) => (one < other ? -1 : 1))
  .map((name) => [name, JSON.parse(readFileSync(join(META, name), "utf8")) as Snapshot] as const);
const steps = snapshots.slice(1).map(([name, after], at) => [name, snapshots[at]![1], after] as const);

test.each(steps)("%s: a process of the release before still reads and writes", (_, before, after) => {
  for (const [table, { columns }] of Object.entries(before.tables)) {
    const now = after.tables[table]?.columns;
    expect([table, now !== undefined]).toEqual([table, true]);
    // What it reads is there, and of the same type.
    for (const [name, { type }] of Object.entries(columns))
      expect([table, name, now![name]?.type]).toEqual([table, name, type]);
    // What it does not write may be left out.
    const needed = Object.values(now!).filter(
      (column) => !(column.name in columns) && column.notNull && column.default === undefined,
    );
    expect([table, needed.map(({ name }) => name)]).toEqual([table, []]);
    // What it leaves out may still be left out.
    const tightened = Object.values(columns).filter(({ name, notNull }) => !notNull && now![name]!.notNull);
    expect([table, tightened.map(({ name }) => name)]).toEqual([table, []]);
  }
});

test("there is something to compare", () => expect(steps.length).toBeGreaterThan(1));
