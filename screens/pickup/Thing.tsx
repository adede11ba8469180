"use client";

import type { ReactNode } from "react";
import { useMove } from "react-aria";

/** A key moves by this, m; turns by this, degrees. */
const KEY_M = 0.05;
const KEY_DEG = 5;

/** Something that is dragged over the drawing, or moved with the arrow keys. */
export function Thing(props: {
  label: string;
  isChosen: boolean;
  scaleOf: () => number;
  onChoose: () => void;
  /** By so much to the right and upwards on the drawing, m. */
  onMove: (rightM: number, upM: number) => void;
  children: ReactNode;
}) {
  const { scaleOf, onMove, onChoose } = props;
  const { moveProps } = useMove({
    onMoveStart: onChoose,
    onMove: ({ deltaX, deltaY, pointerType }) => {
      const perUnit = pointerType === "keyboard" ? KEY_M : 1 / Math.max(1e-6, scaleOf());
      onMove(deltaX * perUnit, -deltaY * perUnit);
    },
  });
  return (
    <g
      {...moveProps}
      className="thing"
      role="button"
      tabIndex={0}
      aria-label={props.label}
      aria-pressed={props.isChosen}
      data-chosen={props.isChosen || undefined}
      onClick={onChoose}
      onFocus={onChoose}
    >
      {props.children}
    </g>
  );
}

/** What turns a talker or a microphone: a small ring on a line. */
export function TurnRing(props: {
  label: string;
  from: [number, number];
  at: [number, number];
  size: number;
  onTurn: (byDeg: number) => void;
  scaleOf: () => number;
}) {
  const { from, at, size, onTurn, scaleOf } = props;
  const { moveProps } = useMove({
    onMove: ({ deltaX, deltaY, pointerType }) => {
      if (pointerType === "keyboard") return onTurn(KEY_DEG * (deltaX !== 0 ? deltaX : deltaY));
      const [x, y] = [at[0] - from[0], at[1] - from[1]];
      const scale = Math.max(1e-6, scaleOf());
      const [nextX, nextY] = [x + deltaX / scale, y + deltaY / scale];
      // Clockwise on the drawing is clockwise on the compass.
      onTurn(((Math.atan2(nextY, nextX) - Math.atan2(y, x)) * 180) / Math.PI);
    },
  });
  return (
    <g {...moveProps} className="thing" role="button" tabIndex={0} aria-label={props.label}>
      <path
        d={`M${from[0]} ${from[1]}L${at[0]} ${at[1]}`}
        stroke="var(--ink-soft)"
        strokeWidth="1.2px"
        className="shape"
      />
      <circle
        className="mark"
        cx={at[0]}
        cy={at[1]}
        r={0.3 * size}
        fill="var(--paper)"
        stroke="var(--ink-soft)"
        strokeWidth="1.5px"
      />
      <circle cx={at[0]} cy={at[1]} r={0.8 * size} fill="transparent" />
    </g>
  );
}
