import { type ChannelMeasurement, type Finding, type FindingKind, LIMITS, type RecordingMeasurement } from "../check";
import {
  directOverEchoDb,
  distanceByFallM,
  expectedBrightDb,
  expectedFallDbPerS,
  measuredBrightDb,
  type Expected,
  type TrackVoice,
} from "./expected";
import { USUAL_PITCH_HZ } from "../voice";
import { withCause } from "./causes";

/** Duller or brighter than the place's colour lets expect, dB: beyond what voices differ by. Estimate. */
const COLOUR_APART_DB = 7;
/** Phrases that die away at less than this share of what was expected have another reason than the plan. Estimate. */
const SLOWER = 0.6;
/** A device's own microphone is at least so many times farther than the one that was placed. Estimate. */
const FARTHER = 2.5;
/** Voice over noise so far under the plan speaks for another microphone, dB: beyond the plan's own uncertainty. */
const UNDER_PLAN_DB = 10;
/** Covers that take so much from the highs are missed when they are not heard, dB. Estimate. */
const COVERED_DB = 5;

/** Tracks fit better the other way round by so many octaves in all before they are called swapped. Estimate. */
const SWAPPED_OCTAVES = 0.5;

type Draft = Pick<Finding, "kind" | "severity" | "confidence" | "what"> & Partial<Finding>;

function wrongFormat({ format: wanted }: Expected, { format }: RecordingMeasurement): Draft[] {
  const isOtherRate = format.sampleRateHz !== wanted.sampleRateHz;
  const bits = format.bitsPerSample;
  const isFewer = bits !== null && bits < wanted.bitsPerSample;
  const isMore = bits !== null && bits > wanted.bitsPerSample;
  const isLossy = bits === null && format.encoding === "decoded";
  if (!isOtherRate && !isFewer && !isMore && !isLossy) return [];
  return [
    {
      kind: "wrongFormat",
      channel: null,
      severity: isOtherRate || isFewer || isLossy ? "warning" : "note",
      confidence: 1,
      what: {
        ...{ code: "finding.otherFormat", sampleRateHz: format.sampleRateHz, bits, isLossy },
        ...{ agreedHz: wanted.sampleRateHz, agreedBits: wanted.bitsPerSample },
      },
    },
  ];
}

interface Clues {
  /** Distance the echo speaks for, m; null where there is no room to tell by. */
  heardAtM: number | null;
  isFarther: boolean;
  /** How much less voice over noise there is than planned, dB. */
  underPlanDb: number | null;
  /** Brighter (positive) or duller than the place lets expect, dB. */
  brighterDb: number | null;
  coverDb: number;
}

function cluesOf({ dressed, room, plan }: Expected, channel: ChannelMeasurement): Clues {
  const fall = channel.decayDbPerS ?? null;
  const bright = measuredBrightDb(channel.colourDb);
  const { reverberationS, criticalDistanceM } = room ?? { reverberationS: null, criticalDistanceM: null };
  const isTold = dressed && fall !== null && reverberationS && criticalDistanceM && fall < LIMITS.roomyDbPerS;
  const heardAtM = isTold ? distanceByFallM(fall, reverberationS, criticalDistanceM) : null;
  return {
    heardAtM,
    isFarther: heardAtM !== null && heardAtM > FARTHER * dressed!.candidate.sound.distanceM,
    underPlanDb: channel.snrDb === null ? null : plan.snrDb - channel.snrDb,
    brighterDb: dressed && bright !== null ? bright - expectedBrightDb(dressed.candidate.colourDb) : null,
    coverDb: dressed ? -dressed.candidate.colourDb[5] : 0,
  };
}

/** Two of three clues: farther by its echo, far noisier than planned, and none of the covers' dullness. */
function ownMicrophone(expected: Expected, clues: Clues): Draft[] {
  const { heardAtM, isFarther, underPlanDb, brighterDb, coverDb } = clues;
  const isUnderPlan = underPlanDb !== null && underPlanDb > UNDER_PLAN_DB;
  const lacksCover = coverDb > COVERED_DB && brighterDb !== null && brighterDb > COLOUR_APART_DB;
  const clueCount = [isFarther, isUnderPlan, lacksCover].filter(Boolean).length;
  if (clueCount < 2) return [];
  const isOnlyRoom = isFarther && !Number.isFinite(heardAtM);
  return [
    {
      kind: "ownMicrophone",
      severity: "fault",
      confidence: clueCount > 2 ? 0.9 : 0.7,
      what: {
        ...{ code: "finding.otherMicrophone", heardAtM: isFarther && !isOnlyRoom ? heardAtM : null, isOnlyRoom },
        plannedM: expected.dressed?.candidate.sound.distanceM ?? 0,
        ...{ underPlanDb: isUnderPlan ? underPlanDb : null, lacksCover },
      },
    },
  ];
}

/** What a strong room has to do with what Scout forecast. */
function roomAgainstScout({ room, dressed }: Expected, channel: ChannelMeasurement, clues: Clues): Partial<Finding> {
  const fall = channel.decayDbPerS ?? null;
  if (!room || !dressed || fall === null) return {};
  if (room.reverberationS === null || room.criticalDistanceM === null)
    return { what: { code: "finding.openButRoomy", place: room.name, dbPerS: fall } };
  const { distanceM } = dressed.candidate.sound;
  const planned = expectedFallDbPerS(room.reverberationS, directOverEchoDb(distanceM, room.criticalDistanceM));
  const { name: place, reverberationS } = room;
  if (fall >= planned * SLOWER)
    return {
      what: { code: "finding.roomAsForecast", place, reverberationS, distanceM },
      advice: { code: "advice.clothNearer" },
    };
  if (fall < (60 / reverberationS) * SLOWER)
    return {
      what: { code: "finding.longerReverberation", place, reverberationS },
      ...(!room.isProved && { advice: { code: "advice.clapThere" } }),
    };
  const heardAtM = clues.heardAtM !== null && Number.isFinite(clues.heardAtM) ? clues.heardAtM : null;
  return {
    what: { code: "finding.moreRoom", place, reverberationS, heardAtM, plannedM: distanceM },
    advice: { code: "advice.lookAtMicrophone" },
  };
}

/** Dullness beside what cloth and place let expect. */
function dullness(
  { dressed }: Expected,
  clues: Clues,
  isFound: boolean,
): { draft: Draft | null; words: Partial<Finding> } {
  const { brighterDb } = clues;
  if (!dressed || brighterDb === null) return { draft: null, words: {} };
  const planned = { site: dressed.candidate.site.name, takesDb: Math.max(0, clues.coverDb) };
  if (brighterDb < -COLOUR_APART_DB) {
    const what = { code: "finding.dullerThanPlanned", byDb: -brighterDb, ...planned } as const;
    return isFound
      ? { draft: null, words: { what } }
      : { draft: { kind: "muffled", severity: "warning", confidence: 0.7, what }, words: {} };
  }
  if (!isFound || clues.coverDb < COVERED_DB) return { draft: null, words: {} };
  return {
    draft: null,
    words: {
      severity: "note",
      what: { code: "finding.dullAsPlanned", ...planned },
      advice: { code: "advice.brightCap" },
    },
  };
}

function turnedAway({ dressed }: Expected): Partial<Finding> {
  if (!dressed) return {};
  const { swingDb, site } = dressed.candidate;
  return { what: { code: "finding.levelSwings", site: site.name, swingDb } };
}

const pitchOf = ({ voice, pitchHz }: TrackVoice): number | null =>
  pitchHz ?? (voice === "unknown" ? null : USUAL_PITCH_HZ[voice]);

/** Tracks whose voices fit each other's wearers better than their own, by pitch. */
function swapped(expected: Expected, channels: readonly ChannelMeasurement[], own: ChannelMeasurement): Draft[] {
  const wanted = expected.tracks[own.index];
  const wantedHz = wanted && pitchOf(wanted);
  const isHz = own.pitchHz;
  if (!wantedHz || !isHz) return [];
  const apart = (one: number, other: number) => Math.abs(Math.log2(one / other));
  let best: { other: number; name: string; gain: number } | null = null;
  for (const channel of channels) {
    const voice = expected.tracks[channel.index];
    const hz = voice && pitchOf(voice);
    if (channel.index === own.index || !hz || !channel.pitchHz) continue;
    const gain =
      apart(isHz, wantedHz) + apart(channel.pitchHz, hz) - apart(isHz, hz) - apart(channel.pitchHz, wantedHz);
    if (gain > SWAPPED_OCTAVES && gain > (best?.gain ?? 0)) best = { other: channel.index, name: voice.name, gain };
  }
  if (!best) return [];
  return [
    {
      kind: "swapped",
      severity: "fault",
      otherChannel: best.other,
      confidence: Math.min(0.95, 0.6 + best.gain / 3),
      what: {
        ...{ code: "finding.swapped", pitchHz: isHz, holds: best.name, otherTrack: best.other, wanted: wanted.name },
      },
    },
  ];
}

/**
 * What was found on one channel and on the file, seen with what was planned for it: what only the plan shows is added, what the
 * plan explains says so, and each finding names its likely cause in this wearer's chain.
 */
export function findingsAgainstPlan(
  expected: Expected,
  measurement: RecordingMeasurement,
  channelIndex: number,
): Finding[] {
  const channel = measurement.channels[channelIndex] ?? measurement.channels[0]!;
  const own = measurement.findings.filter((finding) => finding.channel === null || finding.channel === channel.index);
  const kinds = new Set(own.map(({ kind }) => kind));
  const clues = cluesOf(expected, channel);
  const dull = dullness(expected, clues, kinds.has("muffled"));
  const words: Partial<Record<FindingKind, Partial<Finding>>> = {
    ...(kinds.has("roomy") && { roomy: roomAgainstScout(expected, channel, clues) }),
    ...(kinds.has("headTurn") && { headTurn: turnedAway(expected) }),
    muffled: dull.words,
  };
  const drafts = kinds.has("silent")
    ? wrongFormat(expected, measurement)
    : [
        ...wrongFormat(expected, measurement),
        ...ownMicrophone(expected, clues),
        ...swapped(expected, measurement.channels, channel),
        ...(dull.draft ? [dull.draft] : []),
      ];
  const added = drafts.map((draft): Finding => ({
    channel: channel.index,
    startS: 0,
    endS: measurement.format.durationS,
    ...draft,
  }));
  return [...own.map((finding): Finding => ({ ...finding, ...words[finding.kind] })), ...added].map((finding) =>
    withCause(finding, expected),
  );
}
