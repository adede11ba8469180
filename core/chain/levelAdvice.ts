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

function tooHigh(chain: Chain, plan: Omit<LevelPlan, "advice">): string {
  const overDb = whole(plan.peakDbfs - plan.targets.ceilingDbfs);
  const over = `Peaks pass the ceiling by ${overDb} dB`;
  if (chain.some(({ id }) => roomDown(chain, plan, id) > 0)) return `${over}: lower the gain.`;
  const lowest = chain.some(({ knob }) => knob !== null) ? "every knob is at its lowest" : "nothing here can be turned";
  const cure = isFeed(chain)
    ? `ask for a lower send, or put a pad of ${overDb} dB or more in the cable`
    : "go further away, or use a less sensitive microphone or input";
  return `${over} and ${lowest}: ${cure}.`;
}

function tooLow(chain: Chain, plan: Omit<LevelPlan, "advice">): string {
  if (chain.some(({ id }) => roomOf(chain, plan, id).upDb > 0)) return "Peaks stay low: raise the gain.";
  const highest = chain.some(({ knob }) => knob !== null)
    ? "with everything turned up"
    : "and nothing here can be turned";
  const cure = isFeed(chain)
    ? "ask for a higher send, or raise it in the edit"
    : "come closer, use a more sensitive microphone, or raise it in the edit";
  return `Peaks stay low ${highest}: ${cure}.`;
}

/** Cure of one stage that clips. No later knob repairs what an earlier stage has clipped. */
function cureOf(chain: Chain, plan: Omit<LevelPlan, "advice">, stage: StageLevels): string {
  const overDb = -stage.headroomDb!;
  const room = roomDown(chain, plan, stage.id);
  switch (stage.id) {
    case "capsule":
      return `The capsule itself overloads by ${whole(overDb)} dB: no setting cures that. Use a capsule with a higher overload, or a place further from the mouth.`;
    case "pack":
      if (room > 0)
        return `The pack overloads by ${whole(overDb)} dB: turn its sensitivity down there. No later knob can repair it.`;
      return `The pack overloads even at its lowest sensitivity: a capsule ${whole(overDb + stage.reserveDb)} dB less sensitive is the cure. No later knob can repair it.`;
    case "converter":
      return `The computer's converter clips by ${whole(overDb)} dB: ${
        room > 0 ? "take the boost off" : turnedDown(chain, plan, stage, overDb)
      }. The system's level comes after it: halving that only makes the clipping quieter.`;
    case "system":
    case "file":
      return `${stage.name} clips by ${whole(overDb)} dB: turn it down there.`;
    default: {
      const over = `${whole(overDb)} dB too loud for ${stage.device}`;
      if (earlierKnob(chain, plan, stage)) return `${over}: ${turnedDown(chain, plan, stage, overDb)}.`;
      const cure = turnedDown(chain, plan, stage, overDb);
      return `${over}: it clips however low the gain, and no later knob cures that. ${cure[0]!.toUpperCase()}${cure.slice(1)}.`;
    }
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
function turnedDown(chain: Chain, plan: Omit<LevelPlan, "advice">, stage: StageLevels, overDb: number): string {
  const turn = earlierKnob(chain, plan, stage);
  if (turn) return `turn ${turn.device === "receiver" ? "the receiver" : turn.device} down`;
  const pad = chain.find(({ id }) => id === stage.id)!.padsDb.find((each) => each >= overDb);
  return `take a line input${pad ? `, or a pad of ${pad} dB in the lead` : ""}`;
}

/** What is wrong with a chain at its settings, and what cures it: the earliest stage first. */
export function levelAdvice(chain: Chain, plan: Omit<LevelPlan, "advice">): string[] {
  const { targets, peakDbfs, snrDb, stages, noiseSources } = plan;
  const isBefore = ({ id }: StageLevels) => id !== "file";
  const clipped = stages.filter((stage) => isBefore(stage) && stage.headroomDb !== null && stage.headroomDb < 0);
  const advice = clipped.map((stage) => cureOf(chain, plan, stage));
  if (peakDbfs > targets.ceilingDbfs + 1e-6) advice.push(tooHigh(chain, plan));
  else if (peakDbfs < targets.targetDbfs - LOW_DB) advice.push(tooLow(chain, plan));
  const [worst] = noiseSources;
  if (snrDb < CLEAR_DB && worst)
    advice.push(
      worst.isPlace
        ? "Most of the noise is the place itself: only quiet or nearness helps."
        : `Most of the noise comes from ${worst.name}.`,
    );
  return advice;
}
