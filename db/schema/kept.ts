import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  foreignKey,
  integer,
  pgSequence,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";

export const crew = pgTable("crew", {
  id: uuid("id").primaryKey().defaultRandom(),
  name: text("name").notNull(),
  /** The crew of an installation without accounts; at most one. */
  isLocal: boolean("is_local").notNull().default(false),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
});

/** Numbers all changes, so that a device can ask for those it has not seen. */
export const changeSequence = pgSequence("change_seq");
export const NEXT_CHANGE = sql`nextval('change_seq')`;

/** What every stored record carries: whose it is, its version, which change it had last, and whether it was deleted. */
export const kept = {
  id: uuid("id").primaryKey(),
  crewId: uuid("crew_id")
    .notNull()
    .references(() => crew.id),
  version: integer("version").notNull().default(1),
  seq: bigint("seq", { mode: "number" }).notNull().default(NEXT_CHANGE),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
  changedAt: timestamp("changed_at", { withTimezone: true }).notNull().defaultNow(),
  deletedAt: timestamp("deleted_at", { withTimezone: true }),
  /** What was deleted in one go comes back in one go. */
  deletedWith: uuid("deleted_with"),
};

/** Columns that a reference inside one shoot of one crew is made of. */
interface OfShoot {
  id: AnyPgColumn;
  shootId: AnyPgColumn;
  crewId: AnyPgColumn;
}

/** What others of the same shoot may refer to. */
export const referable = (table: OfShoot, name: string) =>
  unique(`${name}_in_shoot`).on(
    ...([table.id, table.shootId, table.crewId] as [AnyPgColumn, AnyPgColumn, AnyPgColumn]),
  );

/** A reference to something of the same shoot and crew. */
export const refersTo = (
  name: string,
  column: AnyPgColumn,
  table: Omit<OfShoot, "id">,
  target: () => OfShoot,
  onDelete: "cascade" | "no action" = "no action",
) =>
  foreignKey({
    name,
    columns: [column, table.shootId, table.crewId],
    // Asked for late: tables may be declared in any order.
    get foreignColumns(): [AnyPgColumn, AnyPgColumn, AnyPgColumn] {
      const { id, shootId, crewId } = target();
      return [id, shootId, crewId];
    },
  }).onDelete(onDelete);

interface Bounds {
  minimum?: number;
  maximum?: number;
  enum?: readonly (string | number)[];
  anyOf?: readonly Bounds[];
}

const quoted = (value: string | number): string =>
  typeof value === "number" ? String(value) : `'${value.replaceAll("'", "''")}'`;

/** The bounds of a field's schema as a CHECK; nothing in a column is not checked. */
export function holds(table: string, column: AnyPgColumn, schema: object) {
  const own = schema as Bounds;
  const bounds = own.anyOf?.find((each) => each.minimum !== undefined || each.enum !== undefined) ?? own;
  const name = column.name;
  const rule = bounds.enum
    ? `"${name}" in (${bounds.enum.map(quoted).join(", ")})`
    : `"${name}" between ${bounds.minimum} and ${bounds.maximum}`;
  if (!bounds.enum && (bounds.minimum === undefined || bounds.maximum === undefined))
    throw new Error(`${table}.${name}: its schema has no bounds.`);
  return check(`${table}_${name}`, sql.raw(rule));
}
