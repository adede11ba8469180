import type { LevelPlan, StageLevels } from "./levelPlan";
import type { Chain } from "./stage";

/** Under the target by more than this, peaks are low, dB. */
const LOW_DB = 6;
/** A voice less than this over the noise needs something, dB. Common practice. */
const CLEAR_DB = 30;

/** Decibels as they are said of what is too loud: whole ones, rounded up. */
export const whole = (valueDb: number): number => Math.max(1, Math.ceil(valueDb - 1e-6));

/** What the position of a stage could still be turned down by, dB. */
function roomDown(chain: Chain, plan: Omit<LevelPlan, "advice">, id: string): number {
  const number = chain.findIndex((stage) => stage.id === id);
  const stage = chain[number];
  if (!stage?.knob) return 0;
  const now = stage.positions[plan.settings[number] ?? 0]!.addsDb;
  return now - Math.min(...stage.positions.map(({ addsDb }) => addsDb));
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
      return `The computer's converter clips by ${whole(overDb)} dB: take the boost off or turn the receiver down. The system's level comes after it: halving that only makes the clipping quieter.`;
    case "system":
    case "file":
      return `${stage.name} clips by ${whole(overDb)} dB: turn it down there.`;
    default: {
      const before = chain.slice(
        0,
        chain.findIndex(({ id }) => id === stage.id),
      );
      const turn = before.findLast(({ id }) => roomDown(chain, plan, id) > 0 && id !== "pack");
      if (turn)
        return `${whole(overDb)} dB too loud for ${stage.device}: turn ${turn.device === "receiver" ? "the receiver" : turn.device} down.`;
      const pads = chain.find(({ id }) => id === stage.id)!.padsDb;
      const pad = pads.find((each) => each >= overDb);
      const by = pad ? `, or a pad of ${pad} dB in the lead` : "";
      return `${whole(overDb)} dB too loud for ${stage.device}: it clips however low the gain, and no later knob cures that. Take a line input${by}.`;
    }
  }
}

/** What is wrong with a chain at its settings, and what cures it: the earliest stage first. */
export function levelAdvice(chain: Chain, plan: Omit<LevelPlan, "advice">): string[] {
  const { targets, peakDbfs, snrDb, stages, noiseSources } = plan;
  const isBefore = ({ id }: StageLevels) => id !== "file";
  const clipped = stages.filter((stage) => isBefore(stage) && stage.headroomDb !== null && stage.headroomDb < 0);
  const advice = clipped.map((stage) => cureOf(chain, plan, stage));
  const hasKnob = chain.some(({ knob }) => knob !== null);
  if (peakDbfs > targets.ceilingDbfs + 1e-6)
    advice.push(
      hasKnob
        ? "Peaks pass the ceiling: lower the gain."
        : `Peaks pass the ceiling by ${whole(peakDbfs - targets.ceilingDbfs)} dB and nothing here can be turned: go further away, or take a less sensitive way in.`,
    );
  else if (peakDbfs < targets.targetDbfs - LOW_DB)
    advice.push(
      hasKnob
        ? "Peaks stay low even with everything turned up: come closer or use a more sensitive capsule."
        : "Peaks stay low and nothing here can be turned: come closer, or raise it in the edit.",
    );
  const [worst] = noiseSources;
  if (snrDb < CLEAR_DB && worst)
    advice.push(
      worst.isPlace
        ? "Most of the noise is the place itself: only quiet or nearness helps."
        : `Most of the noise comes from ${worst.name}.`,
    );
  return advice;
}
