import { SINE_CREST_DB, sumLevelsDb } from "../sound/decibel";
import { SPEECH_CREST_DB } from "../voice/speechSpectrum";
import type { Lav, Pack, Receiver, RecorderInput } from "./devices";

export interface Chain {
  lav: Lav;
  pack: Pack;
  receiver: Receiver;
  input: RecorderInput;
}

/** What is set by hand. */
export interface GainSettings {
  sensitivityDb: number;
  outputDb: number;
  gainDb: number;
}

/** What reaches the capsule, dB SPL, unweighted long-term levels while speaking. */
export interface SoundAtCapsule {
  softestDb: number;
  normalDb: number;
  loudestDb: number;
  noiseDb: number;
}

export interface Targets {
  /** Where the loudest voice's peaks should read, dBFS. Common practice: −12. */
  targetDbfs: number;
  /** Where they must never go, dBFS. Common practice: −6. */
  ceilingDbfs: number;
}

export type StageId = "capsule" | "pack" | "receiver" | "socket" | "file";

export interface Stage {
  id: StageId;
  name: string;
  unit: string;
  /** Long-term level of the softest and the loudest voice at this stage. */
  softest: number;
  loudest: number;
  /** Peaks of the loudest voice as the sine level that reaches as high. */
  peak: number;
  /** Where it clips, in the same unit; null for a stage that has no limit of its own here. */
  clip: number | null;
  headroomDb: number | null;
}

export interface GainPlan {
  settings: GainSettings;
  stages: readonly Stage[];
  /** The stage with the least headroom, and the level at the capsule at which it clips, dB SPL. */
  firstToClip: { id: StageId; name: string; headroomDb: number; atSplDb: number };
  /** Sample peaks of the loudest voice, dBFS. */
  peakDbfs: number;
  /** Long-term level of the softest, a normal and the loudest voice, dBFS (AES17). */
  softestDbfs: number;
  speechDbfs: number;
  loudestDbfs: number;
  noiseDbfs: number;
  /** A normal voice over the noise, dB. */
  snrDb: number;
  /** What makes the noise, loudest first. */
  noiseSources: readonly { name: string; dbfs: number }[];
  advice: readonly string[];
  /** Whether every stage stays clean and the peaks stay under the ceiling. */
  isClean: boolean;
}

/** How far such a forecast may be off, dB: voice ±3, place ±2, device figures ±2, as a root of squares. Estimate. */
export const LEVEL_UNCERTAINTY_DB = 4;
/** A room's noise is known by a curve only: its forecast may be off by this, dB. Estimate. */
export const NOISE_UNCERTAINTY_DB = 8;

/** What speech peaks exceed a sine of the same RMS by, dB. */
const PEAK_OVER_SINE_DB = SPEECH_CREST_DB - SINE_CREST_DB;
/** Pack and socket should keep this in hand for a voice louder than planned, dB. Common practice. */
const RESERVE_DB = 3;

function settingsBetween(from: number, to: number, step: number): number[] {
  const count = Math.floor((to - from) / step + 1e-9) + 1;
  return Array.from({ length: Math.max(1, count) }, (_, index) => from + index * step);
}

/** Levels along the chain relative to the sound pressure, dB: add the SPL to get the level there. */
function gainsTo({ lav, pack, receiver, input }: Chain, settings: GainSettings) {
  const capsuleDbv = 20 * Math.log10(lav.sensitivityMvPerPa / 1000) - 94;
  const modulation = capsuleDbv + settings.sensitivityDb - pack.fullInputDbv;
  const outputDbu = modulation + receiver.fullOutputDbu + settings.outputDb;
  const socketDbu = outputDbu - input.leadLossDb;
  const fileDbfs = socketDbu + settings.gainDb - input.fullScaleDbu;
  return { capsuleDbv, modulation, outputDbu, socketDbu, fileDbfs };
}

function noiseAtFile(chain: Chain, settings: GainSettings, acousticDb: number) {
  const gains = gainsTo(chain, settings);
  const { lav, pack, receiver, input } = chain;
  const afterSocket = settings.gainDb - input.fullScaleDbu;
  const afterLink = receiver.fullOutputDbu + settings.outputDb - input.leadLossDb + afterSocket;
  return [
    { name: "the place", dbfs: acousticDb + gains.fileDbfs },
    { name: "the capsule", dbfs: lav.selfNoiseDba + gains.fileDbfs },
    { name: "the pack's input", dbfs: pack.inputNoiseDbv + settings.sensitivityDb - pack.fullInputDbv + afterLink },
    { name: "the radio link", dbfs: -receiver.linkSnrDb + afterLink },
    { name: "the recorder's input", dbfs: input.einDbu + afterSocket },
    { name: "the converter", dbfs: -input.converterRangeDb },
  ].sort((a, b) => b.dbfs - a.dbfs);
}

function stagesOf(chain: Chain, settings: GainSettings, sound: SoundAtCapsule): Stage[] {
  const gains = gainsTo(chain, settings);
  const stage = (id: StageId, name: string, unit: string, gain: number, clip: number | null): Stage => {
    const peak = sound.loudestDb + gain + PEAK_OVER_SINE_DB;
    return {
      id,
      name,
      unit,
      softest: sound.softestDb + gain,
      loudest: sound.loudestDb + gain,
      peak,
      clip,
      headroomDb: clip === null ? null : clip - peak,
    };
  };
  return [
    stage("capsule", "Capsule", "dB SPL", 0, chain.lav.maxSplDb),
    stage("pack", "Pack", "dB of full modulation", gains.modulation, 0),
    stage("receiver", "Receiver output", "dBu", gains.outputDbu, null),
    stage("socket", "Recorder socket", "dBu", gains.socketDbu, chain.input.maxInputDbu),
    stage("file", "File", "dBFS", gains.fileDbfs, 0),
  ];
}

function adviceFor(plan: Omit<GainPlan, "advice">, targets: Targets): string[] {
  const advice: string[] = [];
  const headroomOf = (id: StageId) => plan.stages.find((stage) => stage.id === id)!.headroomDb ?? Infinity;
  if (headroomOf("capsule") < 0)
    advice.push(
      `The capsule itself overloads by ${Math.ceil(-headroomOf("capsule"))} dB: no setting cures that. Use a capsule with a higher overload, or a place further from the mouth.`,
    );
  if (headroomOf("pack") < 0)
    advice.push(
      `The pack overloads even at its lowest sensitivity: a capsule ${Math.ceil(-headroomOf("pack") + RESERVE_DB)} dB less sensitive is the cure. No later knob can repair it.`,
    );
  if (headroomOf("socket") < 0)
    advice.push(
      `The recorder's socket overloads by ${Math.ceil(-headroomOf("socket"))} dB: turn the receiver down or put a pad in the lead.`,
    );
  if (plan.peakDbfs > targets.ceilingDbfs) advice.push("Peaks pass the ceiling: lower the gain.");
  else if (plan.peakDbfs < targets.targetDbfs - 6)
    advice.push("Peaks stay low even with everything turned up: come closer or use a more sensitive capsule.");
  const [worst] = plan.noiseSources;
  if (plan.snrDb < 30 && worst)
    advice.push(
      worst.name === "the place"
        ? "Most of the noise is the place itself: only quiet or nearness helps."
        : `Most of the noise comes from ${worst.name}.`,
    );
  return advice;
}

/** What the chain does at given settings. Levels in the units of each stage; gains in dB. */
export function runChain(chain: Chain, settings: GainSettings, sound: SoundAtCapsule, targets: Targets): GainPlan {
  const stages = stagesOf(chain, settings, sound);
  const { fileDbfs } = gainsTo(chain, settings);
  const noiseSources = noiseAtFile(chain, settings, sound.noiseDb);
  const noiseDbfs = sumLevelsDb(noiseSources.map((source) => source.dbfs));
  const limited = stages.filter((stage) => stage.headroomDb !== null);
  const first = limited.reduce((least, stage) => (stage.headroomDb! < least.headroomDb! ? stage : least));
  const peakDbfs = sound.loudestDb + fileDbfs + PEAK_OVER_SINE_DB;
  const plan = {
    settings,
    stages,
    firstToClip: {
      id: first.id,
      name: first.name,
      headroomDb: first.headroomDb!,
      atSplDb: sound.loudestDb + first.headroomDb!,
    },
    peakDbfs,
    softestDbfs: sound.softestDb + fileDbfs,
    speechDbfs: sound.normalDb + fileDbfs,
    loudestDbfs: sound.loudestDb + fileDbfs,
    noiseDbfs,
    snrDb: sound.normalDb + fileDbfs - noiseDbfs,
    noiseSources,
    isClean: limited.every((stage) => stage.headroomDb! >= 0) && peakDbfs <= targets.ceilingDbfs,
  };
  return { ...plan, advice: adviceFor(plan, targets) };
}

/** Worse settings have the larger figure: clipping first, then distance from the target, then noise. */
function cost(plan: GainPlan, targets: Targets): number {
  const overloadDb = plan.stages.reduce((sum, stage) => {
    if (stage.headroomDb === null || stage.id === "file") return sum;
    const wanted = stage.id === "capsule" ? 0 : RESERVE_DB;
    return sum + Math.max(0, wanted - stage.headroomDb);
  }, 0);
  const over = Math.max(0, plan.peakDbfs - targets.targetDbfs);
  const under = Math.max(0, targets.targetDbfs - plan.peakDbfs);
  // A millionth of a decibel is rounding; anything more is over the target.
  const overCost = over > 1e-6 ? 1000 + over * 100 : 0;
  return overloadDb * 10_000 + overCost + under * 10 - plan.snrDb;
}

/**
 * Settings that put the loudest voice's peaks at the target without overloading a stage on the way, with the least noise.
 *
 * Tries every step of every knob. Levels dB SPL, targets dBFS (−40…0, ceiling above target). Peaks are taken 18 dB over
 * the long-term level (common practice). Source of the stage arithmetic: dBu, dBV and AES17 definitions.
 */
export function planGain(chain: Chain, sound: SoundAtCapsule, targets: Targets): GainPlan {
  const { pack, receiver, input } = chain;
  let best: GainPlan | null = null;
  let bestCost = Infinity;
  for (const sensitivityDb of settingsBetween(pack.sensitivityMinDb, pack.sensitivityMaxDb, pack.sensitivityStepDb))
    for (const outputDb of settingsBetween(receiver.outputMinDb, 0, receiver.outputStepDb)) {
      const flat = runChain(chain, { sensitivityDb, outputDb, gainDb: 0 }, sound, targets);
      const wanted = targets.targetDbfs - flat.peakDbfs;
      const steps = Math.floor(wanted / input.gainStepDb + 1e-9);
      const gainDb = Math.min(input.gainMaxDb, Math.max(0, steps * input.gainStepDb));
      const plan = runChain(chain, { sensitivityDb, outputDb, gainDb }, sound, targets);
      const planCost = cost(plan, targets);
      if (planCost < bestCost) {
        best = plan;
        bestCost = planCost;
      }
    }
  return best!;
}
