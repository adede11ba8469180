"use client";

import { findingWords, say } from "@/messages";
import { useState } from "react";
import styled from "styled-components";
import { type Finding, type FindingKind, type Review, reviewOf } from "@/core/check";
import { Button } from "@/ui/Button";
import { Row, Soft } from "@/ui/layout";
import { TextField } from "@/ui/TextField";
import { clockOf } from "./figures";

const Group = styled.li`
  border-top: 1px solid var(--seam-soft);
  padding: 0.6rem 0;
  display: grid;
  gap: 0.3rem;
  &[data-dismissed] strong {
    text-decoration: line-through;
    color: var(--ink-soft);
  }
`;

const Places = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
`;

const SEVERITY_WORDS = { fault: "Fault", warning: "Warning", note: "Note" } as const;
const RANK = { fault: 0, warning: 1, note: 2 } as const;
/** Places of one kind that are shown with a key each. */
const MOST_PLACES = 12;

export interface KindGroup {
  kind: FindingKind;
  severity: Finding["severity"];
  findings: readonly Finding[];
}

/** Findings kind by kind: the worst first, and the most frequent first among equals. */
export function grouped(findings: readonly Finding[]): KindGroup[] {
  const groups = new Map<FindingKind, Finding[]>();
  for (const finding of findings) groups.set(finding.kind, [...(groups.get(finding.kind) ?? []), finding]);
  return [...groups]
    .map(([kind, own]): KindGroup => ({
      kind,
      findings: own,
      severity: own.reduce(
        (worst, each) => (RANK[each.severity] < RANK[worst] ? each.severity : worst),
        own[0]!.severity,
      ),
    }))
    .sort((a, b) => RANK[a.severity] - RANK[b.severity] || b.findings.length - a.findings.length);
}

type Said = Pick<Review, "decision" | "note">;

/** What somebody who listened says: of the place that was heard last, or of all of the kind. */
function ReviewRow({
  name,
  place,
  isMany,
  said,
  onSay,
  onUnsay,
}: {
  name: string;
  place: Finding | null;
  isMany: boolean;
  said: Review | null;
  onSay: (said: Said) => void;
  onUnsay: () => void;
}) {
  const [note, setNote] = useState(said?.note ?? "");
  const which = !isMany ? "it" : place ? `the one at ${clockOf(place.startS)}` : "all";
  if (said)
    return (
      <Row>
        <Soft>
          {said.decision === "accepted" ? "Accepted" : "Dismissed"}
          {said.note && `: ${said.note}`}
        </Soft>
        <Button look="quiet" aria-label={`Undo the review of ${name}`} onPress={onUnsay}>
          Undo
        </Button>
      </Row>
    );
  return (
    <Row $low>
      <TextField
        label={`Note on ${which === "it" ? "this" : which}`}
        value={note}
        onChange={setNote}
        fault={() => null}
      />
      <Button onPress={() => onSay({ decision: "accepted", note })}>Accept {which}</Button>
      <Button onPress={() => onSay({ decision: "dismissed", note })}>Dismiss {which}</Button>
    </Row>
  );
}

/** One kind of finding: how it sounds, why, what to do, its places, and what somebody said of it. */
export function FindingGroup({
  group: { kind, severity, findings },
  reviews,
  heard,
  playingS,
  onHear,
  onSay,
  onUnsay,
}: {
  group: KindGroup;
  reviews: readonly Review[];
  /** The place of this kind that was chosen last. */
  heard: Finding | null;
  playingS: number | null;
  onHear: (finding: Finding) => void;
  onSay: (review: Review) => void;
  onUnsay: (review: Pick<Review, "kind" | "channel" | "startS">) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [first] = findings;
  const words = findingWords(first!);
  const { name } = words;
  const isMany = findings.length > 1;
  const about = heard ?? first!;
  const said = reviewOf(about, reviews);
  const isDismissed = findings.every((finding) => reviewOf(finding, reviews)?.decision === "dismissed");
  const ref = { kind, channel: first!.channel, startS: isMany && heard ? heard.startS : null };
  return (
    <Group data-dismissed={isDismissed || undefined}>
      <div>
        <strong>
          {SEVERITY_WORDS[severity]}: {name}
          {isMany && `, ${findings.length} times`}
        </strong>{" "}
        {first!.what ? words.what : ""}
      </div>
      <Soft>
        {say({ code: "kind.sounds", kind })} {words.cause} {words.advice}
      </Soft>
      <Places>
        {findings.slice(0, MOST_PLACES).map((finding, index) => (
          <Button
            key={index}
            aria-label={`Listen to ${name.toLowerCase()} at ${clockOf(finding.startS)}`}
            onPress={() => onHear(finding)}
          >
            {playingS === finding.startS ? "■" : "▶"} {clockOf(finding.startS)}
            {reviewOf(finding, reviews)?.decision === "dismissed" && " (dismissed)"}
          </Button>
        ))}
        {findings.length > MOST_PLACES && <Soft>and {findings.length - MOST_PLACES} more</Soft>}
        {!isOpen && !said && (
          <Button look="quiet" aria-label={`Accept or dismiss ${name.toLowerCase()}`} onPress={() => setOpen(true)}>
            Accept or dismiss
          </Button>
        )}
      </Places>
      {(isOpen || said) && (
        <ReviewRow
          key={`${heard?.startS ?? "all"} ${said?.decision ?? ""}`}
          name={name.toLowerCase()}
          place={heard}
          isMany={isMany}
          said={said}
          onSay={(next) => onSay({ ...ref, ...next })}
          onUnsay={() => said && onUnsay(said)}
        />
      )}
    </Group>
  );
}
