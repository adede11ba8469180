"use client";

import { Link, useAddress } from "@/ui/address";
import { useEffect, useRef } from "react";
import styled from "styled-components";
import { STATION_IDS, type StationId, STATIONS } from "@/core/board";

const Nav = styled.nav`
  overflow-x: auto;
  scrollbar-width: none;
`;

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0 0.5rem;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(78px, 1fr);
  position: relative;
  min-width: max-content;
  &::before {
    content: "";
    position: absolute;
    inset: 17px 0 auto 0;
    border-top: 2px dashed var(--seam);
  }
`;

const Stop = styled(Link)`
  position: relative;
  min-height: 56px;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 0.1rem;
  padding-top: 6px;
  color: var(--ink);
  text-decoration: none;
  font-size: 0.95rem;
  &:hover span {
    text-decoration: underline;
    text-underline-offset: 0.25em;
  }
  &[aria-current] {
    font-weight: 700;
  }
`;

const ButtonMark = styled.svg`
  width: 24px;
  height: 24px;
  fill: var(--cloth);
  stroke: var(--ink-soft);
  stroke-width: 1.6;
  [aria-current] & {
    fill: var(--ink);
    stroke: var(--ink);
    color: var(--cloth);
  }
`;

/** Address of a station, keeping the wearer and the scene that are being worked on. */
export function stationHref(
  shootId: string,
  station: StationId | "card" | "day",
  wearerId: string | null,
  sceneId: string | null = null,
): string {
  const query = new URLSearchParams();
  if (wearerId) query.set("wearer", wearerId);
  if (wearerId && sceneId) query.set("scene", sceneId);
  return `/shoots/${shootId}/${station}${query.size > 0 ? `?${query.toString()}` : ""}`;
}

/** The thread of eight stations, each a sewn-on button. */
export function ThreadNav({ shootId }: { shootId: string }) {
  const { path } = useAddress();
  const { query } = useAddress();
  const wearerId = query.get("wearer");
  const sceneId = query.get("scene");
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    list.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [path]);
  return (
    <Nav aria-label="Stations">
      <List ref={list}>
        {STATION_IDS.map((id) => (
          <li key={id}>
            <Stop
              href={stationHref(shootId, id, wearerId, sceneId)}
              aria-current={path.endsWith(`/${id}`) ? "page" : undefined}
            >
              <ButtonMark viewBox="0 0 24 24" aria-hidden>
                <circle cx="12" cy="12" r="10" />
                <g fill="currentColor" stroke="none">
                  <circle cx="9.5" cy="12" r="1.5" />
                  <circle cx="14.5" cy="12" r="1.5" />
                </g>
              </ButtonMark>
              <span>{STATIONS[id].name}</span>
            </Stop>
          </li>
        ))}
      </List>
    </Nav>
  );
}
