"use client";

import { useEffect, useMemo, useRef, type KeyboardEvent } from "react";
import styled from "styled-components";
import { UserPlus } from "lucide-react";
import { lineId, boardLines, type BoardLine, type PlannedLine } from "@/core/board";
import { scenesInOrder } from "@/core/records";
import { say } from "@/messages";
import { useShoot } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Link, useAddress } from "@/ui/address";
import { ThreadSample } from "@/ui/Stitch";
import { Soft } from "@/ui/layout";
import { useAddTalent } from "./useAddTalent";
import { withFocus, type Focus } from "./focus";
import { useLinePlans } from "./useLinePlans";

const Nav = styled.nav`
  position: sticky;
  top: var(--bar);
  height: calc(100dvh - var(--bar));
  overflow-y: auto;
  width: 13.6rem;
  padding: 0.6rem 0 0.8rem;
  border-right: 1px solid var(--seam-soft);
  h2 {
    font: inherit;
    font-size: 0.85rem;
    color: var(--ink-soft);
    padding: 0.5rem 0.7rem 0.2rem;
  }
  @media (max-width: 899px) {
    position: static;
    height: auto;
    width: auto;
    display: flex;
    overflow-x: auto;
    padding: 0;
    border-right: 0;
    border-bottom: 1px solid var(--seam-soft);
    h2 {
      display: none;
    }
  }
  @media print {
    display: none;
  }
`;

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  @media (max-width: 899px) {
    display: flex;
    flex: none;
    li {
      flex: none;
    }
  }
`;

const Talent = styled(Link)`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  column-gap: 0.4rem;
  min-height: var(--hit);
  padding: 0.25rem 0.6rem;
  color: var(--ink);
  text-decoration: none;
  outline-offset: -3px;
  b {
    font-weight: 500;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  small {
    grid-column: 1 / -1;
    font-size: 0.82rem;
    line-height: 1.25;
    color: var(--ink-soft);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  &:hover {
    background: var(--paper-deep);
  }
  &[aria-current] {
    background: var(--paper);
    box-shadow: inset 3px 0 0 var(--ink);
    b {
      font-weight: 700;
    }
    small {
      white-space: normal;
    }
  }
  @media (max-width: 899px) {
    grid-template-columns: repeat(3, auto);
    white-space: nowrap;
    &[aria-current] {
      box-shadow: inset 0 3px 0 var(--ink);
    }
    small {
      display: none;
    }
  }
`;

const Mark = styled.span<{ $is: "redo" | "risk" }>`
  font-size: 0.8rem;
  font-weight: 700;
  color: ${({ $is }) => ($is === "redo" ? "var(--bad)" : "var(--warn)")};
`;

const AddPlace = styled.div`
  padding: 0.5rem 0.6rem;
  @media (max-width: 899px) {
    flex: none;
    padding: 0 0.6rem;
  }
`;

/** From this weight on a risk has its mark in the list. */
const MARKED_FROM = 1.8;
/** So many of other scenes are listed; the rest is found by name. */
const MOST_OTHERS = 40;

/** What stands at a name: to be redone, at risk, or nothing. */
export function markOf(planned: PlannedLine | undefined): "redo" | "risk" | null {
  if (!planned) return null;
  if (Object.values(planned.stitches).includes("unpicked")) return "redo";
  return (planned.risks[0]?.weight ?? 0) >= MARKED_FROM ? "risk" : null;
}

const MARKS = { redo: "redo", risk: "!" } as const;

function Entry(props: { line: BoardLine; planned: PlannedLine | undefined; isChosen: boolean; isHere: boolean }) {
  const { line, planned, isChosen, isHere } = props;
  const { query } = useAddress();
  const { wearer, scene } = line;
  const mark = markOf(planned);
  const [risk] = planned?.risks ?? [];
  return (
    <li>
      <Talent
        href={withFocus(query, { wearerId: wearer.id, sceneId: scene?.id ?? null })}
        replace
        keepsPlace
        aria-current={isChosen ? "true" : undefined}
      >
        <ThreadSample thread={wearer.body.thread} />
        <b>{wearer.body.name}</b>
        {isHere && mark && (
          <Mark
            $is={mark}
            aria-label={mark === "risk" ? "at risk" : undefined}
            role={mark === "risk" ? "img" : undefined}
          >
            {MARKS[mark]}
          </Mark>
        )}
        {isHere && risk && <small>{say(risk.says)}</small>}
      </Talent>
    </li>
  );
}

/** Moves along the names by the arrow keys; Enter chooses, as on any link. */
function walk(event: KeyboardEvent<HTMLElement>): void {
  const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
  if (!by) return;
  const links = [...event.currentTarget.querySelectorAll<HTMLElement>("a")];
  const at = links.indexOf(document.activeElement as HTMLElement);
  const next = links[at + by];
  if (!next) return;
  event.preventDefault();
  next.focus();
}

/** The talent of the scene that is worked on, then those of other scenes: the same list on every station about people. */
export function CallList({ focus, onRoom }: { focus: Focus; onRoom: (room: HTMLElement | null) => void }) {
  const { bundle } = useShoot();
  const { lines: planned } = useLinePlans();
  const addTalent = useAddTalent();
  const list = useRef<HTMLElement>(null);
  const lines = useMemo(() => boardLines(bundle), [bundle]);
  const sceneId = focus.scene?.id ?? null;
  const here = lines.filter(({ scene }) => sceneId !== null && scene?.id === sceneId);
  const isHere = new Set(here.map(({ wearer }) => wearer.id));
  const order = useMemo(() => new Map(scenesInOrder(bundle.scenes).map(({ id }, at) => [id, at])), [bundle.scenes]);
  const others = [
    ...new Map(
      lines
        .filter(({ wearer }) => !isHere.has(wearer.id))
        .map((line) => [line.wearer.id, line] as const)
        .reverse(),
    ).values(),
  ].sort((one, other) => (order.get(one.scene?.id ?? "") ?? Infinity) - (order.get(other.scene?.id ?? "") ?? Infinity));
  const chosenId = focus.talent?.id;
  useEffect(() => {
    list.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [chosenId]);
  return (
    <Nav aria-label="Talent" ref={list} onKeyDown={walk}>
      <h2>In this scene</h2>
      {here.length === 0 && <Soft style={{ padding: "0 0.7rem" }}>Nobody yet.</Soft>}
      <List>
        {here.map((line) => (
          <Entry
            key={lineId(line)}
            line={line}
            planned={planned.get(lineId(line))}
            isChosen={line.rig !== null && line.rig.id === focus.rig?.id}
            isHere
          />
        ))}
      </List>
      {others.length > 0 && (
        <>
          <h2>In other scenes</h2>
          <List>
            {others.slice(0, MOST_OTHERS).map((line) => (
              <Entry key={lineId(line)} line={line} planned={undefined} isChosen={false} isHere={false} />
            ))}
          </List>
          {others.length > MOST_OTHERS && (
            <Soft style={{ padding: "0.3rem 0.7rem" }}>{others.length - MOST_OTHERS} more: press / to find one.</Soft>
          )}
        </>
      )}
      <div ref={onRoom} />
      {lines.length > 0 && (
        <AddPlace>
          <Button look="quiet" onPress={() => addTalent(sceneId)}>
            <UserPlus size={16} aria-hidden /> Add talent
          </Button>
        </AddPlace>
      )}
    </Nav>
  );
}
