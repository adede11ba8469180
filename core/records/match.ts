import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { Id, strict } from "./fields";

/** A day, s: nothing that belongs together is longer, or further apart. */
const DAY_S = 86_400;
/** Two of the longest, each letter of four bytes, still fit into one entry of the database's index. */
const Path = (title: string) => Type.String({ title, minLength: 1, maxLength: 300 });
const Length = (title: string) => Type.Number({ title, unit: "s", minimum: 0, maximum: DAY_S });
const Apart = (title: string) => Type.Number({ title, unit: "s", minimum: -DAY_S, maximum: DAY_S });

/** A picture file and the sound file that belongs to it; the files themselves stay where they are. */
export const MatchBody = Type.Object(
  {
    shootId: Id,
    /** Where it lay in what was dropped: names alone are the same on several cards. */
    picture: Path("Picture"),
    pictureS: Length("Picture length"),
    sound: Path("Sound"),
    soundS: Length("Sound length"),
    sampleRateHz: Type.Integer({ title: "Sample rate", unit: "Hz", minimum: 0, maximum: 384_000 }),
    /** Of the day by the recorder's clock, s; null where the file says nothing. */
    soundStartS: Type.Union([Length("Sound start"), Type.Null()]),
    /** Time in the sound file at the picture's first frame, as it was found. */
    offsetS: Apart("Offset"),
    /** What a person added to it by hand. */
    nudgeS: Apart("Nudge"),
    /** By how much the recorder's clock runs fast, parts of a million; null where both ran too short to tell. */
    driftPpm: Type.Union([Type.Number({ title: "Drift", unit: "ppm", minimum: -1000, maximum: 1000 }), Type.Null()]),
    confidence: Type.Number({ title: "Confidence", minimum: 0, maximum: 1 }),
    isInverted: Type.Boolean(),
    /** What it was found by: its sound, or a clap that somebody has seen and heard. */
    by: oneOf(["sound", "clap"] as const, "Found by"),
  },
  strict,
);
export type MatchBody = Static<typeof MatchBody>;
