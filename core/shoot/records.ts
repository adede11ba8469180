import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Lav } from "../chain/devices";
import { Dynamics } from "../chain/dynamics";
import { SCHOOLS } from "../chain/schools";
import { AnyKitFigures, KIT_KINDS } from "../connect/kitItems";
import { PACK_PLACE_IDS } from "../body/cableRoute";
import { Aims } from "../dress/aims";
import { Choice } from "../dress/choice";
import { INTRUSIONS, Outfit, Performance, Person } from "../dress/outfit";
import { PickupSetup, PickupWishes } from "../pickup/setup";
import { Rehearsal } from "../rehearsal/rehearsal";
import { STEP_IDS } from "../rehearsal/steps";
import { FILE_LIMITS } from "../media/soundFormat";
import { Battery } from "../power/cells";
import { PlaceModel } from "../room/placeModel";
import { ClockTime } from "../schedule/clockTime";
import { oneOf } from "../schema/oneOf";
import { MeasurementBody, TakeDetailBody } from "../records/measurement";
import { RangeWish } from "../wireless/linkBudget";
import { AirPlan } from "../wireless/airPlan";
import { PackedScan } from "../wireless/packedScan";
import {
  CEILING_RANGE_DBFS,
  LENGTH_RANGE_MIN,
  TAKE_RANGE_MIN,
  TARGET_RANGE_DBFS,
  THREADS,
  VOICE_RANGE_DB,
} from "./bounds";

export { MeasurementBody, TakeDetailBody } from "../records/measurement";

const strict = { additionalProperties: false } as const;
const Id = Type.String({ format: "uuid" });
const NullableId = Type.Union([Id, Type.Null()]);
/** Some text that is not only blanks. */
const Name = (title: string) => Type.String({ title, minLength: 1, maxLength: 120, pattern: "\\S" });

export const FRAME_RATES = [23.976, 24, 25, 29.97, 30, 48, 50, 59.94, 60] as const;
export const SAMPLE_RATES_HZ = [44100, 48000, 88200, 96000] as const;
export const BIT_DEPTHS = [16, 24, 32] as const;

export const ShootBody = Type.Object(
  {
    title: Name("Title"),
    firstDay: Type.String({ title: "First day", format: "date" }),
    days: Type.Integer({ title: "Days", minimum: 1, maximum: 365 }),
    units: oneOf(["metric", "imperial"], "Units"),
    frameRate: oneOf(FRAME_RATES, "Frame rate"),
    delivery: oneOf(["picture", "radio", "own"], "Delivery"),
    sampleRateHz: oneOf(SAMPLE_RATES_HZ, "Sample rate"),
    bitsPerSample: oneOf(BIT_DEPTHS, "Bits"),
  },
  strict,
);
export type ShootBody = Static<typeof ShootBody>;

/** What a delivery asks for. Common practice. */
export const DELIVERY_FORMATS = {
  picture: { sampleRateHz: 48000, bitsPerSample: 24 },
  radio: { sampleRateHz: 44100, bitsPerSample: 16 },
} as const;

export const PlaceBody = Type.Object({ shootId: Id, name: Name("Place"), model: PlaceModel }, strict);
export type PlaceBody = Static<typeof PlaceBody>;

export const SceneBody = Type.Object(
  {
    shootId: Id,
    title: Name("Scene"),
    placeId: NullableId,
    /** Day of the shoot, from 1. */
    day: Type.Integer({ title: "Day", minimum: 1, maximum: 365 }),
    /** When the camera rolls, 24 hours, "HH:MM". */
    startsAt: ClockTime("Starts at"),
    /** Sound that is wanted clean, and the longest take of it, min. */
    lengthMin: Type.Number({ title: "Length", unit: "min", ...LENGTH_RANGE_MIN }),
    takeMin: Type.Number({ title: "Longest take", unit: "min", ...TAKE_RANGE_MIN }),
  },
  strict,
);
export type SceneBody = Static<typeof SceneBody>;

export const WearerBody = Type.Object(
  {
    shootId: Id,
    name: Name("Name"),
    ...Person.properties,
    voiceOffsetDb: Type.Number({ title: "Voice", ...VOICE_RANGE_DB }),
    thread: Type.Integer({ minimum: 0, maximum: THREADS - 1 }),
    outfit: Outfit,
  },
  strict,
);
export type WearerBody = Static<typeof WearerBody>;

export const CONSENTS = ["notAsked", "yes", "self", "no"] as const;

/** What a person was told and answered, for one scene. */
export const Consent = Type.Object(
  {
    answer: oneOf(CONSENTS, "Consent"),
    /** Told what will be touched, and that the microphone is live. */
    isExplained: Type.Boolean({ title: "Explained" }),
    agreedTo: oneOf(INTRUSIONS, "Agreed to"),
    askedBy: Type.String({ title: "Asked by", maxLength: 80 }),
    askedAt: Type.String({ title: "Asked at", maxLength: 40 }),
  },
  strict,
);
export type Consent = Static<typeof Consent>;

/** One wearer in one scene: how they perform, where the microphone goes, through which devices, to which target. */
export const RigBody = Type.Object(
  {
    shootId: Id,
    wearerId: Id,
    sceneId: Id,
    performance: Performance,
    /** What is worn in this scene where it differs from what the wearer usually wears; null: nothing differs. */
    outfit: Type.Union([Outfit, Type.Null()]),
    aims: Aims,
    choice: Type.Union([Choice, Type.Null()]),
    packPlace: Type.Union([oneOf(PACK_PLACE_IDS, "Pack"), Type.Null()]),
    isRigged: Type.Boolean(),
    consent: Consent,
    lavId: NullableId,
    packId: NullableId,
    receiverId: NullableId,
    inputId: NullableId,
    /** How much louder than usual they speak on this day, as measured; null: not measured. */
    voiceTodayDb: Type.Union([
      Type.Number({ title: "Voice today", unit: "dB", minimum: -40, maximum: 40 }),
      Type.Null(),
    ]),
    targetDbfs: Type.Number({ title: "Peaks at", ...TARGET_RANGE_DBFS }),
    ceilingDbfs: Type.Number({ title: "Never above", ...CEILING_RANGE_DBFS }),
  },
  strict,
);
export type RigBody = Static<typeof RigBody>;

export const KitItemBody = Type.Object(
  {
    /** Null: the crew's own, for every shoot; otherwise hired for this one. */
    shootId: NullableId,
    kind: oneOf(KIT_KINDS, "Kind"),
    name: Name("Device"),
    figures: AnyKitFigures,
  },
  strict,
);
export type KitItemBody = Static<typeof KitItemBody>;

/** Microphones of one scene that nobody wears: who talks where, what is placed where, what the picture allows. */
export const PickupBody = Type.Object({ shootId: Id, sceneId: Id, setup: PickupSetup, wishes: PickupWishes }, strict);
export type PickupBody = Static<typeof PickupBody>;

/** What a shoot does on the air; one for a shoot. */
export const AirBody = Type.Object(
  {
    shootId: Id,
    region: AirPlan.properties.region,
    rules: AirPlan.properties.rules,
    systems: AirPlan.properties.systems,
    links: AirPlan.properties.links,
    scan: Type.Union([PackedScan, Type.Null()]),
  },
  strict,
);
export type AirBody = Static<typeof AirBody>;

/** A step of the walk that is done: on the real devices, or rehearsed; and what it holds for. */
export const StepDone = Type.Object(
  {
    step: oneOf(STEP_IDS, "Step"),
    how: oneOf(["real", "rehearsed"], "How"),
    at: Type.String({ maxLength: 40 }),
    holdsFor: Type.String({ maxLength: 400 }),
  },
  strict,
);
export type StepDone = Static<typeof StepDone>;

/** How one link is connected and how far its pairing is. */
export const ConnectionBody = Type.Object(
  {
    shootId: Id,
    linkId: Type.String({ minLength: 1, maxLength: 40 }),
    /** A generic one, an own one of the kit, or a way of not knowing. */
    sourceId: Type.String({ title: "From", minLength: 1, maxLength: 60 }),
    inputId: Type.String({ title: "Into", minLength: 1, maxLength: 60 }),
    steps: Type.Array(StepDone, { maxItems: STEP_IDS.length }),
    rehearsal: Type.Union([Rehearsal, Type.Null()]),
    /** How far it has to reach; null: across its place. */
    range: Type.Union([RangeWish, Type.Null()]),
  },
  strict,
);
export type ConnectionBody = Static<typeof ConnectionBody>;

/** What has gone into the bag, and what has come back; one for a shoot. */
export const PackingBody = Type.Object(
  {
    shootId: Id,
    lines: Type.Array(
      Type.Object(
        {
          key: Type.String({ minLength: 1, maxLength: 80 }),
          packed: Type.Integer({ title: "Packed", minimum: 0, maximum: 999 }),
          isBack: Type.Boolean({ title: "Back" }),
        },
        strict,
      ),
      { maxItems: 400 },
    ),
  },
  strict,
);
export type PackingBody = Static<typeof PackingBody>;

/** What a shoot has to record on and to run on, and how long is listened; one for a shoot. */
export const ProvisionBody = Type.Object(
  {
    shootId: Id,
    cardsGb: Type.Array(Type.Number({ title: "Card", unit: "GB", minimum: 0.1, maximum: 8000 }), { maxItems: 24 }),
    /** The size at which the recorder begins a new file. */
    fileLimit: Type.Optional(oneOf(FILE_LIMITS, "New file at")),
    hasFloat: Type.Boolean({ title: "The recorder writes 32-bit float" }),
    hasSafetyTracks: Type.Boolean({ title: "A safety track for each" }),
    temperatureC: Type.Number({ title: "Coldest hour", unit: "°C", minimum: -30, maximum: 50 }),
    packBattery: Battery,
    recorderBattery: Battery,
    /** The recorder hangs on mains wherever there is a roof. */
    hasMains: Type.Boolean({ title: "Mains at the recorder, indoors" }),
    /** Tracks that the recorder takes at once; null: nobody has said. */
    recorderTracks: Type.Union([
      Type.Integer({ title: "Tracks of the recorder", minimum: 1, maximum: 128 }),
      Type.Null(),
    ]),
    bankWh: Type.Union([Type.Number({ title: "Power bank", unit: "Wh", minimum: 1, maximum: 1000 }), Type.Null()]),
    listenDba: Type.Number({ title: "Headphones", unit: "dBA", minimum: 60, maximum: 120 }),
    listenHours: Type.Number({ title: "Listened", unit: "h", minimum: 0, maximum: 16 }),
  },
  strict,
);
export type ProvisionBody = Static<typeof ProvisionBody>;

/** What is set, and decided, at one way from a voice to the file. */
export const LevelLine = Type.Object(
  {
    /** A rig, a link that nobody wears, or a placed microphone: see `core/shoot/levels`. */
    subject: Type.String({ minLength: 1, maxLength: 80 }),
    /** Where a placed microphone goes; null: what is usual. */
    inputId: Type.Union([Type.String({ title: "Into", minLength: 1, maxLength: 60 }), Type.Null()]),
    /** Figures of a placed microphone from its data sheet; null: typical of its kind. */
    mic: Type.Union([
      Type.Object(
        {
          sensitivityMvPerPa: Lav.properties.sensitivityMvPerPa,
          selfNoiseDba: Lav.properties.selfNoiseDba,
          maxSplDb: Lav.properties.maxSplDb,
        },
        strict,
      ),
      Type.Null(),
    ]),
    /** Null: as is usual, −12 and −6. */
    targets: Type.Union([
      Type.Object(
        {
          targetDbfs: Type.Number({ title: "Peaks at", ...TARGET_RANGE_DBFS }),
          ceilingDbfs: Type.Number({ title: "Never above", ...CEILING_RANGE_DBFS }),
        },
        strict,
      ),
      Type.Null(),
    ]),
    /** Knobs that stay where somebody has put them. */
    held: Type.Array(
      Type.Object(
        {
          stage: Type.String({ minLength: 1, maxLength: 40 }),
          valueDb: Type.Number({ unit: "dB", minimum: -200, maximum: 200 }),
        },
        strict,
      ),
      { maxItems: 12 },
    ),
    /** Devices that are set, and to what. */
    ticks: Type.Array(
      Type.Object(
        {
          device: Type.String({ minLength: 1, maxLength: 160 }),
          holdsFor: Type.String({ maxLength: 2000 }),
          at: Type.String({ maxLength: 40 }),
        },
        strict,
      ),
      { maxItems: 16 },
    ),
    /** Null: levels are left alone while recording. */
    dynamics: Type.Union([Dynamics, Type.Null()]),
  },
  strict,
);
export type LevelLine = Static<typeof LevelLine>;

/** How a shoot sets its levels; one for a shoot. */
export const LevelsBody = Type.Object(
  {
    shootId: Id,
    school: oneOf(SCHOOLS, "Where the voice should be"),
    /** Where the meter at hand begins. */
    meterBottomDbfs: Type.Number({ title: "The meter begins at", unit: "dBFS", minimum: -90, maximum: -20 }),
    lines: Type.Array(LevelLine, { maxItems: 400 }),
  },
  strict,
);
export type LevelsBody = Static<typeof LevelsBody>;

/** Bodies of everything that is stored, by kind. */
export const RECORD_SCHEMAS = {
  shoot: ShootBody,
  place: PlaceBody,
  scene: SceneBody,
  wearer: WearerBody,
  rig: RigBody,
  kitItem: KitItemBody,
  measurement: MeasurementBody,
  takeDetail: TakeDetailBody,
  pickup: PickupBody,
  air: AirBody,
  connection: ConnectionBody,
  packing: PackingBody,
  provision: ProvisionBody,
  levels: LevelsBody,
} as const;

export type RecordKind = keyof typeof RECORD_SCHEMAS;

export interface RecordBodies {
  shoot: ShootBody;
  place: PlaceBody;
  scene: SceneBody;
  wearer: WearerBody;
  rig: RigBody;
  kitItem: KitItemBody;
  measurement: MeasurementBody;
  takeDetail: TakeDetailBody;
  pickup: PickupBody;
  air: AirBody;
  connection: ConnectionBody;
  packing: PackingBody;
  provision: ProvisionBody;
  levels: LevelsBody;
}

/** A stored record: its body, and the version that a change must name. */
export interface Stored<Kind extends RecordKind> {
  id: string;
  version: number;
  /** ISO time of the last change. */
  changedAt: string;
  body: RecordBodies[Kind];
}

/** Everything of one shoot that the screens compute from. */
export interface ShootBundle {
  shoot: Stored<"shoot">;
  places: Stored<"place">[];
  scenes: Stored<"scene">[];
  wearers: Stored<"wearer">[];
  rigs: Stored<"rig">[];
  kit: Stored<"kitItem">[];
  measurements: Stored<"measurement">[];
  pickups: Stored<"pickup">[];
  airs: Stored<"air">[];
  connections: Stored<"connection">[];
  packings: Stored<"packing">[];
  provisions: Stored<"provision">[];
  levels: Stored<"levels">[];
}
