"use client";

import { Link, goTo, replaceAddress, useAddress } from "@/ui/address";
import { Contrast, Keyboard } from "lucide-react";
import { later } from "@/ui/later";
import { useMemo, useState, type ReactNode } from "react";
import styled from "styled-components";
import { STATION_IDS, STATIONS } from "@/core/board";
import { STATION_QUESTIONS } from "@/messages";
import { Button } from "@/ui/Button";
import { Tooltip } from "@/ui/Tooltip";
import { useShootPart } from "@/data/ShootProvider";
import { Page } from "./Page";
import { SaveLine } from "./SaveLine";
import { ThreadNav, stationHref } from "./ThreadNav";
import { switchGround } from "./ground";
import { useShownKeys } from "./stationKeys";
import { useKeys, type KeyCommand } from "./useKeys";

// It comes right after the page, before anyone can ask for it, also where the signal is lost later.
const KeysDialog = later(() => import("./KeysDialog").then((module) => module.KeysDialog));

const Header = styled.header`
  padding: 0.5rem 1rem 0;
  display: grid;
  gap: 0.4rem;
  border-bottom: 1px solid var(--seam);
  @media print {
    display: none;
  }
`;

/** On a phone the save line falls below; title and tools share the first line. */
const TopLine = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 0 0.9rem;
  > [role="status"] {
    grid-row: 2;
    grid-column: 1 / -1;
  }
  @media (min-width: 700px) {
    grid-template-columns: auto minmax(0, 1fr) auto auto;
    > [role="status"] {
      grid-row: 1;
      grid-column: 3;
    }
  }
`;

const Tools = styled.div`
  display: flex;
  gap: 0.5rem;
  grid-row: 1;
  grid-column: -2;
`;

const Title = styled(Link)`
  min-width: 0;
  overflow-wrap: anywhere;
  font-family: "Fraunces Variable", serif;
  font-size: 1.25rem;
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
`;

const Home = styled(Link)`
  min-height: 44px;
  display: inline-flex;
  align-items: center;
`;

const Skip = styled.a`
  position: absolute;
  left: -999px;
  &:focus {
    left: 1rem;
    top: 0.5rem;
    z-index: 60;
    background: var(--paper);
    padding: 0.5rem 1rem;
  }
`;

/** The frame of every screen of a shoot: where we are, the thread, whether it is saved. */
export function ShootShell({ children }: { children: ReactNode }) {
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const title = useShootPart(({ bundle }) => bundle.shoot.body.title);
  const wearers = useShootPart(({ bundle }) => bundle.wearers);
  const { query } = useAddress();
  const wearerId = query.get("wearer");
  const sceneId = query.get("scene");
  const [isHelpOpen, setIsHelpOpen] = useState(false);
  const wearerIds = wearers.map(({ id }) => id).join(" ");

  const commands = useMemo<KeyCommand[]>(() => {
    const ids = wearerIds.split(" ").filter(Boolean);
    const nextWearer = (by: number) => {
      if (ids.length === 0) return;
      const at = Math.max(0, ids.indexOf(wearerId ?? ""));
      const url = new URL(window.location.href);
      url.searchParams.delete("scene");
      url.searchParams.set("wearer", ids[(at + by + ids.length) % ids.length]!);
      replaceAddress(`${url.pathname}${url.search}`);
    };
    return [
      { key: "b", says: "Board", run: () => goTo(`/shoots/${shootId}`) },
      { key: "d", says: "Day sheet: who is dressed when", run: () => goTo(stationHref(shootId, "day", null)) },
      ...STATION_IDS.map((id, index) => ({
        key: String(index + 1),
        says: `${STATIONS[id].name}: ${STATION_QUESTIONS[id]}`,
        run: () => goTo(stationHref(shootId, id, wearerId, sceneId)),
      })),
      { key: "n", says: "Next talent", run: () => nextWearer(1) },
      { key: "p", says: "Previous talent", run: () => nextWearer(-1) },
      { key: "g", says: "Ground: day or dark set", run: () => void switchGround() },
      { key: "?", says: "This list", run: () => setIsHelpOpen(true) },
    ];
  }, [shootId, wearerId, sceneId, wearerIds]);
  useKeys(commands);
  const stationKeys = useShownKeys();

  return (
    <>
      <Skip href="#work">To the work</Skip>
      <Header>
        <TopLine>
          <Home href="/">Shoots</Home>
          <Title href={`/shoots/${shootId}`}>{title}</Title>
          <SaveLine />
          <Tools>
            <Tooltip says="Day or dark set (g)">
              <Button aria-label="Switch between day and dark set" onPress={() => void switchGround()}>
                <Contrast size={18} aria-hidden />
              </Button>
            </Tooltip>
            <Tooltip says="Keys (?)">
              <Button aria-label="Show keys" onPress={() => setIsHelpOpen(true)}>
                <Keyboard size={18} aria-hidden />
              </Button>
            </Tooltip>
          </Tools>
        </TopLine>
        <ThreadNav shootId={shootId} />
      </Header>
      <Page id="work">{children}</Page>
      <KeysDialog isOpen={isHelpOpen} onClose={() => setIsHelpOpen(false)} commands={[...commands, ...stationKeys]} />
    </>
  );
}
