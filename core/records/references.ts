import type { RecordKind } from "./records";

/** Fields that name other records of the same shoot; kit may also be the crew's own. */
export const REFERENCES = {
  shoot: {},
  place: { shootId: "shoot" },
  scene: { shootId: "shoot", placeId: "place" },
  wearer: { shootId: "shoot" },
  rig: {
    shootId: "shoot",
    wearerId: "wearer",
    sceneId: "scene",
    lavId: "kitItem",
    packId: "kitItem",
    receiverId: "kitItem",
    inputId: "kitItem",
  },
  kitItem: { shootId: "shoot" },
  measurement: { shootId: "shoot", rigId: "rig" },
  takeDetail: { shootId: "shoot", measurementId: "measurement" },
  pickup: { shootId: "shoot", sceneId: "scene" },
  air: { shootId: "shoot" },
  connection: { shootId: "shoot" },
  packing: { shootId: "shoot" },
  provision: { shootId: "shoot" },
  levels: { shootId: "shoot" },
  roll: { shootId: "shoot", sceneId: "scene" },
  mark: { shootId: "shoot", rollId: "roll" },
  rollSetup: { shootId: "shoot" },
  match: { shootId: "shoot" },
  delivery: { shootId: "shoot" },
} as const satisfies Record<RecordKind, Readonly<Record<string, RecordKind>>>;

/**
 * What goes, and comes back, with what it belongs to: the field that names its owner. What merely uses another record stays,
 * with a reference to something that is not there any more.
 */
export const BELONGS: Partial<Record<RecordKind, readonly string[]>> = {
  rig: ["wearerId", "sceneId"],
  pickup: ["sceneId"],
  measurement: ["rigId"],
  takeDetail: ["measurementId"],
  mark: ["rollId"],
};

/** Kinds that belong to one of this kind, with the field that says to which. */
export function belongings(kind: RecordKind): { kind: RecordKind; field: string }[] {
  return (Object.entries(BELONGS) as [RecordKind, readonly string[]][]).flatMap(([child, fields]) =>
    fields
      .filter((field) => (REFERENCES[child] as Readonly<Record<string, RecordKind>>)[field] === kind)
      .map((field) => ({ kind: child, field })),
  );
}

/** Fields of which no two records that are there may have the same values. */
export const ONE_FOR: Partial<Record<RecordKind, readonly string[]>> = {
  air: ["shootId"],
  levels: ["shootId"],
  packing: ["shootId"],
  provision: ["shootId"],
  rig: ["wearerId", "sceneId"],
  pickup: ["sceneId"],
  connection: ["shootId", "linkId"],
  takeDetail: ["measurementId"],
  rollSetup: ["shootId"],
  match: ["shootId", "picture", "sound"],
  delivery: ["shootId", "day"],
};
