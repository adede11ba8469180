"use client";

import { clockWords, say } from "@/messages";
import { later } from "@/ui/later";
import { useMemo } from "react";
import { dayTrend, type DayTrend, type TrendPoint } from "@/core/proof";
import type { ShootBundle, Stored } from "@/core/records";
import { measurementOf } from "@/core/planning";
import { useTakeDetails } from "@/data/ShootProvider";
import { Soft, Stack } from "@/ui/layout";
import { Table, TableScroll } from "@/ui/Table";
import { figureOf } from "./figures";

const LinesChart = later(() => import("@/ui/LinesChart").then((module) => module.default));

/** Points that a chart of this width shows at most. */
const MOST_POINTS = 60;

/** Takes of the wearer on the day of a rig. */
function takesOfDay(bundle: ShootBundle, rig: Stored<"rig">): Stored<"measurement">[] {
  const dayOf = (sceneId: string) => bundle.scenes.find(({ id }) => id === sceneId)?.body.day;
  const day = dayOf(rig.body.sceneId);
  const rigIds = new Set(
    bundle.rigs
      .filter(({ body }) => body.wearerId === rig.body.wearerId && dayOf(body.sceneId) === day)
      .map(({ id }) => id),
  );
  return bundle.measurements.filter(({ body }) => rigIds.has(body.rigId));
}

const timeOf = ({ atS }: TrendPoint) => clockWords(Math.floor(atS / 60));

function Events({ trend: { points, isTimed } }: { trend: DayTrend }) {
  const shown = points.filter(({ rustlesPerMin, dropoutsPerMin }) => rustlesPerMin > 0 || dropoutsPerMin > 0);
  if (shown.length === 0) return <Soft>No rustle and no dropouts.</Soft>;
  return (
    <TableScroll aria-label="Rustle and dropouts over the day">
      <Table>
        <thead>
          <tr>
            <th scope="col">{isTimed ? "At" : "Take"}</th>
            <th scope="col" data-figure>
              Rustle/min
            </th>
            <th scope="col" data-figure>
              Dropouts/min
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.slice(0, MOST_POINTS).map((point) => (
            <tr key={`${point.take} ${point.atS}`}>
              <th scope="row">{isTimed ? timeOf(point) : point.take}</th>
              <td data-figure>{figureOf(point.rustlesPerMin)}</td>
              <td data-figure>{figureOf(point.dropoutsPerMin)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableScroll>
  );
}

/** How one wearer's level, noise, rustle and dropouts went over the day. */
export function DayTrendView({ bundle, rig }: { bundle: ShootBundle; rig: Stored<"rig"> }) {
  const takes = useMemo(() => takesOfDay(bundle, rig), [bundle, rig]);
  const { details, isAway } = useTakeDetails(takes.map(({ id }) => id));
  const measured = takes.flatMap(({ id, body }) => {
    const detail = details.find((each) => each.body.measurementId === id);
    return detail ? [{ recording: measurementOf(body, detail.body), channel: body.channel }] : [];
  });
  const trend = dayTrend(measured);
  if (isAway && measured.length < takes.length)
    return <Soft>The server is unreachable: the trend over the day is shown when it is back.</Soft>;
  const known = trend.points.filter(
    (point): point is TrendPoint & { speechDbfs: number; noiseDbfs: number } =>
      point.speechDbfs !== null && point.noiseDbfs !== null,
  );
  if (known.length < 2) return null;
  const step = Math.ceil(known.length / MOST_POINTS);
  const shown = known.filter((_, index) => index % step === 0);
  return (
    <Stack $gap={0.5}>
      <h2>Over the day</h2>
      {trend.says.map(say).map((says) => (
        <p key={says}>{says}</p>
      ))}
      {trend.says.length === 0 && <p>{trend.isTold ? "Level and noise hold." : "Too little yet to tell a drift."}</p>}
      <LinesChart
        says={`Speech and noise at ${shown.length} times of the day`}
        labels={shown.map((point) => (trend.isTimed ? timeOf(point) : point.take.replace(/\.[^.]*$/, "")))}
        lines={[
          { name: "speech", values: shown.map(({ speechDbfs }) => speechDbfs) },
          { name: "noise", values: shown.map(({ noiseDbfs }) => noiseDbfs) },
        ]}
        xTitle={trend.isTimed ? "by the recorder's clock" : "take after take"}
        yTitle="dBFS"
      />
      <Soft>Line: speech. Dashes: noise in the pauses.</Soft>
      <Events trend={trend} />
    </Stack>
  );
}
