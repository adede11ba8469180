import * as Type from "@sinclair/typebox";
import { RECORD_SCHEMAS, type RecordKind } from "../core/shoot/records";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { changeRecord, createRecord, removeRecord, restoreRecord } from "./records";
import { accept } from "./validate";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ format: "uuid" });
const CreateRequest = Type.Object({ id: Id, body: Type.Unknown() }, strict);
const ChangeRequest = Type.Object(
  { version: Type.Integer({ minimum: 1, maximum: 2 ** 31 - 1 }), body: Type.Unknown() },
  strict,
);
const RestoreRequest = Type.Object({ restore: Type.Literal(true) }, strict);

function kindOf(name: string): RecordKind {
  if (!Object.hasOwn(RECORD_SCHEMAS, name)) throw new Fault("missing", "There is no such kind of record.");
  return name as RecordKind;
}

/** A new record under the caller's id. */
export function requestCreate(acting: ActingCrew, kind: string, request: unknown) {
  const { id, body } = accept(CreateRequest, request);
  return createRecord(acting, kindOf(kind), id, body);
}

/** A change to a record, by version. */
export function requestChange(acting: ActingCrew, kind: string, id: string, request: unknown) {
  const { version, body } = accept(ChangeRequest, request);
  return changeRecord(acting, kindOf(kind), accept(Id, id), version, body);
}

/** A removal that can be undone. */
export function requestRemove(acting: ActingCrew, kind: string, id: string) {
  return removeRecord(acting, kindOf(kind), accept(Id, id));
}

/** The undoing of a removal. */
export function requestRestore(acting: ActingCrew, kind: string, id: string, request: unknown) {
  accept(RestoreRequest, request);
  return restoreRecord(acting, kindOf(kind), accept(Id, id));
}
