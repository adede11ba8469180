"use client";

import { lengthWords, say, timeWords } from "@/messages";
import { Link } from "@/ui/address";
import { Printer } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { SUPPLIES } from "@/core/dress";
import {
  dayPlan,
  daysOf,
  dayStrip,
  type DayTotals,
  type DressCall,
  levelsOfRig,
  type SceneCalls,
} from "@/core/planning";
import { Table, TableScroll } from "@/ui/Table";
import { Choice } from "@/ui/Choice";
import { Button } from "@/ui/Button";
import { ThreadSample } from "@/ui/Stitch";
import { Columns, Lead, Piece, Row, Soft, Stack, VisuallyHidden } from "@/ui/layout";
import { useShoot } from "@/data/ShootProvider";
import { ShareSheet } from "../accounts/ShareSheet";
import { upperFirst } from "../dress/words";
import { stationHref } from "../shell/stationHref";
import { useFocus } from "../shell/useFocus";
import { DayLine } from "./DayLine";

const ComeAt = styled.th`
  white-space: nowrap;
  width: 5.5rem;
`;

/** On a phone a call is a line with its time and name, and the rest below it. */
const Calls = styled(Table)`
  @media screen and (max-width: 640px) {
    &,
    tbody {
      display: block;
    }
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: 4.5rem minmax(0, 1fr);
      border-bottom: 1px solid var(--seam-soft);
      padding-block: 0.3rem;
    }
    th,
    td {
      border: 0;
      padding: 0.15rem 0;
    }
    td:nth-child(n + 3) {
      grid-column: 2;
    }
    td:last-child {
      display: none;
    }
  }
`;

const PlaceName = styled.span`
  font-weight: 400;
  color: var(--ink-soft);
`;

const OnScreen = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0.6rem;
  @media print {
    display: none;
  }
`;

const Who = styled(Link)`
  min-height: var(--hit);
  white-space: nowrap;
  display: inline-flex;
  align-items: center;
  gap: 0.5rem;
`;

function placeWords({ plan, recipe, carry }: DressCall): string {
  if (!plan.candidate) return "no place works: boom";
  const where = `${plan.candidate.site.name}, ${plan.candidate.mount.name}`;
  const chosen = plan.isChosen ? where : `${where} (suggested)`;
  if (carry?.carries) return `${chosen}: stays on, listen only`;
  return recipe ? `${chosen}, ${recipe.capsule.colour} capsule` : chosen;
}

/** What is set for one rig: its frequency, and every control. */
function Settings({ rigId }: { rigId: string }) {
  const { bundle } = useShoot();
  const lines = (levelsOfRig(bundle, rigId)?.cards ?? []).flatMap((card) => card.lines);
  const frequency = lines.find(({ code }) => code === "card.frequency" || code === "card.paired");
  const controls = lines.flatMap((line) =>
    line.code === "card.knob" ? [`${line.name.toLowerCase()} ${line.reads}`] : [],
  );
  return (
    <>
      {frequency && <strong>{say(frequency)}</strong>}
      <Soft>{controls.join(", ")}</Soft>
    </>
  );
}

function SceneTable({ scene, calls }: SceneCalls) {
  const { bundle } = useShoot();
  const place = bundle.places.find(({ id }) => id === scene.body.placeId);
  return (
    <Piece aria-label={scene.body.title}>
      <Stack $gap={0.5}>
        <h2>
          {timeWords(scene.body.startsAt)} {scene.body.title}
          {place && <PlaceName> · {place.body.name}</PlaceName>}
        </h2>
        {calls.length === 0 && <Soft>No talent here.</Soft>}
        {calls.length > 0 && (
          <TableScroll aria-label={`Calls for ${scene.body.title}`}>
            <Calls>
              <thead>
                <tr>
                  <ComeAt scope="col">Call time</ComeAt>
                  <th scope="col">Who</th>
                  <th scope="col">Where it goes</th>
                  <th scope="col">Frequency and settings</th>
                  <th scope="col" data-figure>
                    min
                  </th>
                </tr>
              </thead>
              <tbody>
                {calls.map((call) => (
                  <tr key={call.rig.id}>
                    <td>
                      <strong>{timeWords(call.callAt)}</strong>
                    </td>
                    <th scope="row">
                      <Who href={stationHref(call.rig.body.shootId, "dress", call.wearer.id, scene.id)}>
                        <ThreadSample thread={call.wearer.body.thread} />
                        {call.wearer.body.name}
                      </Who>
                    </th>
                    <td>
                      {placeWords(call)}
                      {call.carry && !call.carry.carries && (
                        <Soft>Changed: {call.carry.changes.map(say).join(", ")}.</Soft>
                      )}
                    </td>
                    <td>
                      <Settings rigId={call.rig.id} />
                    </td>
                    <td data-figure>{call.minutes}</td>
                  </tr>
                ))}
              </tbody>
            </Calls>
          </TableScroll>
        )}
      </Stack>
    </Piece>
  );
}

function amountWords({ supply, amount }: DayTotals["supplies"][number]): string {
  if (SUPPLIES[supply].unit === "pieces") return `${amount} ×`;
  return lengthWords(amount / 100);
}

function Totals({ totals }: { totals: DayTotals }) {
  const colours = Object.entries(totals.colours)
    .filter(([, count]) => count > 0)
    .map(([colour, count]) => `${count} ${colour}`);
  return (
    <Piece aria-label="Totals of the day">
      <Stack $gap={0.5}>
        <h2>To have ready</h2>
        <Table>
          <tbody>
            <tr>
              <th scope="row">Microphones and packs</th>
              <td data-figure>{totals.mics}</td>
            </tr>
            <tr>
              <th scope="row">Capsules</th>
              <td data-figure>{colours.join(", ")}</td>
            </tr>
            {totals.supplies.map((line) => (
              <tr key={line.supply}>
                <th scope="row">{upperFirst(SUPPLIES[line.supply].name)}</th>
                <td data-figure>{amountWords(line)}</td>
              </tr>
            ))}
            <tr>
              <th scope="row">Dressing</th>
              <td data-figure>{totals.minutes} min</td>
            </tr>
          </tbody>
        </Table>
      </Stack>
    </Piece>
  );
}

/** Who is dressed when, and what the day takes. */
export function DayScreen() {
  const { bundle } = useShoot();
  const days = daysOf(bundle);
  const { scene } = useFocus();
  const [wanted, setWanted] = useState<number | null>(null);
  const day = wanted ?? scene?.body.day ?? days[0] ?? 1;
  const plan = dayPlan(bundle, day);
  const strip = dayStrip(bundle, day, plan);
  return (
    <Stack>
      <VisuallyHidden as="h1">{bundle.shoot.body.title}: day sheet</VisuallyHidden>
      <OnScreen>
        {days.length > 1 && (
          <Choice
            isPlain
            label="Day"
            value={String(day)}
            options={days.map((each) => ({ value: String(each), name: `Day ${each}` }))}
            onChange={(value) => setWanted(Number(value))}
          />
        )}
        <Row $gap={0.6}>
          <Button look="main" onPress={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <ShareSheet shootId={bundle.shoot.id} kinds={["callSheet"]} day={day} />
          <Who href={`/shoots/${bundle.shoot.id}/card?day=${day}`}>Talent cards of day {day}</Who>
        </Row>
      </OnScreen>
      {plan.scenes.length === 0 ? (
        <Piece>
          <Lead>No scene yet. Add talent, and the day sheet follows.</Lead>
        </Piece>
      ) : (
        <Stack>
          {strip && <DayLine strip={strip} />}
          <Columns $template="minmax(0, 2.2fr) minmax(0, 1fr)">
            <Stack>
              {plan.scenes.map((each) => (
                <SceneTable key={each.scene.id} {...each} />
              ))}
            </Stack>
            <Totals totals={plan.totals} />
          </Columns>
        </Stack>
      )}
      <Soft>{say({ code: "day.onePair" })}</Soft>
    </Stack>
  );
}
