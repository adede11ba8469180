"use client";

import { Radio, RadioGroup } from "react-aria-components";
import styled from "styled-components";
import { STEP_NAMES } from "@/core/dress/judgement";
import type { Candidate, RuledOut } from "@/core/dress/planDress";
import type { SiteId } from "@/core/dress/sites";
import { Disclosure } from "@/ui/Disclosure";
import { Soft, Stack } from "@/ui/layout";

const Group = styled(RadioGroup)`
  display: grid;
`;

const Row = styled(Radio)`
  min-height: 52px;
  padding: 0.35rem 0.5rem;
  display: grid;
  grid-template-columns: 2rem minmax(0, 1fr) auto;
  gap: 0.1rem 0.6rem;
  align-items: center;
  border-bottom: 1px solid var(--seam-soft);
  cursor: pointer;
  &[data-selected] {
    background: var(--chalk-soft);
    box-shadow: inset 4px 0 0 var(--chalk);
  }
  &[data-hovered]:not([data-selected]) {
    background: var(--paper-deep);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--chalk);
    outline-offset: -2px;
  }
`;

const Rank = styled.span`
  width: 1.9rem;
  height: 1.9rem;
  display: grid;
  place-items: center;
  border: 1.5px solid var(--chalk);
  border-radius: 50%;
  font-weight: 600;
  background: var(--paper);
`;

const Name = styled.span`
  font-weight: 500;
`;

const Facts = styled.span`
  grid-column: 2 / -1;
  font-size: 0.85rem;
  color: var(--ink-soft);
`;

const Level = styled.span`
  font-weight: 600;
  white-space: nowrap;
  small {
    font-weight: 400;
    color: var(--ink-soft);
  }
`;

const Out = styled.dl`
  margin: 0;
  display: grid;
  gap: 0.4rem;
  font-size: 0.9rem;
  dt {
    font-weight: 500;
  }
  dd {
    margin: 0;
    color: var(--ink-soft);
  }
`;

function factsOf({ rustle, visibility, wind, swingDb }: Candidate): string {
  const facts = [
    `swings ${swingDb.toFixed(1)} dB`,
    `rustle ${STEP_NAMES.rustle[rustle.step]}`,
    STEP_NAMES.visibility[visibility.step],
  ];
  if (wind.step > 0) facts.push(`wind: ${STEP_NAMES.wind[wind.step]}`);
  return facts.join(" · ");
}

/** The ranked places, and those that are out with the reason. */
export function CandidateList(props: {
  candidates: readonly Candidate[];
  ruledOut: readonly RuledOut[];
  chosen: SiteId | null;
  onChoose: (site: SiteId) => void;
}) {
  return (
    <Stack $gap={0.4}>
      <Group
        aria-label="Places, best first"
        value={props.chosen ?? ""}
        onChange={(value) => props.onChoose(value as SiteId)}
      >
        {props.candidates.map((candidate, index) => (
          <Row key={candidate.site.id} value={candidate.site.id}>
            <Rank aria-hidden>{index + 1}</Rank>
            <Name>{candidate.site.name}</Name>
            <Level>
              {candidate.levelDb.toFixed(0)} <small>dB</small>
            </Level>
            <Facts>{factsOf(candidate)}</Facts>
          </Row>
        ))}
      </Group>
      {props.candidates.length === 0 && (
        <Soft>Nothing on this outfit works for this shot. Open a layer, or plan a boom.</Soft>
      )}
      {props.ruledOut.length > 0 && (
        <Disclosure title={`Ruled out: ${props.ruledOut.length}`}>
          <Out>
            {props.ruledOut.map(({ site, reason }) => (
              <div key={site.id}>
                <dt>{site.name}</dt>
                <dd>{reason}</dd>
              </div>
            ))}
          </Out>
        </Disclosure>
      )}
    </Stack>
  );
}
