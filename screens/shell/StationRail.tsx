"use client";

import styled from "styled-components";
import { STATION_IDS, STATIONS, type StationId, type Stitch as State } from "@/core/board";
import { STATION_QUESTIONS } from "@/messages";
import { Link, useAddress } from "@/ui/address";
import { Stitch } from "@/ui/Stitch";
import { VisuallyHidden } from "@/ui/layout";
import { stationHref } from "./stationHref";
import { STATE_WORDS } from "./stateWords";

const Nav = styled.nav`
  position: sticky;
  top: var(--bar);
  height: calc(100dvh - var(--bar));
  overflow-y: auto;
  width: 8.2rem;
  padding: 0.4rem 0 0.6rem;
  border-right: 1px solid var(--seam-soft);
  @media (max-width: 899px) {
    display: none;
  }
  @media print {
    display: none;
  }
`;

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
`;

const Stop = styled(Link)`
  display: grid;
  grid-template: 3.3rem / 28px minmax(0, 1fr) auto;
  align-items: center;
  gap: 0.35rem;
  padding-right: 0.5rem;
  color: var(--ink);
  text-decoration: none;
  outline-offset: -3px;
  > span:first-child {
    display: block;
    height: 3.3rem;
  }
  &:hover {
    background: var(--paper-deep);
  }
  &[aria-current] {
    background: var(--paper);
    font-weight: 700;
    box-shadow: inset 3px 0 0 var(--ink);
  }
`;

const Beside = styled(Link)`
  display: flex;
  align-items: center;
  min-height: var(--hit);
  padding: 0 0.5rem 0 calc(28px + 0.35rem);
  color: var(--ink);
  text-decoration: none;
  outline-offset: -3px;
  &:hover {
    background: var(--paper-deep);
  }
  &[aria-current] {
    background: var(--paper);
    font-weight: 700;
    box-shadow: inset 3px 0 0 var(--ink);
  }
`;

export const Redo = styled.span`
  color: var(--bad);
  font-size: 0.8rem;
  font-weight: 700;
`;

/** Where one may go in a shoot, beside its stations. */
export const BESIDE = [
  { page: "day", name: "Day sheet", says: "Who is dressed when?" },
  { page: "kit", name: "Kit", says: "What do I pack?" },
] as const;

/** The eight stations as one running stitch, each in the state it has for the talent that is worked on. */
export function StationRail(props: {
  shootId: string;
  wearerId: string | null;
  sceneId: string | null;
  thread: number | null;
  states: Record<StationId, State> | null;
}) {
  const { shootId, wearerId, sceneId, thread, states } = props;
  const { path } = useAddress();
  const current = path.split("/")[3] ?? "";
  const isAt = (page: string) => (current === page ? "page" : undefined);
  return (
    <Nav aria-label="Stations">
      <Beside href={`/shoots/${shootId}`} aria-current={isAt("")} title="What now? (b)">
        Board
      </Beside>
      <List>
        {STATION_IDS.map((id, index) => {
          const state = states?.[id] ?? "loose";
          return (
            <li key={id}>
              <Stop
                href={stationHref(shootId, id, wearerId, sceneId)}
                aria-current={isAt(id)}
                title={`${STATION_QUESTIONS[id]} (${index + 1})`}
              >
                <span>
                  <Stitch state={state} thread={thread} isUpright />
                </span>
                <span>{STATIONS[id].name}</span>
                {states &&
                  (state === "unpicked" ? <Redo>redo</Redo> : <VisuallyHidden>{STATE_WORDS[state]}</VisuallyHidden>)}
              </Stop>
            </li>
          );
        })}
      </List>
      {BESIDE.map(({ page, name, says }) => (
        <Beside
          key={page}
          href={stationHref(shootId, page, wearerId, sceneId)}
          aria-current={isAt(page)}
          title={page === "day" ? `${says} (d)` : says}
        >
          {name}
        </Beside>
      ))}
    </Nav>
  );
}
