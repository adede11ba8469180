"use client";

import styled from "styled-components";
import type { Overview } from "@/core/audio";
import type { CutPlan } from "@/core/cut";
import { columnsOf } from "../../check/TakeShape";

const [WIDTH, HEIGHT] = [1000, 84];

const Strip = styled.svg`
  display: block;
  width: 100%;
  height: ${HEIGHT}px;
  background: var(--paper-deep);
  path {
    stroke: var(--ink-soft);
    vector-effect: non-scaling-stroke;
  }
  rect {
    fill: var(--chalk-soft);
    stroke: var(--chalk);
    vector-effect: non-scaling-stroke;
  }
  rect[data-drop] {
    fill: none;
    stroke: var(--ink-soft);
    stroke-dasharray: 3 3;
  }
  rect[data-chosen] {
    stroke-width: 3;
  }
`;

/** A recording with its phrases: what stays is filled, what goes is an outline. */
export function PhraseStrip(props: {
  overview: Overview;
  durationS: number;
  phrases: CutPlan["phrases"];
  chosen: number | null;
  onChoose: (at: number) => void;
}) {
  const { overview, durationS, phrases, chosen, onChoose } = props;
  const columns = columnsOf(overview, 500);
  const loudest = columns.reduce((most, { low, high }) => Math.max(most, high, -low), 1e-3);
  const yOf = (value: number) => (HEIGHT / 2 - (value / loudest) * (HEIGHT / 2 - 8)).toFixed(1);
  const xOf = (seconds: number) => (seconds / Math.max(durationS, 0.001)) * WIDTH;
  const d = columns.map(({ low, high }, at) => `M${at * 2 + 1},${yOf(high)}V${yOf(low)}`).join("");
  return (
    <Strip
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      role="img"
      aria-label="Phrases over the waveform"
    >
      {phrases.map(({ startS, endS, decision }, at) => (
        <rect
          key={at}
          x={xOf(startS)}
          width={Math.max(1, xOf(endS) - xOf(startS))}
          y={2}
          height={HEIGHT - 4}
          data-drop={decision === "drop" || undefined}
          data-chosen={at === chosen || undefined}
          onClick={() => onChoose(at)}
        />
      ))}
      <path d={d} pointerEvents="none" />
    </Strip>
  );
}
