"use client";

import styled from "styled-components";
import { STEP_NAMES, type Judgement } from "@/core/dress/judgement";
import type { Candidate } from "@/core/dress/planDress";
import { Disclosure } from "@/ui/Disclosure";
import { Soft, Stack } from "@/ui/layout";

const List = styled.ul`
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 0.9rem;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.6rem;
    padding: 0.2rem 0;
    border-bottom: 1px dotted var(--seam-soft);
  }
  h4 {
    margin: 0;
    font-size: 0.9rem;
  }
`;

const signed = (value: number) => `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(1)}`;

function Rules({ title, judgement }: { title: string; judgement: Judgement }) {
  return (
    <div>
      <strong>{title}</strong>
      <List>
        {judgement.rules.map((rule) => (
          <li key={rule.says}>
            <span>{rule.says}</span>
            <span>{signed(rule.steps)}</span>
          </li>
        ))}
      </List>
    </div>
  );
}

/** Why a place ranks where it does: every point against it, every rule that fired. */
export function Reasons({ candidate }: { candidate: Candidate }) {
  const { rustle, visibility, wind } = candidate;
  return (
    <Disclosure title={`Why: ${candidate.points.toFixed(0)} points against it`}>
      <Stack>
        <List>
          {candidate.reasons.map((reason) => (
            <li key={reason.says}>
              <span>{reason.says}</span>
              <span>{reason.points.toFixed(1)}</span>
            </li>
          ))}
        </List>
        <Rules title={`Rustle: ${STEP_NAMES.rustle[rustle.step]}`} judgement={rustle} />
        <Rules title={`To the camera: ${STEP_NAMES.visibility[visibility.step]}`} judgement={visibility} />
        <Rules title={`Wind: ${STEP_NAMES.wind[wind.step]}`} judgement={wind} />
        <Soft>
          Level, swing and lead are computed from height and mouth directivity; colour and cloth are estimates; the
          judgements are common practice, four steps from 0 to 3.
        </Soft>
      </Stack>
    </Disclosure>
  );
}
