import type { LessArrives, LevelAdvice } from "./messages";
import type { LevelPlan, StageLevels } from "./levelPlan";
import type { Chain, ChainStage } from "./stage";

/** Under the target by more than this, peaks are low, dB. */
const LOW_DB = 6;
/** A voice less than this over the noise needs something, dB. Common practice. */
const CLEAR_DB = 30;

/** Decibels as they are said of what is too loud: whole ones, rounded up. */
export const whole = (valueDb: number): number => Math.max(1, Math.ceil(valueDb - 1e-6));

/** What the position of a stage could still be turned down and up by, dB. */
function roomOf(chain: Chain, plan: Omit<LevelPlan, "advice">, id: string): { downDb: number; upDb: number } {
  const number = chain.findIndex((stage) => stage.id === id);
  const stage = chain[number];
  if (!stage?.knob) return { downDb: 0, upDb: 0 };
  const now = stage.positions[plan.settings[number] ?? 0]!.addsDb;
  const all = stage.positions.map(({ addsDb }) => addsDb);
  return { downDb: now - Math.min(...all), upDb: Math.max(...all) - now };
}

const roomDown = (chain: Chain, plan: Omit<LevelPlan, "advice">, id: string): number => roomOf(chain, plan, id).downDb;

/** A desk's or a speaker's outlet: nobody can come closer to it. */
const isFeed = ([first]: Chain): boolean => first.unit !== "dB SPL";

const hasKnob = (chain: Chain): boolean => chain.some(({ knob }) => knob !== null);

function tooHigh(chain: Chain, plan: Omit<LevelPlan, "advice">): LevelAdvice {
  const overDb = whole(plan.peakDbfs - plan.targets.ceilingDbfs);
  if (chain.some(({ id }) => roomDown(chain, plan, id) > 0)) return { code: "chain.lowerGain", overDb };
  return { code: "chain.stillTooHigh", overDb, hasKnob: hasKnob(chain), isFeed: isFeed(chain) };
}

function tooLow(chain: Chain, plan: Omit<LevelPlan, "advice">): LevelAdvice {
  if (chain.some(({ id }) => roomOf(chain, plan, id).upDb > 0)) return { code: "chain.raiseGain" };
  return { code: "chain.stillTooLow", hasKnob: hasKnob(chain), isFeed: isFeed(chain) };
}

/** Cure of one stage that clips. No later knob repairs what an earlier stage has clipped. */
function cureOf(chain: Chain, plan: Omit<LevelPlan, "advice">, stage: StageLevels): LevelAdvice {
  const exactDb = -stage.headroomDb!;
  const overDb = whole(exactDb);
  const room = roomDown(chain, plan, stage.id);
  switch (stage.id) {
    case "capsule":
      return { code: "chain.capsuleOverloads", overDb };
    case "pack":
      return room > 0
        ? { code: "chain.packOverloads", overDb }
        : { code: "chain.packOverloadsAtLowest", lessDb: whole(exactDb + stage.reserveDb) };
    case "converter":
      return {
        code: "chain.computerClips",
        overDb,
        cure: room > 0 ? "boostOff" : lessArriving(chain, plan, stage, exactDb),
      };
    case "system":
    case "file":
      return { code: "chain.stageClips", stage: stage.name, overDb };
    default:
      return {
        code: "chain.tooLoudFor",
        device: stage.device,
        overDb,
        cure: lessArriving(chain, plan, stage, exactDb),
      };
  }
}

/** The knob nearest before a stage that can still go down. The pack's sensitivity is left alone: that costs noise. */
function earlierKnob(chain: Chain, plan: Omit<LevelPlan, "advice">, stage: StageLevels): ChainStage | undefined {
  const before = chain.slice(
    0,
    chain.findIndex(({ id }) => id === stage.id),
  );
  return before.findLast(({ id }) => roomDown(chain, plan, id) > 0 && id !== "pack");
}

/** What makes less arrive at a stage. */
function lessArriving(chain: Chain, plan: Omit<LevelPlan, "advice">, stage: StageLevels, overDb: number): LessArrives {
  const turn = earlierKnob(chain, plan, stage);
  if (turn) return { turnDown: turn.device };
  return { padDb: chain.find(({ id }) => id === stage.id)!.padsDb.find((each) => each >= overDb) ?? null };
}

/** What is wrong with a chain at its settings, and what cures it: the earliest stage first. */
export function levelAdvice(chain: Chain, plan: Omit<LevelPlan, "advice">): LevelAdvice[] {
  const { targets, peakDbfs, snrDb, stages, noiseSources } = plan;
  const isBefore = ({ id }: StageLevels) => id !== "file";
  const clipped = stages.filter((stage) => isBefore(stage) && stage.headroomDb !== null && stage.headroomDb < 0);
  const advice = clipped.map((stage) => cureOf(chain, plan, stage));
  if (peakDbfs > targets.ceilingDbfs + 1e-6) advice.push(tooHigh(chain, plan));
  else if (peakDbfs < targets.targetDbfs - LOW_DB) advice.push(tooLow(chain, plan));
  const [worst] = noiseSources;
  if (snrDb < CLEAR_DB && worst)
    advice.push(worst.isPlace ? { code: "chain.noiseIsPlace" } : { code: "chain.noiseIsFrom", origin: worst.origin });
  return advice;
}
