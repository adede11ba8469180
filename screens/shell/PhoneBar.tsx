"use client";

import { Menu as MenuIcon } from "lucide-react";
import { useState } from "react";
import { Button as AriaButton } from "react-aria-components";
import styled, { css } from "styled-components";
import { STATION_IDS, STATIONS, type StationId, type Stitch as State } from "@/core/board";
import { STATION_QUESTIONS } from "@/messages";
import { Dialog } from "@/ui/Dialog";
import { Link, useAddress } from "@/ui/address";
import { Soft } from "@/ui/layout";
import { stationHref } from "./stationHref";
import { BESIDE, Redo } from "./StationRail";

/** What is used standing up stands in the bar; a page that is open takes the last place. */
const IN_BAR: readonly StationId[] = ["dress", "link", "level", "check"];

const Bar = styled.nav`
  display: none;
  @media (max-width: 899px) {
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    position: fixed;
    inset: auto 0 0 0;
    z-index: 30;
    height: calc(56px + env(safe-area-inset-bottom));
    padding-bottom: env(safe-area-inset-bottom);
    background: var(--cloth);
    border-top: 1px solid var(--seam);
  }
  @media print {
    display: none;
  }
`;

const slot = css`
  display: grid;
  place-content: center;
  justify-items: center;
  min-width: 0;
  border: 0;
  background: none;
  font: inherit;
  font-size: 0.9rem;
  color: var(--ink);
  text-decoration: none;
  outline-offset: -3px;
  &[aria-current] {
    background: var(--paper);
    font-weight: 700;
    box-shadow: inset 0 3px 0 var(--ink);
  }
`;

const Slot = styled(Link)`
  ${slot}
`;

const More = styled(AriaButton)`
  ${slot}
`;

const All = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  a {
    display: grid;
    grid-template-columns: 6rem minmax(0, 1fr) auto;
    align-items: center;
    gap: 0.6rem;
    min-height: 48px;
    color: var(--ink);
    text-decoration: none;
    border-top: 1px dashed var(--seam);
    &[aria-current] {
      font-weight: 700;
    }
  }
`;

/** The stations on a phone: a bar in reach of the thumb, the rest in a sheet. */
export function PhoneBar(props: {
  shootId: string;
  wearerId: string | null;
  sceneId: string | null;
  states: Record<StationId, State> | null;
}) {
  const { shootId, wearerId, sceneId, states } = props;
  const { path } = useAddress();
  const [isOpen, setIsOpen] = useState(false);
  const current = path.split("/")[3] ?? "";
  const isAt = (page: string) => (current === page ? "page" : undefined);
  const href = (page: StationId | "day" | "kit") => stationHref(shootId, page, wearerId, sceneId);
  const pages = [
    ...STATION_IDS.map((page) => ({ page, name: STATIONS[page].name, says: STATION_QUESTIONS[page] })),
    ...BESIDE,
  ];
  const isInBar = current === "" || IN_BAR.includes(current as StationId);
  const open = pages.find(({ page }) => page === current);
  const shown = !isInBar && open ? [...IN_BAR.slice(0, -1), open.page] : IN_BAR;
  return (
    <Bar aria-label="Pages">
      <Slot href={`/shoots/${shootId}`} aria-current={isAt("")}>
        Board
      </Slot>
      {shown.map((page) => (
        <Slot key={page} href={href(page)} aria-current={isAt(page)}>
          {pages.find((each) => each.page === page)!.name}
        </Slot>
      ))}
      <More aria-label="All stations" onPress={() => setIsOpen(true)}>
        <MenuIcon size={20} aria-hidden />
      </More>
      <Dialog title="All stations" isOpen={isOpen} onClose={() => setIsOpen(false)}>
        <All>
          {pages.map(({ page, name, says }) => (
            <li key={page}>
              <Link href={href(page)} aria-current={isAt(page)} onClick={() => setIsOpen(false)}>
                <span>{name}</span>
                <Soft as="span">{says}</Soft>
                {page !== "day" && page !== "kit" && states?.[page] === "unpicked" && <Redo>redo</Redo>}
              </Link>
            </li>
          ))}
        </All>
      </Dialog>
    </Bar>
  );
}
