"use client";

import styled from "styled-components";
import { THREAD_COLOURS } from "./theme";

export type StitchState = "loose" | "basted" | "sewn" | "unpicked";

const WIDTH = 96;
const MIDDLE = 14;

/** One motif of each pattern, drawn round x: a sign that needs no colour. */
const MOTIFS: readonly ((x: number) => string)[] = [
  (x) => `M${x} ${MIDDLE - 5}v10`,
  (x) => `M${x - 4} ${MIDDLE - 4}l8 8M${x + 4} ${MIDDLE - 4}l-8 8`,
  (x) => `M${x - 5} ${MIDDLE + 4}l5 -8l5 8`,
  (x) => `M${x} ${MIDDLE - 5}v10M${x - 4} ${MIDDLE + 5}h8`,
  (x) => `M${x - 4} ${MIDDLE}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`,
  (x) => `M${x - 3} ${MIDDLE - 5}v10M${x + 3} ${MIDDLE - 5}v10`,
  (x) => `M${x - 4} ${MIDDLE - 4}l4 8l4 -8`,
  (x) => `M${x} ${MIDDLE - 5}l4 5l-4 5l-4 -5z`,
];

const places = [12, 30, 48, 66, 84];

function pathsOf(state: StitchState, thread: number): { d: string; isThin?: boolean; isDashed?: boolean }[] {
  const motif = MOTIFS[thread % MOTIFS.length]!;
  switch (state) {
    case "loose":
      return [{ d: `M0 ${MIDDLE}c8 0 12 -6 18 -2s4 9 -1 8s-3 -8 4 -9`, isThin: true }];
    case "basted":
      return [{ d: `M0 ${MIDDLE}H${WIDTH}`, isDashed: true }, { d: [places[1]!, places[3]!].map(motif).join("") }];
    case "sewn":
      return [{ d: `M0 ${MIDDLE}H${WIDTH}` }, { d: places.map(motif).join("") }];
    case "unpicked":
      return [
        { d: `M0 ${MIDDLE}H26c5 0 7 -7 11 -5M${WIDTH} ${MIDDLE}H70c-5 0 -8 7 -12 5` },
        { d: [places[0]!, places[4]!].map(motif).join("") },
        { d: `M44 ${MIDDLE}h0.1M52 ${MIDDLE}h0.1`, isThin: true },
      ];
  }
}

const Svg = styled.svg<{ $isUpright: boolean }>`
  display: block;
  width: ${({ $isUpright }) => ($isUpright ? "28px" : "100%")};
  height: ${({ $isUpright }) => ($isUpright ? "100%" : "28px")};
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
`;

/** A wearer's state at a station as a stitch in their thread. Decorative: name the state beside it. */
export function Stitch({
  state,
  thread,
  isUpright = false,
}: {
  state: StitchState;
  /** Null: of nobody. */
  thread: number | null;
  isUpright?: boolean;
}) {
  const colour = thread === null ? "var(--ink-soft)" : `var(--${THREAD_COLOURS[thread % THREAD_COLOURS.length]!})`;
  return (
    <Svg
      viewBox={isUpright ? `0 0 28 ${WIDTH}` : `0 0 ${WIDTH} 28`}
      preserveAspectRatio="none"
      aria-hidden
      $isUpright={isUpright}
    >
      <g transform={isUpright ? "matrix(0 1 1 0 0 0)" : undefined}>
        {pathsOf(state, thread ?? 0).map((path) => (
          <path
            key={path.d}
            d={path.d}
            stroke={colour}
            strokeWidth={path.isThin ? 1.6 : 2.4}
            strokeDasharray={path.isDashed ? "7 7" : undefined}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </g>
    </Svg>
  );
}

const Card = styled.svg`
  flex: none;
  width: 34px;
  height: 22px;
  fill: none;
  stroke-linecap: round;
`;

/** A wearer's thread as a small sample: colour and pattern together. */
export function ThreadSample({ thread }: { thread: number }) {
  const motif = MOTIFS[thread % MOTIFS.length]!;
  return (
    <Card viewBox="0 3 40 22" aria-hidden>
      <path
        d={`M2 ${MIDDLE}H38${motif(12)}${motif(28)}`}
        stroke={`var(--${THREAD_COLOURS[thread % THREAD_COLOURS.length]!})`}
        strokeWidth="2.4"
      />
    </Card>
  );
}
