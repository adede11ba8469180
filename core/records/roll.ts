import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { RATINGS, TAKE_TYPES } from "../roll";
import { oneOf } from "../schema";
import { ContentHash } from "./audioFile";
import { Id, NullableId, strict } from "./fields";

/** An instant, ISO 8601 in UTC with milliseconds. */
const Instant = Type.String({
  maxLength: 24,
  pattern: "^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}\\.\\d{3}Z$",
});
/** Longer than any recorder runs at one go, s. */
const LONGEST_S = 172_800;
const Seconds = (title: string) => Type.Number({ title, unit: "s", minimum: 0, maximum: LONGEST_S });

/** A track as it was planned when the recorder was started. */
export const RollTrack = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 60 }),
    name: Type.String({ title: "Track", maxLength: 120 }),
    wearerId: NullableId,
  },
  strict,
);
export type RollTrack = Static<typeof RollTrack>;

/** A file of the card that belongs to a take. */
export const RollFile = Type.Object(
  {
    name: Type.String({ title: "File", minLength: 1, maxLength: 1024 }),
    lengthS: Seconds("Length"),
    hash: Type.Union([ContentHash, Type.Null()]),
    /** Nothing else explained log and card as well, or somebody has said so. */
    isSure: Type.Boolean(),
  },
  strict,
);
export type RollFile = Static<typeof RollFile>;

export const LONGEST_SLATE = 40;

/** One start and stop of the recorder, as it was logged. */
export const RollBody = Type.Object(
  {
    shootId: Id,
    /** Null: in no scene, such as room tone of a place. */
    sceneId: NullableId,
    day: Type.Integer({ title: "Day", minimum: 1, maximum: 365 }),
    slate: Type.String({ title: "Slate", maxLength: LONGEST_SLATE }),
    take: Type.Integer({ title: "Take", minimum: 1, maximum: 9999 }),
    type: oneOf(TAKE_TYPES, "Type"),
    rating: oneOf(RATINGS, "Rating"),
    startedAt: Instant,
    /** Minutes that the clock on the wall was ahead of UTC. */
    zoneMin: Type.Integer({ minimum: -900, maximum: 900 }),
    /** Null while it runs, and where nobody saw its end. */
    lengthS: Type.Union([Seconds("Length"), Type.Null()]),
    fileName: Type.String({ title: "File name", maxLength: 200 }),
    tracks: Type.Array(RollTrack, { maxItems: 64 }),
    note: Type.String({ title: "Note", maxLength: 2000 }),
    /** What the recorder showed, and how long the log had run by then, s. */
    counter: Type.Union([Type.Object({ showsS: Seconds("Recorder shows"), atS: Seconds("At") }, strict), Type.Null()]),
    /** The device that logged it. */
    device: Type.String({ maxLength: 60 }),
    files: Type.Array(RollFile, { maxItems: 60 }),
  },
  strict,
);
export type RollBody = Static<typeof RollBody>;

export const MARK_SOURCES = ["pressed", "slate", "heard"] as const;

/** Something noted at a moment of a take. */
export const MarkBody = Type.Object(
  {
    shootId: Id,
    rollId: Id,
    /** Seconds after the start of the take. */
    atS: Seconds("At"),
    /** One of ours, or a name that somebody has given. */
    kind: Type.String({ title: "Kind", minLength: 1, maxLength: 60 }),
    /** The track it is on; null: all. */
    trackId: Type.Union([Type.String({ maxLength: 60 }), Type.Null()]),
    note: Type.String({ title: "Note", maxLength: 500 }),
    source: oneOf(MARK_SOURCES, "Source"),
    /** Heard by the program, and taken by nobody yet. */
    isProposal: Type.Boolean(),
  },
  strict,
);
export type MarkBody = Static<typeof MarkBody>;

/** How takes are named and marked in a shoot; one for a shoot. */
export const RollSetupBody = Type.Object(
  {
    shootId: Id,
    scheme: Type.String({ title: "Naming scheme", minLength: 1, maxLength: 120 }),
    /** The number that the recorder gives next. */
    counter: Type.Integer({ title: "Next number", minimum: 0, maximum: 999_999 }),
    ownKinds: Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 40, uniqueItems: true }),
  },
  strict,
);
export type RollSetupBody = Static<typeof RollSetupBody>;
