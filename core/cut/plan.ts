import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import type { Phrase } from "../check";
import type { Pause } from "./pauses";

const strict = { additionalProperties: false } as const;
const Seconds = Type.Number({ minimum: 0, maximum: 90_000 });

/** What is kept of a recording: a file of its own; the sound stays as it is. */
export const CutPlan = Type.Object(
  {
    phrases: Type.Array(
      Type.Object(
        {
          ...{ startS: Seconds, endS: Seconds },
          decision: Type.Union([Type.Literal("keep"), Type.Literal("drop")]),
          /** Marked for somebody to hear again. */
          isMarked: Type.Boolean(),
          /** Why it was proposed to drop it; null where it was not. */
          why: Type.Union([Type.Literal("falseStart"), Type.Null()]),
        },
        strict,
      ),
      { maxItems: 20_000 },
    ),
    /** Pauses are at most so long, s; null leaves them as they are. */
    longestPauseS: Type.Union([Type.Number({ minimum: 0.05, maximum: 10 }), Type.Null()]),
    /** Whether breaths and smacks go. */
    dropsBreaths: Type.Boolean(),
    dropsSmacks: Type.Boolean(),
  },
  strict,
);
export type CutPlan = Static<typeof CutPlan>;

/** A stretch of the recording as it stands in the cut, frames. */
export interface Segment {
  from: number;
  to: number;
  /** Room tone that fills a pause. */
  isTone: boolean;
}

/** What is proposed for phrases: all are kept but those that are begun again. */
export function proposedCut(phrases: readonly Phrase[], restarted: readonly number[]): CutPlan {
  return {
    phrases: phrases.map(({ startS, endS }, at) => {
      const isRestarted = restarted.includes(at);
      const decision = isRestarted ? "drop" : "keep";
      return { ...{ startS, endS, decision, isMarked: false }, why: isRestarted ? "falseStart" : null };
    }),
    ...{ longestPauseS: 0.6, dropsBreaths: false, dropsSmacks: true },
  };
}

/** What stays of a pause right after a phrase and right before one, s. */
const TAIL_S = 0.18;
const LEAD_S = 0.12;
/** Between phrases that did not follow each other, where pauses stay as they are. */
const USUAL_PAUSE_S = 0.5;
/** Before the first phrase and after the last. */
const HEAD_S = 0.4;
const END_S = 0.6;
/** Two stretches overlap so long, s. */
export const FADE_S = 0.012;
const LEAST_TONE_S = 0.05;

type Span = readonly [fromS: number, toS: number];

/** Room tone of a length: of this pause where it has some, else of the take's longest; the same again where it must. */
function toneFor(seconds: number, own: Pause, reserve: readonly Span[]): Span[] {
  const stretches = [...own.quiet, ...reserve];
  const spans: Span[] = [];
  let left = seconds;
  for (let at = 0; left > LEAST_TONE_S && stretches.length > 0; at += 1) {
    const [fromS, toS] = stretches[at % stretches.length]!;
    const length = Math.min(left, toS - fromS);
    spans.push([fromS, fromS + length]);
    left -= length;
  }
  return spans;
}

/**
 * The stretches of a cut, in their order: kept phrases with what is left of their pauses, and room tone of the same take where a
 * pause is made of others. Pauses are those of {@link lookAtPauses}: one before each phrase and one after the last.
 */
export function segmentsOf(
  plan: CutPlan,
  pauses: readonly Pause[],
  { frames, sampleRateHz }: { frames: number; sampleRateHz: number },
): Segment[] {
  const { phrases, longestPauseS } = plan;
  const goes = ({ kind }: Pause["events"][number]) => (kind === "breath" ? plan.dropsBreaths : plan.dropsSmacks);
  const kept = phrases.flatMap((phrase, at) => (phrase.decision === "keep" ? [at] : []));
  const reserve = pauses
    .flatMap(({ quiet }) => quiet)
    .toSorted((one, other) => other[1] - other[0] - (one[1] - one[0]))
    .slice(0, 4);
  const segments: Segment[] = [];
  const at = (seconds: number) => Math.max(0, Math.min(frames, Math.round(seconds * sampleRateHz)));
  const push = ([fromS, toS]: Span, isTone: boolean) => {
    const [from, to] = [at(fromS), at(toS)];
    const last = segments.at(-1);
    if (to <= from) return;
    if (last && last.to === from && last.isTone === isTone) last.to = to;
    else segments.push({ from, to, isTone });
  };
  /** How long a pause's beginning may stay after a phrase, and its end before the next. */
  const tailOf = (pause: Pause) => Math.min(TAIL_S, (pause.events.find(goes)?.startS ?? pause.endS) - pause.startS);
  const leadOf = (pause: Pause) => Math.min(LEAD_S, pause.endS - (pause.events.findLast(goes)?.endS ?? pause.startS));

  kept.forEach((index, order) => {
    const phrase = phrases[index]!;
    const before = pauses[index]!;
    const after = pauses[index + 1]!;
    if (order === 0)
      push(
        [Math.max(before.startS, phrase.startS - Math.min(HEAD_S, leadOf(before) + HEAD_S - LEAD_S)), phrase.startS],
        false,
      );
    push([phrase.startS, phrase.endS], false);
    const next = kept[order + 1];
    if (next === undefined) {
      push([phrase.endS, Math.min(after.endS, phrase.endS + tailOf(after) + END_S - TAIL_S)], false);
      return;
    }
    const isFollowed = next === index + 1;
    const naturalS = isFollowed ? after.endS - after.startS : USUAL_PAUSE_S;
    const wantedS = longestPauseS === null ? naturalS : Math.min(naturalS, longestPauseS);
    if (isFollowed && wantedS === naturalS && !after.events.some(goes)) {
      push([phrase.endS, phrases[next]!.startS], false);
      return;
    }
    const lastPause = pauses[next]!;
    const tailS = Math.max(0, Math.min(tailOf(after), wantedS / 2));
    const leadS = Math.max(0, Math.min(leadOf(lastPause), wantedS / 2));
    push([phrase.endS, phrase.endS + tailS], false);
    for (const span of toneFor(wantedS - tailS - leadS, after, reserve)) push(span, true);
    push([phrases[next]!.startS - leadS, phrases[next]!.startS], false);
  });
  return segments;
}

/** How long a cut is, s. */
export const lengthOf = (segments: readonly Segment[], sampleRateHz: number): number =>
  segments.reduce((sum, { from, to }) => sum + to - from, 0) / sampleRateHz;
