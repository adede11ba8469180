"use client";

import styled from "styled-components";
import { nextActions, STATIONS, type Risk } from "@/core/board";
import type { Stored } from "@/core/records";
import { listOf, say } from "@/messages";
import { Link } from "@/ui/address";
import { Soft } from "@/ui/layout";
import { stationHref } from "../shell/stationHref";

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
`;

const Action = styled(Link)<{ $weight: number }>`
  display: grid;
  gap: 0.15rem;
  padding: 0.5rem 0.7rem 0.55rem;
  color: var(--ink);
  text-decoration: none;
  background: var(--paper);
  border: 1px solid var(--seam);
  border-left: 5px
    ${({ $weight }) => ($weight >= 2.4 ? "double var(--bad)" : $weight >= 1.5 ? "double var(--warn)" : "solid var(--seam)")};
  strong {
    font-weight: 600;
    line-height: 1.3;
  }
  &:hover {
    background: var(--paper-deep);
  }
`;

const Foot = styled.span`
  display: flex;
  justify-content: space-between;
  gap: 0.6rem;
  font-size: 0.85rem;
  color: var(--ink-soft);
  b {
    flex: none;
    font-weight: 600;
    color: var(--chalk);
  }
`;

/** So many names are told; the rest is a number. */
const MOST_NAMES = 3;

function namesOf(names: readonly string[]): string {
  const more = names.length - MOST_NAMES;
  return more > 1 ? listOf([...names.slice(0, MOST_NAMES), `${more} more`]) : listOf(names);
}

/** What to do now: at most five things, worst first, each a press away. */
export function NextList(props: {
  shootId: string;
  risks: readonly Risk[];
  talent: readonly Stored<"wearer">[];
  isPlanning: boolean;
}) {
  const { shootId, risks, talent, isPlanning } = props;
  const actions = nextActions(risks);
  const names = new Map(talent.map(({ id, body }) => [id, body.name]));
  if (actions.length === 0)
    return <Soft>{isPlanning ? "Planning…" : "Nothing is open: everything is planned and verified."}</Soft>;
  return (
    <List>
      {actions.map(({ station, says, doThis, concerns, weight }) => {
        const [first] = concerns;
        const whom = [...new Set(concerns.map(({ wearerId }) => names.get(wearerId) ?? ""))];
        return (
          <li key={`${station} ${JSON.stringify(says)} ${first!.wearerId}`}>
            <Action $weight={weight} href={stationHref(shootId, station, first!.wearerId, first!.sceneId)}>
              <strong>{say(says)}</strong>
              {doThis && <span>{say(doThis)}</span>}
              <Foot>
                <span>{namesOf(whom)}</span>
                <b>{STATIONS[station].name}</b>
              </Foot>
            </Action>
          </li>
        );
      })}
    </List>
  );
}
