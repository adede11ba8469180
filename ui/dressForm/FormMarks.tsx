"use client";

import type { PackPlan } from "@/core/dress";
import { WHOLE } from "./callouts";
import type { ViewName } from "./outline";
import { isInView, project } from "./projection";

const RING_RADIUS = 92;
/** How wide the ring is at its loudest, and what a decibel takes from it. */
const RING_WIDTH = 13;
const WIDTH_A_DB = 2;
const onRing = (turnDeg: number, radius: number): string => {
  const angle = (turnDeg * Math.PI) / 180;
  // Who faces us and turns to their right turns to our left.
  return `${(-Math.sin(angle) * radius).toFixed(1)} ${(-938 - Math.cos(angle) * radius).toFixed(1)}`;
};

/** The head-turn sweep: thick where the voice is loud at the microphone, thin where a turn takes it away. */
export function TurnRing({
  ring,
  turnDeg,
  colour,
}: {
  ring: readonly { turnDeg: number; downDb: number }[];
  turnDeg: number;
  colour: string;
}) {
  return (
    <g stroke={colour} fill="none" aria-hidden>
      {ring.slice(1).map(({ turnDeg: to, downDb }, at) => (
        <path
          key={to}
          d={`M${onRing(ring[at]!.turnDeg, RING_RADIUS)}A${RING_RADIUS} ${RING_RADIUS} 0 0 0 ${onRing(to, RING_RADIUS)}`}
          strokeWidth={Math.max(1.5, RING_WIDTH - WIDTH_A_DB * Math.max(downDb, ring[at]!.downDb))}
        />
      ))}
      <path
        d={`M${onRing(turnDeg, RING_RADIUS - 12)}L${onRing(turnDeg, RING_RADIUS + 12)}`}
        strokeWidth="3.5"
        stroke="var(--ink)"
      />
    </g>
  );
}

/** A hand's length on this person: the form is drawn to their height. */
const SCALE = { metric: { metres: 0.2, says: "20 cm" }, imperial: { metres: 0.2032, says: "8 in" } } as const;

export function ScaleBar({ heightM, units }: { heightM: number; units: keyof typeof SCALE }) {
  const { metres, says } = SCALE[units];
  const [x, y] = [-WHOLE.halfWidth + 12, WHOLE.bottom - 16];
  return (
    <g stroke="var(--ink-soft)" strokeWidth="3" fill="none">
      <path d={`M${x} ${y - 8}v16M${x} ${y}h${(metres / heightM) * 1000}m0 -8v16`} />
      <text x={x} y={y - 14} fontSize="22" fill="var(--ink-soft)" stroke="none">
        {says}
      </text>
    </g>
  );
}

/** The pack, drawn where it is carried; at the lower edge when it is worn below the picture. */
export function PackMark(props: { pack: PackPlan; heightM: number; view: ViewName; colour: string }) {
  const { pack, heightM, view, colour } = props;
  const point = pack.cable.points.at(-1)!;
  if (!isInView(point, view)) return null;
  const [x, y] = project(point, heightM, view);
  const shownY = Math.min(y, WHOLE.bottom - 60);
  return (
    <g stroke={colour} strokeWidth="5" fill="var(--paper)">
      <rect x={x - 17} y={shownY - 6} width="34" height="50" rx="4" />
      <path d={`M${x + 11} ${shownY - 6}v-26`} strokeWidth="4" strokeLinecap="round" />
    </g>
  );
}
