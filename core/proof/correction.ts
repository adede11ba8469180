import { type ChannelMeasurement, type FindingKind, voicesPeakDb } from "../check";
import { type Chain, type LevelAdvice, type LevelPlan, planLevels, type SoundIn } from "../chain";
import { shiftOctaves } from "../sound";
import { EFFORTS } from "../voice";
import type { Turn } from "./messages";

export interface Correction {
  /** What the file's level should change by, dB; null when it is right as it is. */
  byDb: number | null;
  /** The level is unknown above the clip: this much or more. */
  isAtLeast: boolean;
  turns: readonly Turn[];
  /** How much louder than planned the voice was, dB; null where that is not known. */
  voiceDb: number | null;
  /** What no knob cures. */
  advice: LevelAdvice | null;
}

/** What goes through which stages. */
export interface Planned {
  chain: Chain;
  sound: SoundIn;
}

/** Closer than this to the target nobody should touch a knob, dB. Common practice. */
const CLOSE_ENOUGH_DB = 2;
/** What a clipped voice is lowered beyond the target, since its true height is unknown, dB. Common practice. */
const CLIPPED_EXTRA_DB = 6;

/** The same sound from a voice so much louder; the place stays as it is. */
export function louderBy(sound: SoundIn, byDb: number): SoundIn {
  const voices = EFFORTS.map((effort) => [effort, shiftOctaves(sound.voicesDb[effort], byDb)] as const);
  return { ...sound, voicesDb: Object.fromEntries(voices) as SoundIn["voicesDb"] };
}

/** Knobs that stand elsewhere in another plan: in the order of the signal. */
export function turnsBetween(before: LevelPlan, after: LevelPlan): Turn[] {
  return before.knobs.flatMap((knob): Turn[] => {
    const next = after.knobs.find(({ stageId }) => stageId === knob.stageId);
    const byDb = next ? next.valueDb - knob.valueDb : 0;
    if (!next || Math.abs(byDb) < 0.01) return [];
    return [{ knob: knob.id, device: knob.device, control: knob.name, byDb, to: next.says }];
  });
}

/** Overload before the file shows as flat tops: the stage with the least headroom was passed, and by how much is not known. */
function overloadShiftDb(plan: LevelPlan): number {
  const headrooms = plan.stages.filter(({ id }) => id !== "file").map(({ headroomDb }) => headroomDb ?? Infinity);
  return Math.max(0, Math.min(...headrooms)) + CLIPPED_EXTRA_DB;
}

/**
 * What to change, and at which knob, so that the next take peaks at the target.
 *
 * The voice is taken as much louder or softer than planned as its peaks were, and the whole chain is set anew for it: the
 * correction lands at the stage where it costs nothing. `kinds` are the findings on this channel. A clipped file is taken as
 * 6 dB louder than its clip; an overload before the recorder as 6 dB over the stage that has least in hand. Common practice.
 */
export function correctLevel(
  { chain, sound }: Planned,
  plan: LevelPlan,
  channel: ChannelMeasurement,
  kinds: ReadonlySet<FindingKind>,
): Correction {
  const nothing = { byDb: null, isAtLeast: false, turns: [], voiceDb: null, advice: null };
  const peakDb = voicesPeakDb(channel.voicePeakDbfs, channel.samplePeakDbfs, channel.truePeakDbtp);
  if (peakDb === null || kinds.has("silent")) return nothing;
  const { targetDbfs } = plan.targets;
  const toTargetDb = targetDbfs - peakDb;
  const isEarlier = kinds.has("overloadedEarlier");
  const isClipped = kinds.has("clipped");
  const overPlanDb = peakDb - plan.peakDbfs;
  if (!isEarlier && !isClipped && Math.abs(toTargetDb) <= CLOSE_ENOUGH_DB) return { ...nothing, voiceDb: overPlanDb };
  const voiceDb = isEarlier
    ? Math.max(overPlanDb, overloadShiftDb(plan))
    : overPlanDb + (isClipped ? CLIPPED_EXTRA_DB : 0);
  const held = new Map(
    plan.knobs.filter(({ isHeld }) => isHeld).map(({ stageId }) => [stageId, positionOf(chain, plan, stageId)]),
  );
  const next = planLevels(chain, louderBy(sound, voiceDb), plan.targets, held);
  const byDb = isEarlier
    ? -CLIPPED_EXTRA_DB
    : Math.min(toTargetDb, isClipped ? 0 : Infinity) - (isClipped ? CLIPPED_EXTRA_DB : 0);
  return {
    byDb,
    isAtLeast: isEarlier || isClipped,
    turns: turnsBetween(plan, next),
    voiceDb,
    // How loud a clipped voice really was is not known: nothing is concluded from it about stages before.
    advice: next.isClean || isClipped ? null : (next.advice[0] ?? null),
  };
}

const positionOf = (chain: Chain, plan: LevelPlan, stageId: string): number =>
  plan.settings[chain.findIndex(({ id }) => id === stageId)] ?? 0;
