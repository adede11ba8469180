import type { ChannelMeasurement, Finding, FindingKind, RecordingMeasurement } from "../audio/measurement";
import { LEVEL_UNCERTAINTY_DB, NOISE_UNCERTAINTY_DB } from "../chain/followChain";
import type { LevelPlan } from "../chain/levelPlan";
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

const WORST_FIRST: readonly FindingKind[] = [
  "silent",
  "clipped",
  "overloadedEarlier",
  "brokenSamples",
  "noisy",
  "tooHot",
  "overFullScale",
  "tooLow",
  "cutShort",
  "dcOffset",
];

const SENTENCES: Record<FindingKind, string> = {
  silent: "Nothing was recorded: find the break before anything else.",
  clipped: "The loud syllables are clipped: record it again, turned down.",
  overloadedEarlier: "Something before the recorder overloads: record it again with the pack less sensitive.",
  brokenSamples: "The file is damaged: export or copy it again.",
  noisy: "The voice does not stand clear of the noise.",
  tooHot: "Usable, but it runs hot: a louder line would clip.",
  overFullScale: "Peaks pass full scale; the float file keeps them, but turn it down.",
  tooLow: "Clean but low: it will need lifting in the edit, noise and all.",
  cutShort: "What is there is good, but the file is cut short.",
  dcOffset: "Good; the wave sits off centre, a low cut cures it.",
};

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
  const overNoise = [plan.softestDbfs - plan.noiseDbfs, plan.loudestDbfs - plan.noiseDbfs] as const;
  return [
    compare("Loudest peaks", "dBFS", [plan.peakDbfs, plan.peakDbfs], LEVEL_UNCERTAINTY_DB, channel.truePeakDbtp),
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

function gradeOf(findings: readonly Finding[]): VerdictGrade {
  if (findings.some((finding) => finding.severity === "fault")) return "redo";
  return findings.some((finding) => finding.severity === "warning") ? "usable" : "good";
}

/** Judges one channel of a recording against what was planned for it. */
export function provePlan(
  planned: Planned,
  plan: LevelPlan,
  measurement: RecordingMeasurement,
  channelIndex: number,
): Verdict {
  const channel = measurement.channels[channelIndex] ?? measurement.channels[0]!;
  const findings = measurement.findings.filter(
    (finding) => finding.channel === null || finding.channel === channel.index,
  );
  const kinds = new Set(findings.map((finding) => finding.kind));
  const worst = WORST_FIRST.find((kind) => kinds.has(kind));
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
