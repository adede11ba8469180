import { fitsInterpreted } from "@/core/schema";
import { fieldChanges, RECORD_SCHEMAS, type RecordBodies, type RecordKind } from "@/core/records";
import type { Keeper } from "./keeper";
import { nameOf } from "./overlay";
import { withDeed, type Deed } from "./pending";

interface EarlierSave {
  kind: RecordKind;
  id: string;
  version: number | null;
  body: RecordBodies[RecordKind];
}

const isSave = (value: unknown): value is EarlierSave => {
  const { kind, id, body } = (value ?? {}) as Partial<EarlierSave>;
  return (
    typeof id === "string" &&
    Object.hasOwn(RECORD_SCHEMAS, String(kind)) &&
    fitsInterpreted(RECORD_SCHEMAS[kind!], body)
  );
};

/** What a release before this one had not saved becomes commands; what cannot be used is set aside. */
export async function takeOver(text: string, shootId: string, keeper: Keeper, newKey: () => string): Promise<void> {
  let saves: unknown[];
  try {
    const read: unknown = JSON.parse(text);
    saves = Array.isArray(read) ? read : [read];
  } catch {
    saves = [text];
  }
  const unusable: unknown[] = [];
  for (const save of saves) {
    if (!isSave(save)) {
      unusable.push(save);
      continue;
    }
    const { kind, id, body } = save;
    const known = keeper.records().get(nameOf(kind, id));
    const deed: Deed =
      known && !known.isDeleted
        ? { op: "patch", kind, id, changes: fieldChanges(kind, known.body, body) }
        : { op: "create", kind, id, body };
    if (deed.op === "patch" && deed.changes.length === 0) continue;
    const name = "name" in body ? body.name : "";
    const doing = { key: newKey(), shootId, name, madeBy: "earlier", nowMs: Date.now(), isTyped: false };
    await keeper.change((pendings) => withDeed(pendings, deed, doing));
  }
  if (unusable.length > 0) await keeper.setAside("Changes of an earlier release that could not be read", unusable);
}
