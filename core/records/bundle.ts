import type { RecordBodies, RecordKind, ShootBundle, Stored } from "./records";

/** A record as lists of a shoot hold it. */
export interface Listed<Kind extends RecordKind = RecordKind> extends Stored<Kind> {
  kind: Kind;
  createdAt: string;
}

/** Where a shoot holds records of a kind. */
export const LISTS = {
  place: "places",
  scene: "scenes",
  wearer: "wearers",
  rig: "rigs",
  kitItem: "kit",
  measurement: "measurements",
  pickup: "pickups",
  air: "airs",
  connection: "connections",
  packing: "packings",
  provision: "provisions",
  levels: "levels",
  roll: "rolls",
  mark: "marks",
  rollSetup: "rollSetups",
  match: "matches",
  delivery: "deliveries",
} as const satisfies Partial<Record<RecordKind, keyof ShootBundle>>;

export type ListedKind = keyof typeof LISTS;
export const LISTED_KINDS = Object.keys(LISTS) as ListedKind[];
export const isListed = (kind: RecordKind): kind is ListedKind => Object.hasOwn(LISTS, kind);

const byAge = (one: Listed, other: Listed): number =>
  one.createdAt === other.createdAt ? (one.id < other.id ? -1 : 1) : one.createdAt < other.createdAt ? -1 : 1;

/** Those that are in order already stay as they are: a day has ten thousand marks. */
const inOrder = (records: Listed[]): Listed[] =>
  records.every((each, at) => at === 0 || byAge(records[at - 1]!, each) < 0) ? records : records.sort(byAge);

/**
 * Everything of one shoot that the screens compute from, oldest first; null without the shoot itself. Lists in which nothing is
 * different are those of `before`, and so are records: what reads only them need not be computed again.
 */
export function bundleOf(
  shootId: string,
  records: Iterable<Listed>,
  before: ShootBundle | null = null,
): ShootBundle | null {
  const lists = new Map<RecordKind, Listed[]>(LISTED_KINDS.map((kind) => [kind, []]));
  let shoot: Listed | null = null;
  for (const record of records)
    if (record.kind === "shoot") shoot = record.id === shootId ? record : shoot;
    else lists.get(record.kind)?.push(record);
  if (!shoot) return null;
  const idsOf = (kind: RecordKind) => new Set(lists.get(kind)!.map(({ id }) => id));
  const [wearers, scenes] = [idsOf("wearer"), idsOf("scene")];
  // Rigs from before deleting took along what belongs: of a wearer or scene that is not there any more.
  const rigs = lists.get("rig") as Listed<"rig">[];
  lists.set(
    "rig",
    rigs.filter(({ body }) => wearers.has(body.wearerId) && scenes.has(body.sceneId)),
  );
  const kit = lists.get("kitItem") as Listed<"kitItem">[];
  lists.set(
    "kitItem",
    kit.filter(({ body }) => body.shootId === null || body.shootId === shootId),
  );
  const named = LISTED_KINDS.map((kind) => {
    const sorted = inOrder(lists.get(kind)!);
    const old = before?.[LISTS[kind]] as readonly Listed[] | undefined;
    const isSame = old?.length === sorted.length && sorted.every((each, at) => each === old[at]);
    return [LISTS[kind], isSame ? old : sorted];
  });
  return { ...(Object.fromEntries(named) as Omit<ShootBundle, "shoot">), shoot: shoot as Stored<"shoot"> };
}

/** The shoot a record is of; null for the crew's own kit. */
export function shootOf(kind: RecordKind, id: string, body: RecordBodies[RecordKind]): string | null {
  return kind === "shoot" ? id : "shootId" in body ? body.shootId : null;
}
