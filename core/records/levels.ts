import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Lav } from "../devices";
import { Dynamics, SCHOOLS } from "../chain";
import { oneOf } from "../schema";
import { CEILING_RANGE_DBFS, TARGET_RANGE_DBFS } from "./bounds";
import { Id, strict } from "./fields";

/** One control of a device and what it is set to; empty where there is nothing to read. */
export const SetTo = Type.Object(
  {
    control: Type.String({ minLength: 1, maxLength: 60 }),
    value: Type.String({ maxLength: 200 }),
  },
  strict,
);
export type SetTo = Static<typeof SetTo>;

/** What is set, and decided, at one way from a voice to the file. */
export const LevelLine = Type.Object(
  {
    /** A rig, a link that nobody wears, or a placed microphone: see `core/planning/levels`. */
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
    /** Devices that are set, by their id on the way, and what each control of them is set to. */
    ticks: Type.Array(
      Type.Object(
        {
          device: Type.String({ minLength: 1, maxLength: 60 }),
          holdsFor: Type.Array(SetTo, { maxItems: 40 }),
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
