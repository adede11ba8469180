import { bigint, boolean, check, index, jsonb, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { sql } from "drizzle-orm";
import { HISTORY_SUBJECTS, type HistorySubject } from "../../core/crew";
import type { FieldConflict, RecordKind } from "../../core/records";
import { crew } from "./kept";

/** A record that a command touched. */
export interface Touched {
  kind: RecordKind;
  id: string;
}

/** What came of a command, without the records that it touched: those have gone on since. */
export type CommandResult =
  | { outcome: "done"; id: string; touched: Touched[] }
  | { outcome: "conflict"; id: string; conflicts: FieldConflict[]; touched: Touched[] }
  | { outcome: "gone"; touched: Touched[] };

/** Commands that were carried out, by their keys, and what came of them: sent again, they are answered and not done again. */
export const commandDone = pgTable(
  "command_done",
  {
    key: uuid("key").primaryKey(),
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crew.id),
    /** Of what was asked, so that a key is never taken for another command's. */
    digest: text("digest").notNull(),
    outcome: jsonb("outcome").$type<CommandResult>().notNull(),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index("command_done_at").on(table.at)],
);

/** Who changed what and when, in UTC, of that which may be asked about later. Rows are added, never changed. */
export const history = pgTable(
  "history",
  {
    id: bigint("id", { mode: "number" }).primaryKey().generatedAlwaysAsIdentity(),
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crew.id),
    shootId: uuid("shoot_id").notNull(),
    subject: text("subject").$type<HistorySubject>().notNull(),
    recordId: uuid("record_id").notNull(),
    at: timestamp("at", { withTimezone: true }).notNull().defaultNow(),
    member: text("member").notNull(),
    /** What it was and what it became; null where there is nothing. */
    before: jsonb("before"),
    after: jsonb("after"),
  },
  (table) => [
    index("history_record").on(table.recordId),
    index("history_shoot").on(table.shootId),
    check("history_subject", sql.raw(`subject in (${HISTORY_SUBJECTS.map((each) => `'${each}'`).join(", ")})`)),
  ],
);

/** The one row that tells this database from others, and from itself before it was put back from a copy. */
export const installation = pgTable(
  "installation",
  {
    isOnly: boolean("is_only").primaryKey().default(true),
    id: uuid("id").notNull().defaultRandom(),
    epoch: uuid("epoch").notNull().defaultRandom(),
  },
  () => [check("installation_one", sql.raw("is_only"))],
);
