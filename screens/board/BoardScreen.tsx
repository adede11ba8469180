"use client";

import { say } from "@/messages";
import { Link, goTo } from "@/ui/address";
import { MoreVertical, UserPlus } from "lucide-react";
import { later } from "@/ui/later";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { Fragment, memo, useEffect, useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from "react";
import styled from "styled-components";
import {
  type BoardLine,
  boardLines,
  lineId,
  type PlannedLine,
  STATION_IDS,
  STATIONS,
  type Stitch as StitchState,
  worstRisk,
} from "@/core/board";
import { Button } from "@/ui/Button";
import { Stitch, ThreadSample } from "@/ui/Stitch";
import { Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import type { ShootBundle } from "@/core/records";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { useRemoval } from "../shell/useRemoval";
import { addWearer } from "../shell/newWearer";
import { stationHref } from "../shell/ThreadNav";
import { plannerOf, type BoardPlans } from "./boardPlanner";

const MenuPlace = styled.span`
  width: 52px;
  height: 44px;
`;

// What is seldom needed follows a moment after the stitches.
const Menu = later(() => import("@/ui/Menu").then((module) => module.Menu), <MenuPlace />);

const STATE_WORDS: Record<StitchState, string> = {
  loose: "nothing yet",
  basted: "planned",
  sewn: "proved",
  unpicked: "must be redone",
};

const Risk = styled(Piece)`
  padding-block: 0.4rem 0.8rem;
  border-left: 6px double var(--warn);
`;

const Wearer = styled.article`
  background: var(--paper);
  border: 1px solid var(--seam);
  padding: 0.5rem 0.9rem 0.7rem;
  display: grid;
  gap: 0.2rem;
  h2 {
    font-size: 1.1rem;
  }
`;

const Line = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  row-gap: 0.2rem;
  @media (min-width: 760px) {
    grid-template-columns: repeat(8, minmax(0, 1fr));
  }
`;

const Cell = styled(Link)`
  display: block;
  min-height: 56px;
  padding: 0.25rem 0;
  color: var(--ink);
  text-decoration: none;
  border-left: 1px dashed var(--seam-soft);
  &:hover {
    background: var(--paper-deep);
  }
  p {
    font-size: 0.85rem;
    padding-left: 0.3rem;
    @media (max-width: 500px) {
      font-size: 0.78rem;
    }
  }
  b {
    font-weight: 600;
  }
  span {
    color: var(--ink-soft);
    display: block;
  }
  &[data-state="unpicked"] span {
    color: var(--bad);
    font-weight: 600;
  }
`;

const DayLink = styled(Link)`
  min-height: 44px;
  display: inline-flex;
  align-items: center;
`;

const RiskLink = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  font-weight: 600;
`;

const Legend = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.6rem;
  font-size: 0.85rem;
  color: var(--ink-soft);
  li {
    display: grid;
    grid-template-columns: 64px auto;
    align-items: center;
    gap: 0.5rem;
  }
`;

interface WearerRowProps {
  line: BoardLine;
  /** Null until it is planned. */
  planned: PlannedLine | null;
  shootId: string;
}

const WearerRow = memo(function WearerRow({ line, planned, shootId }: WearerRowProps) {
  const remove = useRemoval();
  const { wearer, scene, rig } = line;
  const risk = planned?.risk;
  return (
    <Wearer aria-label={scene ? `${wearer.body.name}, ${scene.body.title}` : wearer.body.name}>
      <Row $between>
        <Row>
          <ThreadSample thread={wearer.body.thread} />
          <h2>{wearer.body.name}</h2>
          {scene && (
            <Soft>
              Day {scene.body.day}, {scene.body.startsAt}: {scene.body.title}
            </Soft>
          )}
        </Row>
        <Menu
          label={`More for ${wearer.body.name}`}
          icon={<MoreVertical size={18} aria-hidden />}
          choices={[
            ...(rig && scene
              ? [
                  {
                    id: "rig",
                    name: `Take out of ${scene.body.title}`,
                    onChoose: () => remove("rig", rig.id, `${wearer.body.name} in ${scene.body.title}`),
                  },
                ]
              : []),
            {
              id: "delete",
              name: "Take off the board",
              onChoose: () => remove("wearer", wearer.id, wearer.body.name),
            },
          ]}
        />
      </Row>
      <Line>
        {STATION_IDS.map((id) => (
          <li key={id}>
            <Cell href={stationHref(shootId, id, wearer.id, scene?.id ?? null)} data-state={planned?.stitches[id]}>
              <Stitch state={planned?.stitches[id] ?? "loose"} thread={wearer.body.thread} />
              <p>
                <b>{STATIONS[id].name}</b>
                <span>{planned ? STATE_WORDS[planned.stitches[id]] : "…"}</span>
              </p>
            </Cell>
          </li>
        ))}
      </Line>
      {risk && (
        <Soft>
          {say(risk.says)} {risk.doThis && say(risk.doThis)}
        </Soft>
      )}
    </Wearer>
  );
});

/** More lines than this are drawn only where they are seen. */
const MOST_DRAWN = 60;
/** How high a line is before it was seen, px. */
const USUAL_HEIGHT = 150;

const Tall = styled.div`
  position: relative;
  > div {
    position: absolute;
    inset: 0 0 auto 0;
    padding-bottom: 1rem;
  }
`;

/** Lines of which only those are drawn that are on the screen. */
function SeenLines({
  lines,
  onSee,
  children,
}: {
  lines: readonly BoardLine[];
  onSee: (ids: string) => void;
  children: (line: BoardLine) => ReactNode;
}) {
  const tall = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => setTop(tall.current?.offsetTop ?? 0), []);
  const virtualizer = useWindowVirtualizer({
    count: lines.length,
    estimateSize: () => USUAL_HEIGHT,
    overscan: 6,
    scrollMargin: top,
    getItemKey: (at) => lineId(lines[at]!),
  });
  const seen = virtualizer.getVirtualItems();
  const ids = seen.map(({ key }) => key).join(" ");
  useEffect(() => onSee(ids), [ids, onSee]);
  return (
    <Tall ref={tall} style={{ height: virtualizer.getTotalSize() }}>
      {seen.map(({ key, index, start }) => (
        <div
          key={key}
          ref={virtualizer.measureElement}
          data-index={index}
          style={{ transform: `translateY(${start - virtualizer.options.scrollMargin}px)` }}
        >
          {children(lines[index]!)}
        </div>
      ))}
    </Tall>
  );
}

/** Plans of the board's lines as a worker makes them; those first that are seen. */
function useBoardPlans(bundle: ShootBundle, seen: string): BoardPlans {
  const planner = plannerOf(bundle.shoot.id);
  const plans = useSyncExternalStore(planner.subscribe, planner.plans, planner.plans);
  const first = useRef(seen);
  useEffect(() => {
    first.current = seen;
  }, [seen]);
  useEffect(() => {
    // The board is drawn before the whole shoot is handed to the worker. What is read of it is read now, and so watched.
    const whole = { ...bundle };
    const soon = setTimeout(() => planner.plan(whole, first.current.split(" ")), 0);
    return () => clearTimeout(soon);
  }, [planner, bundle]);
  return plans;
}

/** The page a recordist keeps open: wearers by stations in stitches, the worst risk of the day on top. */
export function BoardScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const shootId = bundle.shoot.id;
  const lines = useMemo(() => boardLines(bundle), [bundle]);
  const [seen, setSeen] = useState("");
  const plans = useBoardPlans(bundle, seen);
  const worst = useMemo(
    () => worstRisk(lines.map((line) => plans.lines.get(lineId(line))?.risk ?? null)),
    [lines, plans],
  );
  const worstName = lines.find(({ wearer }) => wearer.id === worst?.wearerId)?.wearer.body.name;
  const rowOf = (line: BoardLine) => (
    <WearerRow line={line} planned={plans.lines.get(lineId(line)) ?? null} shootId={shootId} />
  );

  return (
    <Stack>
      <VisuallyHidden as="h1">{bundle.shoot.body.title}: board</VisuallyHidden>
      {worst && (
        <Risk aria-label="Worst risk">
          <Stack $gap={0.1}>
            <Row $between>
              <Soft>Worst risk now: {worstName}</Soft>
              <RiskLink href={stationHref(shootId, worst.station, worst.wearerId, worst.sceneId)}>
                Go to {STATIONS[worst.station].name}
              </RiskLink>
            </Row>
            <Lead>{say(worst.says)}</Lead>
            {worst.doThis && <p>{say(worst.doThis)}</p>}
          </Stack>
        </Risk>
      )}
      {plans.left > 0 && lines.length > MOST_DRAWN && (
        <Soft role="status">
          {plans.left === Infinity ? "Planning…" : `Planning: ${lines.length - plans.left} of ${lines.length}`}
        </Soft>
      )}
      {lines.length === 0 && (
        <Piece>
          <Stack>
            <Lead>Nobody to wire yet.</Lead>
            <Soft>
              Start with the place at Scout, then add the first person here: outfit, microphone place, levels and check
              follow from it.
            </Soft>
          </Stack>
        </Piece>
      )}
      {lines.length > MOST_DRAWN ? (
        <SeenLines lines={lines} onSee={setSeen}>
          {rowOf}
        </SeenLines>
      ) : (
        lines.map((line) => <Fragment key={lineId(line)}>{rowOf(line)}</Fragment>)
      )}
      <Row $between>
        <Button look="main" onPress={() => goTo(stationHref(shootId, "dress", addWearer(store, bundle)))}>
          <UserPlus size={18} aria-hidden /> Add talent
        </Button>
        <DayLink href={stationHref(shootId, "day", null)}>Day sheet: who is dressed when</DayLink>
        <Legend aria-label="What the stitches mean">
          {(Object.keys(STATE_WORDS) as StitchState[]).map((state) => (
            <li key={state}>
              <Stitch state={state} thread={7} />
              <span>
                {state}: {STATE_WORDS[state]}
              </span>
            </li>
          ))}
        </Legend>
      </Row>
    </Stack>
  );
}
