import type { Chain, GainPlan } from "../chain/gainPlan";
import type { ChannelMeasurement, FindingKind } from "../audio/measurement";

export type Knob = "sensitivity" | "output" | "gain";

/** One knob to turn, dB: positive is up. */
export interface Turn {
  knob: Knob;
  byDb: number;
}

export interface Correction {
  /** What the file's level should change by, dB; null when it is right as it is. */
  byDb: number | null;
  /** The level is unknown above the clip: this much or more. */
  isAtLeast: boolean;
  turns: readonly Turn[];
}

/** Closer than this to the target nobody should touch a knob, dB. Common practice. */
const CLOSE_ENOUGH_DB = 2;
/** What a clipped voice is lowered beyond the target, since its true height is unknown, dB. Common practice. */
const CLIPPED_EXTRA_DB = 6;
/** Headroom the pack keeps when its sensitivity is raised, dB. Common practice. */
const PACK_RESERVE_DB = 3;

const KNOB_NAMES: Record<Knob, string> = {
  sensitivity: "the pack's sensitivity",
  output: "the receiver's volume",
  gain: "the recorder's gain",
};

function stepDown(valueDb: number, stepDb: number): number {
  return Math.floor(valueDb / stepDb + 1e-9) * stepDb;
}

function turnDown(neededDb: number, chain: Chain, plan: GainPlan): Turn[] {
  const turns: Turn[] = [];
  let left = neededDb;
  const take = (knob: Knob, roomDb: number, stepDb: number) => {
    const byDb = Math.min(Math.ceil(left / stepDb - 1e-9) * stepDb, stepDown(roomDb, stepDb));
    if (byDb <= 0 || left <= 0) return;
    turns.push({ knob, byDb: -byDb });
    left -= byDb;
  };
  take("gain", plan.settings.gainDb, chain.input.gainStepDb);
  take("output", plan.settings.outputDb - chain.receiver.outputMinDb, chain.receiver.outputStepDb);
  take("sensitivity", plan.settings.sensitivityDb - chain.pack.sensitivityMinDb, chain.pack.sensitivityStepDb);
  return turns;
}

/** Raises in the order of the trade: pack first, then receiver, then recorder. */
function turnUp(neededDb: number, chain: Chain, plan: GainPlan, packPeakDb: number): Turn[] {
  const turns: Turn[] = [];
  let left = neededDb;
  const take = (knob: Knob, roomDb: number, stepDb: number) => {
    const byDb = stepDown(Math.min(left, roomDb), stepDb);
    if (byDb <= 0) return;
    turns.push({ knob, byDb });
    left -= byDb;
  };
  const packRoomDb = Math.min(chain.pack.sensitivityMaxDb - plan.settings.sensitivityDb, -PACK_RESERVE_DB - packPeakDb);
  take("sensitivity", packRoomDb, chain.pack.sensitivityStepDb);
  take("output", -plan.settings.outputDb, chain.receiver.outputStepDb);
  take("gain", chain.input.gainMaxDb - plan.settings.gainDb, chain.input.gainStepDb);
  return turns;
}

/**
 * What to change, and at which knob, so that the next take peaks at the target.
 *
 * `kinds` are the findings on this channel. A clipped file is turned down by the distance to the target and 6 dB more;
 * an overload before the recorder is cured at the pack. Common practice; arithmetic from the planned chain.
 */
export function correctLevel(
  chain: Chain,
  plan: GainPlan,
  channel: ChannelMeasurement,
  kinds: ReadonlySet<FindingKind>,
  targetDbfs: number,
): Correction {
  if (channel.truePeakDbtp === null || kinds.has("silent")) return { byDb: null, isAtLeast: false, turns: [] };
  const toTargetDb = targetDbfs - channel.truePeakDbtp;
  if (kinds.has("overloadedEarlier")) {
    const { sensitivityStepDb, sensitivityMinDb } = chain.pack;
    const wantedDb = Math.ceil(CLIPPED_EXTRA_DB / sensitivityStepDb) * sensitivityStepDb;
    const byDb = Math.min(wantedDb, plan.settings.sensitivityDb - sensitivityMinDb);
    return {
      byDb: -Math.max(byDb, CLIPPED_EXTRA_DB),
      isAtLeast: true,
      turns: byDb > 0 ? [{ knob: "sensitivity", byDb: -byDb }] : [],
    };
  }
  if (kinds.has("clipped")) {
    const byDb = Math.min(0, toTargetDb) - CLIPPED_EXTRA_DB;
    return { byDb, isAtLeast: true, turns: turnDown(-byDb, chain, plan) };
  }
  if (Math.abs(toTargetDb) <= CLOSE_ENOUGH_DB) return { byDb: null, isAtLeast: false, turns: [] };
  if (toTargetDb < 0) return { byDb: toTargetDb, isAtLeast: false, turns: turnDown(-toTargetDb, chain, plan) };
  const packStage = plan.stages.find((stage) => stage.id === "pack")!;
  const packPeakDb = packStage.peak + (channel.truePeakDbtp - plan.peakDbfs);
  return { byDb: toTargetDb, isAtLeast: false, turns: turnUp(toTargetDb, chain, plan, packPeakDb) };
}

/** The correction as a sentence. */
export function correctionSentence(correction: Correction): string {
  if (correction.byDb === null) return "Leave the levels as they are.";
  const amount = `${Math.abs(correction.byDb).toFixed(0)} dB`;
  const direction = correction.byDb < 0 ? "down" : "up";
  const atLeast = correction.isAtLeast ? "at least " : "";
  if (correction.turns.length === 0)
    return correction.byDb < 0
      ? `Needs to come ${direction} ${atLeast}${amount}, and no knob has that left: use a less sensitive capsule or a pad.`
      : `Needs to come ${direction} ${amount}, and no knob has that left: come closer or use a more sensitive capsule.`;
  const turns = correction.turns
    .map((turn) => `${KNOB_NAMES[turn.knob]} ${turn.byDb < 0 ? "down" : "up"} ${Math.abs(turn.byDb)} dB`)
    .join(", then ");
  return `Turn ${turns}.`;
}
