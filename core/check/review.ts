import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { FindingKind } from "./kinds";
import { type Finding } from "./measurement";

/** What somebody who listened says of a finding: it is so, or it is nothing; with a note. */
export const Review = Type.Object(
  {
    kind: FindingKind,
    channel: Type.Union([Type.Integer({ minimum: 0, maximum: 63 }), Type.Null()]),
    /** The finding's beginning, s; null: all of its kind on this channel. */
    startS: Type.Union([Type.Number({ minimum: 0 }), Type.Null()]),
    decision: Type.Union([Type.Literal("accepted"), Type.Literal("dismissed")]),
    note: Type.String({ maxLength: 200 }),
  },
  { additionalProperties: false },
);
export type Review = Static<typeof Review>;

const isOf = ({ kind, channel, startS }: Review, finding: Finding): boolean =>
  kind === finding.kind && channel === finding.channel && (startS === null || startS === finding.startS);

/** What was said of a finding: of this very place before all of its kind; null where nobody said anything. */
export function reviewOf(finding: Finding, reviews: readonly Review[]): Review | null {
  const own = reviews.filter((review) => isOf(review, finding));
  return own.find(({ startS }) => startS !== null) ?? own[0] ?? null;
}

/** Findings that nobody has dismissed. */
export function standing(findings: readonly Finding[], reviews: readonly Review[]): Finding[] {
  return findings.filter((finding) => reviewOf(finding, reviews)?.decision !== "dismissed");
}

/** Reviews with one more; an earlier one of the same place, or with `startS` null of the whole kind, gives way. */
export function withReview(reviews: readonly Review[], next: Review): Review[] {
  return [...withoutReview(reviews, next), next];
}

/** Reviews without what was said of this place, or of a kind as a whole and all its places. */
export function withoutReview(
  reviews: readonly Review[],
  { kind, channel, startS }: Pick<Review, "kind" | "channel" | "startS">,
): Review[] {
  return reviews.filter(
    (review) => review.kind !== kind || review.channel !== channel || (startS !== null && review.startS !== startS),
  );
}
