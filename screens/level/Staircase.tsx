"use client";

import { minus } from "@/core/sound/decibel";
import styled from "styled-components";
import type { GainPlan, Stage } from "@/core/chain/gainPlan";
import { Table, TableScroll } from "@/ui/Table";

const Bar = styled.svg`
  display: block;
  width: 100%;
  min-width: 140px;
  height: 26px;
`;

/** dB below the clip that the bars show. */
const SPAN_DB = 90;

/** Softest to loudest voice below the point where this stage clips, at the right end. */
function StageBar({ stage }: { stage: Stage }) {
  if (stage.clip === null) return null;
  const at = (level: number) => Math.min(100, Math.max(0, 100 * (1 - (stage.clip! - level) / SPAN_DB)));
  const isOver = stage.headroomDb! < 0;
  return (
    <Bar viewBox="0 0 100 26" preserveAspectRatio="none" aria-hidden>
      <path d="M0 13H100" stroke="var(--seam-soft)" strokeWidth="1" />
      <rect x={at(stage.softest)} y="7" width={at(stage.loudest) - at(stage.softest)} height="12" fill="var(--chalk)" />
      <path
        d={`M${at(stage.loudest)} 13H${at(stage.peak)}`}
        stroke={isOver ? "var(--bad)" : "var(--chalk)"}
        strokeWidth="3"
        strokeDasharray="4 3"
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${at(stage.peak)} 5V21`}
        stroke={isOver ? "var(--bad)" : "var(--ink)"}
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
      <path d="M100 1V25" stroke="var(--bad)" strokeWidth="3" vectorEffect="non-scaling-stroke" />
    </Bar>
  );
}

/** Every stage from capsule to file: where the voice lies, and how far the loudest peaks stay under the clip. */
export function Staircase({ plan }: { plan: GainPlan }) {
  return (
    <TableScroll aria-label="Stages">
      <Table>
        <thead>
          <tr>
            <th scope="col">Stage</th>
            <th scope="col">Soft to loud, peaks, clip</th>
            <th scope="col" data-figure>
              Loudest peaks
            </th>
            <th scope="col" data-figure>
              Headroom
            </th>
          </tr>
        </thead>
        <tbody>
          {plan.stages.map((stage) => (
            <tr key={stage.id}>
              <th scope="row">{stage.name}</th>
              <td>
                <StageBar stage={stage} />
              </td>
              <td data-figure>
                {minus(stage.peak)} {stage.unit}
              </td>
              <td data-figure>{stage.headroomDb === null ? "–" : `${minus(stage.headroomDb)} dB`}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableScroll>
  );
}
