"use client";

import styled from "styled-components";
import { type Shape, wallsOf } from "@/core/room";

const Drawing = styled.svg`
  display: block;
  width: min(100%, 420px);
  height: auto;
`;

export interface PlanNoise {
  name: string;
  bearingDeg: number;
}

/** Room left round the outline for directions and measures, as a share of the longer side. */
const MARGIN = 0.22;

/** Outline of a place from above, north at the top, with its measures and where noises come from. */
export function PlanSketch(props: {
  shape: Shape;
  says: string;
  measure: (metres: number) => string;
  noises: readonly PlanNoise[];
}) {
  const { shape, measure, noises } = props;
  const { lengthM, widthM, setting } = shape;
  const size = Math.max(lengthM, widthM);
  const margin = MARGIN * size;
  const text = 0.05 * size;
  const points = wallsOf(shape).map(({ from }) => `${from[0]},${widthM - from[1]}`);
  const isOpen = setting === "open";
  return (
    <Drawing
      role="img"
      aria-label={props.says}
      viewBox={`${-margin} ${-margin} ${lengthM + 2 * margin} ${widthM + 2 * margin}`}
    >
      <polygon
        points={points.join(" ")}
        fill="var(--paper-deep)"
        stroke="var(--ink)"
        strokeWidth={0.012 * size}
        strokeDasharray={isOpen ? `${0.03 * size} ${0.02 * size}` : undefined}
      />
      <g fontSize={text} fill="var(--ink-soft)" textAnchor="middle">
        <text x={lengthM / 2} y={widthM + 1.5 * text}>
          {measure(lengthM)}
        </text>
        <text x={-0.6 * text} y={widthM / 2} textAnchor="end">
          {measure(widthM)}
        </text>
        <text x={lengthM + 0.6 * margin} y={-0.35 * margin}>
          N ↑
        </text>
      </g>
      {noises.map(({ name, bearingDeg }, index) => {
        const turn = (bearingDeg * Math.PI) / 180;
        const [east, north] = [Math.sin(turn), Math.cos(turn)];
        const reach = Math.min(
          (lengthM / 2 + 0.1 * size) / Math.max(1e-6, Math.abs(east)),
          (widthM / 2 + 0.1 * size) / Math.max(1e-6, Math.abs(north)),
        );
        // Those from one direction stand behind each other.
        const behind = noises.slice(0, index).filter((each) => each.bearingDeg === bearingDeg).length * 1.3 * text;
        const [x, y] = [lengthM / 2 + east * (reach + behind), widthM / 2 - north * (reach + behind)];
        const length = 0.07 * size;
        return (
          <g key={index} stroke="var(--bad)" strokeWidth={0.008 * size} fontSize={text}>
            {behind === 0 && <path d={`M${x} ${y}l${-east * length} ${north * length}`} />}
            <circle cx={x} cy={y} r={0.6 * text} fill="var(--paper)" />
            <text x={x} y={y + 0.26 * text} stroke="none" fill="var(--ink)" fontSize={0.75 * text} textAnchor="middle">
              {index + 1}
            </text>
            <title>{name}</title>
          </g>
        );
      })}
    </Drawing>
  );
}
