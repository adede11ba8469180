"use client";

import { CalendarPlus, FileText, Package, PackageCheck, UserPlus } from "lucide-react";
import { useMemo, useState } from "react";
import styled from "styled-components";
import { type Stitch as State } from "@/core/board";
import { usualChain } from "@/core/planning";
import { scenesInOrder } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";
import { Button } from "@/ui/Button";
import { Link, setInAddress } from "@/ui/address";
import { Choice } from "@/ui/Choice";
import { later } from "@/ui/later";
import { Stitch } from "@/ui/Stitch";
import { Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { STATE_WORDS } from "../shell/stateWords";
import { stationHref } from "../shell/stationHref";
import { useAddTalent } from "../shell/useAddTalent";
import { useFocus } from "../shell/useFocus";
import { useLinePlans, usePlanningAll } from "../shell/useLinePlans";
import { boardItems, itemsOfDay } from "./boardGroups";
import { BoardTable, MOST_DRAWN } from "./BoardTable";
import { NextList } from "./NextList";

const SceneDialog = later(() => import("../shell/SceneDialog").then((module) => module.SceneDialog));

const Bench = styled.div`
  display: grid;
  gap: 0.9rem;
  align-items: start;
  grid-template-columns: minmax(0, 1fr);
  @media (min-width: 1100px) {
    grid-template-columns: minmax(15rem, 19rem) minmax(0, 1fr);
    > [data-part="next"] {
      position: sticky;
      top: calc(var(--bar) + 0.9rem);
    }
  }
`;

const Legend = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
  font-size: 0.85rem;
  color: var(--ink-soft);
  li {
    display: grid;
    grid-template-columns: 48px auto;
    align-items: center;
    gap: 0.4rem;
  }
`;

const Way = styled(Link)`
  min-height: var(--hit);
  display: inline-flex;
  align-items: center;
  gap: 0.35rem;
`;

/** The page a recordist keeps open: what to do now, and every talent at every station. */
export function BoardScreen() {
  const { bundle } = useShoot();
  const addTalent = useAddTalent();
  const [isAddingScene, setIsAddingScene] = useState(false);
  const shootId = bundle.shoot.id;
  const items = useMemo(() => boardItems(bundle), [bundle]);
  const [seen, setSeen] = useState("");
  usePlanningAll(seen);
  const plans = useLinePlans();
  const focus = useFocus();
  const { days } = bundle.shoot.body;
  // A phone shows one day at a time.
  const day = useIsNarrow() && days > 1 ? (focus.scene?.body.day ?? 1) : null;
  const shownItems = day === null ? items : itemsOfDay(items, day);
  const ids = items.flatMap((item) => (item.is === "line" ? [item.id] : []));
  const risks = ids.flatMap((id) => plans.lines.get(id)?.risks ?? []);
  const isPlanning = plans.left > 0;

  return (
    <Bench>
      <VisuallyHidden as="h1">{bundle.shoot.body.title}: board</VisuallyHidden>
      <Stack $gap={0.6} role="region" aria-label="Next" data-part="next">
        <h2>Next</h2>
        {ids.length === 0 ? (
          <Piece>
            <Stack $gap={0.6}>
              <Lead>No talent yet.</Lead>
              <Soft>
                Add the place at Scout, then the talent: outfit, microphone, levels and checks follow from them.
              </Soft>
            </Stack>
          </Piece>
        ) : (
          <NextList shootId={shootId} risks={risks} talent={bundle.wearers} isPlanning={isPlanning} />
        )}
        {usualChain(bundle.kit) === null && (
          <Way href={`/shoots/${shootId}/kit?ask=kit`}>
            <Package size={16} aria-hidden /> What do you have?
          </Way>
        )}
        {isPlanning && items.length > MOST_DRAWN && (
          <Soft role="status">
            {plans.left === Infinity ? "Planning…" : `Planning: ${ids.length - plans.left} of ${ids.length}`}
          </Soft>
        )}
      </Stack>
      <Stack $gap={0.6} data-part="picture">
        <Row $between>
          <Row>
            <Button look={ids.length === 0 ? "main" : "plain"} onPress={() => addTalent()}>
              <UserPlus size={16} aria-hidden /> Add talent
            </Button>
            <Button onPress={() => setIsAddingScene(true)}>
              <CalendarPlus size={16} aria-hidden /> Add scene
            </Button>
          </Row>
          <Row $gap={1}>
            <Way href={stationHref(shootId, "day", null)}>
              <FileText size={16} aria-hidden /> Day sheet
            </Way>
            <Way href={stationHref(shootId, "kit", null, focus.scene?.id)}>
              <PackageCheck size={16} aria-hidden /> Packing list
            </Way>
          </Row>
        </Row>
        {day !== null && (
          <Choice
            isPlain
            label="Day"
            value={String(day)}
            options={Array.from({ length: days }, (_, index) => ({
              value: String(index + 1),
              name: `Day ${index + 1}`,
            }))}
            onChange={(next) => {
              const first = scenesInOrder(bundle.scenes).find((scene) => scene.body.day === Number(next));
              if (first) setInAddress({ scene: first.id });
            }}
          />
        )}
        {items.length > 0 && (
          <BoardTable
            shootId={shootId}
            items={shownItems}
            places={bundle.places}
            planned={plans.lines}
            onSee={setSeen}
          />
        )}
        <Legend aria-label="What the stitches mean">
          {(Object.keys(STATE_WORDS) as State[]).map((state) => (
            <li key={state}>
              <Stitch state={state} thread={null} />
              {STATE_WORDS[state]}
            </li>
          ))}
        </Legend>
      </Stack>
      {isAddingScene && <SceneDialog scene={null} onClose={() => setIsAddingScene(false)} />}
    </Bench>
  );
}
