import { LISTED_KINDS, LISTS } from "./bundle";
import { inShapeNow } from "./earlierShapes";
import type { FaultMessage } from "./messages";
import { RECORD_SCHEMAS, type RecordBodies, type RecordKind, type ShootBundle, type Stored } from "./records";
import { interpretedFaults } from "../schema";

/** What a file of a shoot calls itself. */
export const SHOOT_FILE = "hypophon shoot";
/** Files of this version and those before are read. */
export const SHOOT_FILE_VERSION = 1;

/** A record in a file: what it is, under which id others name it, and what it holds. */
export interface FiledRecord<Kind extends RecordKind = RecordKind> {
  kind: Kind;
  id: string;
  body: RecordBodies[Kind];
}

export interface ShootFile {
  format: typeof SHOOT_FILE;
  version: number;
  /** ISO time. */
  savedAt: string;
  records: FiledRecord[];
}

/** Kinds in an order in which each comes after what it names. */
const IN_ORDER: readonly RecordKind[] = [
  "shoot",
  "kitItem",
  ...LISTED_KINDS.filter((kind) => !["measurement", "kitItem", "mark"].includes(kind)),
  "mark",
  "measurement",
  "takeDetail",
];

/** A shoot as a file: everything of it, the kit of the crew that it may name included. */
export function shootFileOf(
  bundle: ShootBundle,
  details: readonly Pick<Stored<"takeDetail">, "id" | "body">[],
  savedAt: string,
): ShootFile {
  const listed = LISTED_KINDS.flatMap((kind) =>
    (bundle[LISTS[kind]] as readonly Stored<RecordKind>[]).map(({ id, body }) => ({ kind, id, body })),
  );
  const records: FiledRecord[] = [
    { kind: "shoot", id: bundle.shoot.id, body: bundle.shoot.body },
    ...listed,
    ...details.map(({ id, body }) => ({ kind: "takeDetail" as const, id, body })),
  ];
  return { format: SHOOT_FILE, version: SHOOT_FILE_VERSION, savedAt, records: inOrder(records) };
}

const inOrder = (records: readonly FiledRecord[]): FiledRecord[] =>
  IN_ORDER.flatMap((kind) => records.filter((record) => record.kind === kind));

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Reads a file of a shoot; what is wrong with it where it cannot be used, before anything is made of it. */
export function readShootFile(text: string): { records: FiledRecord[] } | { says: FaultMessage } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { says: { code: "file.unreadable" } };
  }
  if (!isObject(value) || value["format"] !== SHOOT_FILE || !Array.isArray(value["records"]))
    return { says: { code: "file.other" } };
  if (typeof value["version"] !== "number" || value["version"] > SHOOT_FILE_VERSION)
    return { says: { code: "file.newer" } };
  const records: FiledRecord[] = [];
  for (const each of value["records"] as unknown[]) {
    if (!isObject(each) || typeof each["id"] !== "string" || typeof each["kind"] !== "string")
      return { says: { code: "file.damaged", at: records.length + 1, kind: null } };
    if (!Object.hasOwn(RECORD_SCHEMAS, each["kind"]))
      return { says: { code: "file.damaged", at: records.length + 1, kind: each["kind"] } };
    const kind = each["kind"] as RecordKind;
    const body = inShapeNow(kind, each["body"]);
    if (interpretedFaults(RECORD_SCHEMAS[kind], body).length > 0)
      return { says: { code: "file.damaged", at: records.length + 1, kind } };
    records.push({ kind, id: each["id"], body: body as RecordBodies[RecordKind] });
  }
  if (records.filter(({ kind }) => kind === "shoot").length !== 1) return { says: { code: "file.other" } };
  return { records: inOrder(records) };
}

/**
 * The same records under new ids, as another shoot: wherever one names another it names the new one, in keys of ticks and
 * levels too. Kit that is `known` stays what it is and is left out; kit of another crew becomes the shoot's own.
 */
export function asNewShoot(
  records: readonly FiledRecord[],
  newId: () => string,
  isKnownKit: (id: string) => boolean,
): FiledRecord[] {
  const stays = ({ kind, id, body }: FiledRecord) =>
    kind === "kitItem" && (body as RecordBodies["kitItem"]).shootId === null && isKnownKit(id);
  const moved = records.filter((record) => !stays(record));
  const ids = new Map(moved.map(({ id }) => [id, newId()]));
  const shootId = ids.get(records.find(({ kind }) => kind === "shoot")!.id)!;
  const renamed = <Value>(value: Value): Value =>
    JSON.parse(
      JSON.stringify(value).replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) => ids.get(id) ?? id),
    ) as Value;
  return moved.map(({ kind, id, body }) => {
    const now = renamed(body);
    const own = kind === "kitItem" ? { ...(now as RecordBodies["kitItem"]), shootId } : now;
    return { kind, id: ids.get(id)!, body: own };
  });
}
