import type { RecordingMeasurement } from "@/core/check";
import { type CleaningPlan, type Treatment, TREATMENT_ORDER, type TreatmentKind } from "@/core/clean";
import type { Opened } from "@/workers/editWorker";

/** A treatment of a channel as it is chosen on the page. */
export interface Chosen {
  channel: number;
  treatment: Treatment;
  isOn: boolean;
  /** Nothing asks for it, but it may be wished: a guess, or a matter of taste. */
  isWish: boolean;
}

const order = ({ treatment }: Chosen): number => TREATMENT_ORDER.indexOf(treatment.kind);

/** All that may be done to a recording: what it asks for is on, what may be wished is off. */
export function choicesOf({ plan, wishes }: Pick<Opened, "plan" | "wishes">): Chosen[] {
  const of = (own: CleaningPlan, isWish: boolean) =>
    own.channels.flatMap(({ channel, treatments }) =>
      treatments.map((treatment): Chosen => ({ channel, treatment, isOn: !isWish, isWish })),
    );
  return [...of(plan, false), ...of(wishes, true)].toSorted((a, b) => a.channel - b.channel || order(a) - order(b));
}

/** What is on, as a plan. */
export function planOf(choices: readonly Chosen[]): CleaningPlan {
  const channels = [...new Set(choices.filter(({ isOn }) => isOn).map(({ channel }) => channel))];
  return {
    channels: channels.map((channel) => ({
      channel,
      treatments: choices.filter((each) => each.isOn && each.channel === channel).map(({ treatment }) => treatment),
    })),
  };
}

/** Kinds of finding that a treatment answers. */
const ANSWERS: Record<TreatmentKind, readonly string[]> = {
  lowCut: ["wind", "knock", "plosive", "dcOffset", "noisy"],
  hum: ["hum"],
  noise: ["noisy", "hiss"],
  pops: ["plosive"],
  gaps: ["gap", "dropout"],
  clipping: ["clipped", "overloadedEarlier"],
  evenOut: [],
};

/** Seconds that are compared, and how much of them is before a place. */
export const COMPARED_S = 8;
const BEFORE_S = 2;

/** Where a comparison tells most: at the first place of what is treated, else at the first word. */
export function placeToCompare(
  { findings }: RecordingMeasurement,
  { channel, treatment }: Pick<Chosen, "channel" | "treatment">,
  firstWordS: number,
  durationS: number,
): number {
  const own = findings.filter(
    (finding) =>
      finding.channel === channel &&
      ANSWERS[treatment.kind].includes(finding.kind) &&
      finding.endS - finding.startS < 20,
  );
  const atS = own[0]?.startS ?? firstWordS;
  return Math.max(0, Math.min(atS - BEFORE_S, durationS - COMPARED_S));
}

/** Three lines to hear: before, after at the same loudness, and what is taken out. */
export function threeToHear(
  before: Float32Array,
  after: Float32Array,
  loudness: readonly [before: number | null, after: number | null],
): { before: Float32Array; after: Float32Array; taken: Float32Array } {
  const [was, is] = loudness;
  const gain = was === null || is === null ? 1 : Math.max(0.25, Math.min(4, 10 ** ((was - is) / 20)));
  return {
    before,
    after: after.map((value) => value * gain),
    taken: before.map((value, at) => value - (after[at] ?? 0)),
  };
}
