"use client";

import { JUDGED_NAMES, say } from "@/messages";
import styled from "styled-components";
import {
  type Candidate,
  type CriterionReason,
  type DressPlan,
  explain,
  SCHOOL_POINTS,
  schoolReasons,
  type Site,
  worseThan,
} from "@/core/dress";
import { Disclosure } from "@/ui/Disclosure";
import { Select } from "@/ui/Select";
import { Soft, Stack } from "@/ui/layout";
import { useHelp } from "./useHelp";
import { useState } from "react";

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
`;

const signed = (value: number) => `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(1)}`;

function Reason({ reason }: { reason: CriterionReason }) {
  const { judged } = reason;
  const title = `${reason.name}${judged ? `, ${JUDGED_NAMES[judged.of][judged.step]}` : ""}: ${reason.points.toFixed(1)}`;
  return (
    <Disclosure title={title}>
      <List>
        {reason.rules.map((rule) => (
          <li key={say(rule.says)}>
            <span>{say(rule.says)}</span>
            <span>{signed(rule.steps)}</span>
          </li>
        ))}
      </List>
    </Disclosure>
  );
}

function NotThat({ site, candidate, dress }: { site: Site; candidate: Candidate; dress: DressPlan }) {
  const other = dress.places.find((place) => place.site.id === site.id)?.best ?? null;
  const ruledOut = dress.ruledOut.find((each) => each.site.id === site.id);
  const help = useHelp(dress.facts.input, site.id);
  const tried = help === "failed" ? null : help;
  const worse = other ? worseThan(other, candidate, dress) : [];
  return (
    <Stack $gap={0.5}>
      {ruledOut && <p>{say(ruledOut.reason)}</p>}
      {other && worse.length > 0 && (
        <p>
          {worse
            .slice(0, 3)
            .map((reason) => `${reason.name}: ${reason.rules[0] ? say(reason.rules[0].says) : ""}`)
            .join(" ")}
        </p>
      )}
      {other && worse.length === 0 && <p>There is hardly any difference.</p>}
      <strong>What would help</strong>
      {help === null && <Soft role="status">Trying every single change…</Soft>}
      {help === "failed" && <Soft role="alert">The changes could not be tried: reload the page.</Soft>}
      {tried?.length === 0 && <Soft>No single change would help.</Soft>}
      {tried && tried.length > 0 && (
        <List>
          {tried.slice(0, 5).map(({ says, rank, saves }) => (
            <li key={say(says)}>
              <span>{say(says)}</span>
              <span>{saves === null ? `then rank ${rank}` : `saves ${saves.toFixed(0)}, rank ${rank}`}</span>
            </li>
          ))}
        </List>
      )}
    </Stack>
  );
}

/** Why this place: every criterion's points and rules; why not another, and what would help it. */
export function WhyView({ candidate, dress }: { candidate: Candidate; dress: DressPlan }) {
  const others = [...dress.places.map((place) => place.site), ...dress.ruledOut.map(({ site }) => site)].filter(
    (site, index, all) => site.id !== candidate.site.id && all.findIndex((each) => each.id === site.id) === index,
  );
  const [asked, setAsked] = useState<Site["id"] | null>(null);
  const other = others.find((site) => site.id === asked) ?? others[0] ?? null;
  const reasons = explain(candidate, dress);
  const against = reasons.filter((reason) => reason.cost > 0.02);
  const schools = schoolReasons(candidate, dress);
  return (
    <Stack>
      <Soft>
        {candidate.points.toFixed(1)} points against it, the fewest go first. Of {dress.considered} ways to place it{" "}
        {dress.evaluated} were worked out.
      </Soft>
      <div>
        {against.map((reason) => (
          <Reason key={reason.criterion} reason={reason} />
        ))}
        {schools.map((rule) => (
          <p key={say(rule.says)}>
            {say(rule.says)} {signed(rule.steps * SCHOOL_POINTS)}
          </p>
        ))}
      </div>
      {other && (
        <Stack $gap={0.6}>
          <Select
            label="Why not"
            value={other.id}
            options={others.map((site) => ({ value: site.id, name: site.name }))}
            onChange={setAsked}
          />
          <NotThat site={other} candidate={candidate} dress={dress} />
        </Stack>
      )}
      <Soft>
        Level, swing, level above noise, clarity and cable are computed; colour and cloth are estimates; judgements are
        common practice on steps of 0 to 3.
      </Soft>
    </Stack>
  );
}
