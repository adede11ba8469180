import {
  type ChannelMeasurement,
  type Finding,
  type FindingKind,
  type RecordingMeasurement,
  voicesPeakDb,
} from "../check";
import { LEVEL_UNCERTAINTY_DB, type LevelPlan, NOISE_UNCERTAINTY_DB } from "../chain";
import { correctLevel, correctionSentence, type Correction, type Planned } from "./correction";

export type VerdictGrade = "good" | "usable" | "redo";

/** A planned figure beside the proved one. */
export interface Comparison {
  what: string;
  unit: string;
  /** From softest to loudest line where a range is planned; both alike where it is one figure. */
  planned: readonly [low: number, high: number];
  uncertainty: number;
  proved: number | null;
  /** How far proved lies outside the planned range; 0 inside it. */
  difference: number | null;
  isAsPlanned: boolean;
}

export interface Verdict {
  grade: VerdictGrade;
  channel: number;
  sentence: string;
  correction: Correction;
  correctionSays: string;
  comparisons: readonly Comparison[];
}

/** What a take comes to by the worst that was found in it, worst first. */
const SENTENCES: Record<FindingKind, string> = {
  silent: "Nothing was recorded: find the break before anything else.",
  clipped: "The loud syllables are clipped: record it again, turned down.",
  overloadedEarlier: "Something before the recorder overloads: record it again with the pack less sensitive.",
  brokenSamples: "The file is damaged: export or copy it again.",
  dropout: "The radio drops out: mend the link and record it again.",
  radioNoise: "The radio bursts into noise: mend the link and record it again.",
  gap: "Samples are missing: record it again with nothing else running.",
  repeated: "Blocks come twice: the clocks or the computer lost their place.",
  swapped: "The tracks are swapped: each holds the other voice.",
  noisy: "The voice does not stand clear of the noise.",
  ownMicrophone: "This may be the device's own microphone, not the one that was placed.",
  rustle: "Cloth rustles over words: dress it anew and record it again.",
  wind: "Wind is in it: cover the capsule and record it again.",
  hum: "There is hum under the voice.",
  hiss: "There is hiss under the voice.",
  roomy: "The room is too strong: come closer.",
  pumping: "An automatic gain is at work: set the gain by hand.",
  muffled: "The voice is muffled: something lies over the capsule.",
  knock: "Knocks are in it: free the lead and the mount.",
  plosive: "Pops are in it: turn the capsule out of the breath.",
  headTurn: "The voice turns away from the microphone at times.",
  limited: "A limiter works all the time: lower the pack's sensitivity.",
  inverted: "Two microphones are of opposite polarity.",
  linked: "Two channels hold the same sound.",
  tooHot: "Usable, but it runs hot: a louder line would clip.",
  overFullScale: "Peaks pass full scale; the float file keeps them, but turn it down.",
  tooLow: "Clean but low: it will need lifting in the edit, noise and all.",
  boomy: "The voice is boomy: a shelf in the edit thins it.",
  sibilant: "S sounds are sharp: the edit can tame them.",
  wrongFormat: "Good, but not in the format agreed.",
  cutShort: "What is there is good, but the file is cut short.",
  delayed: "Good; one microphone comes later than another.",
  breath: "Good; breaths are heard before phrases.",
  dcOffset: "Good; the wave sits off centre, a low cut cures it.",
  lowCut: "Good; the lows are cut already.",
};
const WORST_FIRST = Object.keys(SENTENCES) as FindingKind[];

/** The channel a lone microphone is most likely on: the one with the highest speech level. */
export function likelyChannel(measurement: RecordingMeasurement): number {
  return measurement.channels.reduce(
    (best, channel) => ((channel.speechLevelDbfs ?? -Infinity) > (best.speechLevelDbfs ?? -Infinity) ? channel : best),
    measurement.channels[0]!,
  ).index;
}

function compare(
  what: string,
  unit: string,
  planned: readonly [low: number, high: number],
  uncertainty: number,
  proved: number | null,
): Comparison {
  const [low, high] = planned;
  const difference = proved === null ? null : proved - Math.min(high, Math.max(low, proved));
  return {
    what,
    unit,
    planned,
    uncertainty,
    proved,
    difference,
    isAsPlanned: difference !== null && Math.abs(difference) <= uncertainty,
  };
}

function comparisonsOf(plan: LevelPlan, channel: ChannelMeasurement): Comparison[] {
  const peakDb = voicesPeakDb(channel.voicePeakDbfs, channel.samplePeakDbfs, channel.truePeakDbtp);
  const overNoise = [plan.softestDbfs - plan.noiseDbfs, plan.loudestDbfs - plan.noiseDbfs] as const;
  return [
    compare("Loudest peaks", "dBFS", [plan.peakDbfs, plan.peakDbfs], LEVEL_UNCERTAINTY_DB, peakDb),
    compare(
      "Speech level",
      "dBFS",
      [plan.softestDbfs, plan.loudestDbfs],
      LEVEL_UNCERTAINTY_DB,
      channel.speechLevelDbfs,
    ),
    compare("Noise floor", "dBFS", [plan.noiseDbfs, plan.noiseDbfs], NOISE_UNCERTAINTY_DB, channel.noiseFloorDbfs),
    compare("Speech over noise", "dB", overNoise, NOISE_UNCERTAINTY_DB, channel.snrDb),
  ];
}

/** Redo for any fault, usable for any warning, else good. */
export function gradeOf(findings: readonly Finding[]): VerdictGrade {
  if (findings.some((finding) => finding.severity === "fault")) return "redo";
  return findings.some((finding) => finding.severity === "warning") ? "usable" : "good";
}

/** The kind that matters most among some findings; null when there are none. */
export function worstOf(findings: readonly Finding[]): FindingKind | null {
  const kinds = new Set(findings.map((finding) => finding.kind));
  return WORST_FIRST.find((kind) => kinds.has(kind)) ?? null;
}

/** Judges one channel of a recording against what was planned for it; by its own findings, or by those handed in. */
export function provePlan(
  planned: Planned,
  plan: LevelPlan,
  measurement: RecordingMeasurement,
  channelIndex: number,
  judged?: readonly Finding[],
): Verdict {
  const channel = measurement.channels[channelIndex] ?? measurement.channels[0]!;
  const findings =
    judged ?? measurement.findings.filter((finding) => finding.channel === null || finding.channel === channel.index);
  const kinds = new Set(findings.map((finding) => finding.kind));
  const worst = worstOf(findings);
  const correction = correctLevel(planned, plan, channel, kinds);
  return {
    grade: gradeOf(findings),
    channel: channel.index,
    sentence: worst ? SENTENCES[worst] : "A good recording: clean, and clear of the noise.",
    correction,
    correctionSays: correctionSentence(correction),
    comparisons: comparisonsOf(plan, channel),
  };
}
