import * as Type from "@sinclair/typebox";
import { storedMessage, type Message, type StoredCatalogue } from "../message";
import type { CauseCatalogue } from "./causes";
import type { FindingKind } from "./kinds";

const Figure = Type.Number({ minimum: -1e6, maximum: 1e9 });
const Level = Type.Number({ minimum: -1000, maximum: 1000 });
const Count = Type.Integer({ minimum: 0 });
const Track = Type.Integer({ minimum: 0, maximum: 63 });
const Name = Type.String({ maxLength: 200 });
const Text = Type.String({ maxLength: 400 });
const maybe = <Schema extends Type.TSchema>(schema: Schema) => Type.Union([schema, Type.Null()]);

/** What a finding says beyond its kind: figures in dB, Hz, s, metres; channels from 0. */
const WHAT = {
  "finding.clippedAt": { runs: Count },
  "finding.flatTops": { peakDbfs: Level },
  "finding.overFullScale": { overDb: Level },
  "finding.overCeiling": { peakDbfs: Level, ceilingDbfs: Level },
  "finding.lowPeaks": { peakDbfs: Level },
  "finding.littleOverNoise": { snrDb: Level },
  "finding.offCentre": { percent: Figure },
  "finding.hum": { mainsHz: Figure, lines: Count, underVoiceDb: Level },
  "finding.whine": { nearHz: Figure, underVoiceDb: Level },
  "finding.bandEnds": { atHz: Figure },
  "finding.hiss": { underVoiceDb: Level },
  /** Null: by too little for a figure. */
  "finding.noiseRises": { byDb: maybe(Level) },
  "finding.lowsCut": {},
  "finding.crowdedPeaks": { percent: Figure },
  "finding.slowDecay": { dbPerS: Figure },
  "finding.sharpS": { overDb: Level },
  "finding.dull": { underDb: Level },
  /** Over the voice's middle; negative: under it. */
  "finding.boom": { overDb: Level, isHighVoice: Type.Boolean() },
  "finding.nothingRecorded": {},
  "finding.stopsEarly": { missingS: Figure },
  "finding.brokenSamples": { samples: Count },
  "finding.sameSound": { one: Track, other: Track, apartDb: Level },
  "finding.oppositePolarity": { one: Track, other: Track },
  "finding.comesLate": { late: Track, early: Track, byMs: Figure },
  "finding.otherFormat": {
    sampleRateHz: Figure,
    bits: maybe(Count),
    isLossy: Type.Boolean(),
    agreedHz: Figure,
    agreedBits: Count,
  },
  /** Clues that this is not the microphone that was placed; null and false: not one of them. */
  "finding.otherMicrophone": {
    heardAtM: maybe(Figure),
    isOnlyRoom: Type.Boolean(),
    plannedM: Figure,
    underPlanDb: maybe(Level),
    lacksCover: Type.Boolean(),
  },
  "finding.openButRoomy": { place: Name, dbPerS: Figure },
  "finding.roomAsForecast": { place: Name, reverberationS: Figure, distanceM: Figure },
  "finding.longerReverberation": { place: Name, reverberationS: Figure },
  /** Null: farther than can be told. */
  "finding.moreRoom": { place: Name, reverberationS: Figure, heardAtM: maybe(Figure), plannedM: Figure },
  "finding.dullerThanPlanned": { byDb: Level, site: Name, takesDb: Level },
  "finding.dullAsPlanned": { site: Name, takesDb: Level },
  "finding.levelSwings": { site: Name, swingDb: Level },
  "finding.swapped": { pitchHz: Figure, holds: Name, otherTrack: Track, wanted: Name },
  /** As it was said by a release before. */
  "finding.asWritten": { text: Text },
} as const;

/** What to do beyond what its kind asks for. */
const ADVICE = {
  "advice.turnDown": { byDb: Level },
  "advice.clothNearer": {},
  "advice.clapThere": {},
  "advice.lookAtMicrophone": {},
  "advice.brightCap": {},
  "advice.asWritten": { text: Text },
} as const;

export const FindingWhat = storedMessage(WHAT);
export type FindingWhat = Type.Static<typeof FindingWhat>;
export const FindingAdvice = storedMessage(ADVICE);
export type FindingAdvice = Type.Static<typeof FindingAdvice>;

/** What is said of kinds of findings: their name, how they sound, and what to do whatever the chain. */
type KindCatalogue = {
  "kind.name": { kind: FindingKind };
  "kind.sounds": { kind: FindingKind };
  "kind.advice": { kind: FindingKind };
};

export type CheckCatalogue = CauseCatalogue &
  StoredCatalogue<typeof WHAT> &
  StoredCatalogue<typeof ADVICE> &
  KindCatalogue;
export type CheckMessage = Message<CheckCatalogue>;
