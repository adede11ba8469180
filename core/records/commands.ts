import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { FaultMessage } from "./messages";
import { RECORD_SCHEMAS, type RecordBodies, type RecordKind } from "./records";
import type { FieldConflict } from "./patch";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ format: "uuid" });
const Kind = Type.Unsafe<RecordKind>({ enum: Object.keys(RECORD_SCHEMAS) });
const Change = Type.Object(
  {
    path: Type.Array(Type.String({ maxLength: 200 }), { minItems: 1, maxItems: 12 }),
    from: Type.Optional(Type.Unknown()),
    to: Type.Optional(Type.Unknown()),
  },
  strict,
);
const about = { key: Id, kind: Kind, id: Id };

/**
 * One thing that somebody does to a record. Its key is its own for ever: sent twice, it is done once.
 * `initial` is what a new record would have been without the first change: where there is one already, only that change is made.
 */
export const Command = Type.Union([
  Type.Object(
    { ...about, op: Type.Literal("create"), body: Type.Unknown(), initial: Type.Optional(Type.Unknown()) },
    strict,
  ),
  Type.Object(
    { ...about, op: Type.Literal("patch"), changes: Type.Array(Change, { minItems: 1, maxItems: 2000 }) },
    strict,
  ),
  Type.Object({ ...about, op: Type.Literal("delete") }, strict),
  Type.Object({ ...about, op: Type.Literal("restore") }, strict),
]);
export type Command = Static<typeof Command>;

export const MOST_COMMANDS = 50;
export const Commands = Type.Object(
  { commands: Type.Array(Type.Unknown(), { minItems: 1, maxItems: MOST_COMMANDS }) },
  strict,
);

/** A record as the server has it, deleted ones too. */
export interface Change<Kind extends RecordKind = RecordKind> {
  kind: Kind;
  id: string;
  version: number;
  /** Number of the change that it had last, rising over all records of a crew. */
  seq: number;
  /** ISO times of when it was made and of that change. */
  createdAt: string;
  changedAt: string;
  isDeleted: boolean;
  /** What was deleted in one go has one of these, and comes back in one go. */
  deletedWith: string | null;
  body: RecordBodies[Kind];
}

export interface FieldFault {
  path: string;
  says: FaultMessage;
}

/** What came of a command. */
export type Outcome =
  /** `id` is another where there was one already of what there is one only. */
  | { outcome: "done"; id: string; records: Change[] }
  /** Fields that others changed meanwhile were left; the rest is done. */
  | { outcome: "conflict"; id: string; conflicts: FieldConflict[]; records: Change[] }
  /** It was deleted. */
  | { outcome: "gone"; records: Change[] }
  /** `isMissing`: what it names is not there; it may be later. */
  | { outcome: "refused"; says: FaultMessage; fields: readonly FieldFault[]; isMissing: boolean }
  | { outcome: "failed"; says: FaultMessage; requestId: string };

/** Everything of a shoot that changed after a number of a change, or all that is there. */
export interface Changes {
  /** Another one after the database was put back from a copy: what was known of it before may never have been. */
  epoch: string;
  seq: number;
  records: Change[];
}
