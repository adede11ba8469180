import {
  type ChannelMeasurement,
  type Finding,
  type FindingKind,
  type RecordingMeasurement,
  voicesPeakDb,
} from "../check";
import { LEVEL_UNCERTAINTY_DB, type LevelPlan, NOISE_UNCERTAINTY_DB } from "../chain";
import { correctLevel, type Correction, type Planned } from "./correction";

export type VerdictGrade = "good" | "usable" | "redo";

/** What is compared: levels in dBFS, the last in dB. */
export type ComparedFigure = "peaks" | "speech" | "noise" | "overNoise";

/** A planned figure beside the proved one. */
export interface Comparison {
  what: ComparedFigure;
  unit: string;
  /** From softest to loudest line where a range is planned; both alike where it is one figure. */
  planned: readonly [low: number, high: number];
  uncertainty: number;
  proved: number | null;
  /** How far proved lies outside the planned range; 0 inside it. */
  difference: number | null;
  isAsPlanned: boolean;
}

export interface Assessment {
  grade: VerdictGrade;
  channel: number;
  /** What matters most of what was found; null: nothing. */
  worst: FindingKind | null;
  correction: Correction;
  comparisons: readonly Comparison[];
}

/** Kinds of findings by what a take comes to by them, worst first. Common practice. */
const WORST_FIRST: readonly FindingKind[] = [
  "silent",
  "clipped",
  "overloadedEarlier",
  "brokenSamples",
  "noSpeech",
  "contactLost",
  "dropout",
  "radioNoise",
  "gap",
  "repeated",
  "crackle",
  "buzz",
  "swapped",
  // A fault with a cure of its own leads, before the noise it adds to.
  "hum",
  "whine",
  "noisy",
  "narrowBand",
  "ownMicrophone",
  "rustle",
  "wind",
  "hiss",
  "roomy",
  "pumping",
  "muffled",
  "knock",
  "click",
  "plosive",
  "headTurn",
  "limited",
  "inverted",
  "linked",
  "tooHot",
  "overFullScale",
  "tooLow",
  "boomy",
  "sibilant",
  "wrongFormat",
  "cutShort",
  "delayed",
  "breath",
  "dcOffset",
  "lowCut",
];

/** The channel a lone microphone is most likely on: the one with the highest speech level. */
export function likelyChannel(measurement: RecordingMeasurement): number {
  return measurement.channels.reduce(
    (best, channel) => ((channel.speechLevelDbfs ?? -Infinity) > (best.speechLevelDbfs ?? -Infinity) ? channel : best),
    measurement.channels[0]!,
  ).index;
}

function compare(
  what: ComparedFigure,
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
    compare("peaks", "dBFS", [plan.peakDbfs, plan.peakDbfs], LEVEL_UNCERTAINTY_DB, peakDb),
    compare("speech", "dBFS", [plan.softestDbfs, plan.loudestDbfs], LEVEL_UNCERTAINTY_DB, channel.speechLevelDbfs),
    compare("noise", "dBFS", [plan.noiseDbfs, plan.noiseDbfs], NOISE_UNCERTAINTY_DB, channel.noiseFloorDbfs),
    compare("overNoise", "dB", overNoise, NOISE_UNCERTAINTY_DB, channel.snrDb),
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
): Assessment {
  const channel = measurement.channels[channelIndex] ?? measurement.channels[0]!;
  const findings =
    judged ?? measurement.findings.filter((finding) => finding.channel === null || finding.channel === channel.index);
  const kinds = new Set(findings.map((finding) => finding.kind));
  return {
    grade: gradeOf(findings),
    channel: channel.index,
    worst: worstOf(findings),
    correction: correctLevel(planned, plan, channel, kinds),
    comparisons: comparisonsOf(plan, channel),
  };
}
