"use client";

import { MoreVertical, UserPlus } from "lucide-react";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import styled from "styled-components";
import { boardOf, worstRisk, type BoardRow, type Stitch as StitchState } from "@/core/shoot/board";
import { STATIONS, STATION_IDS } from "@/core/shoot/stations";
import { Button } from "@/ui/Button";
import { Stitch, ThreadSample } from "@/ui/Stitch";
import { Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useRemoval, useShoot, useShootStore } from "../saving/ShootProvider";
import { addWearer } from "../shell/newWearer";
import { stationHref } from "../shell/ThreadNav";

const MenuPlace = styled.span`
  width: 52px;
  height: 44px;
`;

// What is seldom needed follows a moment after the stitches.
const Menu = dynamic(() => import("@/ui/Menu").then((module) => module.Menu), {
  ssr: false,
  loading: () => <MenuPlace />,
});

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

function WearerRow({ row, shootId }: { row: BoardRow; shootId: string }) {
  const remove = useRemoval();
  const { wearer, scene, rig, stitches, risks } = row;
  const [first] = risks;
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
            <Cell
              href={stationHref(shootId, id, wearer.id, scene?.id ?? null)}
              data-state={stitches[id]}
              prefetch={false}
            >
              <Stitch state={stitches[id]} thread={wearer.body.thread} />
              <p>
                <b>{STATIONS[id].name}</b>
                <span>{STATE_WORDS[stitches[id]]}</span>
              </p>
            </Cell>
          </li>
        ))}
      </Line>
      {first && (
        <Soft>
          {first.says} {first.doThis}
        </Soft>
      )}
    </Wearer>
  );
}

/** The page a recordist keeps open: wearers by stations in stitches, the worst risk of the day on top. */
export function BoardScreen() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const router = useRouter();
  const rows = useMemo(() => boardOf(bundle), [bundle]);
  const worst = worstRisk(rows);
  const shootId = bundle.shoot.id;
  const worstWearer = rows.find((row) => row.wearer.id === worst?.wearerId)?.wearer.body.name;

  return (
    <Stack>
      <VisuallyHidden as="h1">{bundle.shoot.body.title}: board</VisuallyHidden>
      {worst && (
        <Risk aria-label="Worst risk">
          <Stack $gap={0.1}>
            <Row $between>
              <Soft>Worst risk now: {worstWearer}</Soft>
              <RiskLink href={stationHref(shootId, worst.station, worst.wearerId, worst.sceneId)}>
                Go to {STATIONS[worst.station].name}
              </RiskLink>
            </Row>
            <Lead>{worst.says}</Lead>
            {worst.doThis && <p>{worst.doThis}</p>}
          </Stack>
        </Risk>
      )}
      {rows.length === 0 && (
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
      {rows.map((row) => (
        <WearerRow key={row.rig?.id ?? row.wearer.id} row={row} shootId={shootId} />
      ))}
      <Row $between>
        <Button look="main" onPress={() => router.push(stationHref(shootId, "dress", addWearer(store, bundle)))}>
          <UserPlus size={18} aria-hidden /> Add a wearer
        </Button>
        <DayLink href={stationHref(shootId, "day", null)} prefetch={false}>
          Day sheet: who is dressed when
        </DayLink>
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
