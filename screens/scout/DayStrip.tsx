"use client";

import { timeWords, clockWords } from "@/messages";
import { useRef } from "react";
import { useMove } from "react-aria";
import styled from "styled-components";
import { type Interval, lengthOf, minutesOfDay } from "@/core/schedule";
import type { QuietDay, QuietScene } from "@/core/planning";
import { noisyWords } from "./noiseWords";

const Strip = styled.div`
  display: grid;
  gap: 0.35rem;
`;

const Hours = styled.div`
  position: relative;
  height: 1.3rem;
  font-size: 0.78rem;
  color: var(--ink-soft);
  span {
    position: absolute;
    transform: translateX(-50%);
    white-space: nowrap;
  }
  span:first-child {
    transform: none;
  }
`;

const Lane = styled.div`
  position: relative;
  height: 58px;
  background: var(--paper-deep);
  border: 1px solid var(--seam-soft);
  overflow: hidden;
`;

const Name = styled.p`
  font-size: 0.9rem;
  font-weight: 500;
`;

/** A noise: hatched, so that colour is not the only sign. */
const Noise = styled.div`
  position: absolute;
  inset-block: 0;
  min-width: 2px;
  background: repeating-linear-gradient(45deg, var(--bad) 0 2px, transparent 2px 7px);
  opacity: 0.75;
`;

/** From the scene's start to its end, with what is recorded in it. */
const Bar = styled.div`
  position: absolute;
  inset-block: 7px;
  min-width: var(--hit);
  border: 2px solid var(--chalk);
  background: color-mix(in srgb, var(--paper) 55%, transparent);
  cursor: grab;
  touch-action: pan-y;
  outline-offset: 2px;
  &:focus-visible {
    outline: 3px solid var(--chalk);
  }
  &[data-misfit] {
    border-style: dashed;
    border-color: var(--bad);
  }
  span {
    position: relative;
    padding-inline: 0.3rem;
    font-size: 0.85rem;
    font-weight: 600;
    background: var(--paper);
  }
`;

const Run = styled.div`
  position: absolute;
  inset-block: 0;
  background: var(--chalk-soft);
  border-inline: 1px solid var(--chalk);
`;

/** Where a scene is dropped, min, and what an arrow key moves it by. */
const STEP_MIN = 5;

function SceneBar(props: {
  each: QuietScene;
  within: Interval;
  /** Pixels a minute at the moment. */
  scaleOf: () => number;
  onMove: (startMin: number) => void;
}) {
  const { each, within, scaleOf, onMove } = props;
  const { scene, planned, conflicts } = each;
  const { lengthMin, startsAt, title } = scene.body;
  const startMin = minutesOfDay(startsAt);
  const dragged = useRef(startMin);
  const limited = (minutes: number) =>
    Math.min(within.toMin - STEP_MIN, Math.max(within.fromMin, Math.round(minutes / STEP_MIN) * STEP_MIN));
  const { moveProps } = useMove({
    onMoveStart: () => {
      dragged.current = startMin;
    },
    onMove: ({ deltaX, deltaY, pointerType }) => {
      dragged.current +=
        pointerType === "keyboard" ? STEP_MIN * Math.sign(deltaX || -deltaY) : deltaX / Math.max(0.01, scaleOf());
      const next = limited(dragged.current);
      if (next !== startMin) onMove(next);
    },
  });
  const endMin = planned?.toMin ?? startMin + lengthMin;
  const share = (minutes: number) => `${(100 * minutes) / lengthOf(within)}%`;
  const says = [
    `starts ${timeWords(startsAt)}`,
    planned ? `done ${clockWords(planned.toMin)}` : "does not fit from here",
    planned && planned.waitsMin >= 1 ? `waits ${Math.round(planned.waitsMin)} min` : "",
    conflicts.length > 0 ? `crossed by ${conflicts.map(noisyWords).join(", ")}` : "nothing crosses it",
  ];
  return (
    <Bar
      {...moveProps}
      role="slider"
      tabIndex={0}
      aria-label={title}
      aria-valuemin={within.fromMin}
      aria-valuemax={within.toMin}
      aria-valuenow={startMin}
      aria-valuetext={says.filter(Boolean).join(", ")}
      data-misfit={planned ? undefined : true}
      style={{ left: share(startMin - within.fromMin), width: share(Math.max(1, endMin - startMin)) }}
    >
      {planned?.runs.map((run) => (
        <Run
          key={run.fromMin}
          style={{
            left: `${(100 * (run.fromMin - startMin)) / Math.max(1, endMin - startMin)}%`,
            width: `${(100 * lengthOf(run)) / Math.max(1, endMin - startMin)}%`,
          }}
        />
      ))}
      <span>{timeWords(startsAt)}</span>
    </Bar>
  );
}

/** A day's scenes over the noises of their places; scenes are moved by dragging or with the arrow keys. */
export function DayStrip(props: { quiet: QuietDay; onMove: (sceneId: string, startMin: number) => void }) {
  const { quiet, onMove } = props;
  const { within } = quiet;
  const strip = useRef<HTMLDivElement>(null);
  const share = (minutes: number) => `${(100 * minutes) / lengthOf(within)}%`;
  const hours: number[] = [];
  const everyMin = lengthOf(within) > 480 ? 120 : 60;
  for (let at = Math.ceil(within.fromMin / everyMin) * everyMin; at < within.toMin; at += everyMin) hours.push(at);
  return (
    <Strip ref={strip} role="group" aria-label="Day strip">
      <Hours aria-hidden>
        {hours.map((at) => (
          <span key={at} style={{ left: share(at - within.fromMin) }}>
            {clockWords(at)}
          </span>
        ))}
      </Hours>
      {quiet.scenes.map((each) => (
        <div key={each.scene.id}>
          <Name>
            {each.scene.body.title}
            {each.place ? ` · ${each.place.body.name}` : ""}
          </Name>
          <Lane>
            {each.noisy.map((time, index) => (
              <Noise
                key={index}
                title={`${clockWords(time.fromMin)} ${time.says}`}
                style={{ left: share(time.fromMin - within.fromMin), width: share(lengthOf(time)) }}
              />
            ))}
            <SceneBar
              each={each}
              within={within}
              scaleOf={() => (strip.current?.clientWidth ?? 0) / lengthOf(within)}
              onMove={(startMin) => onMove(each.scene.id, startMin)}
            />
          </Lane>
        </div>
      ))}
    </Strip>
  );
}
