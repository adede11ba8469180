"use client";

import styled from "styled-components";
import { nameOf } from "./pairs";
import { lanesOf, type Laid, type Strip } from "./strip";

const LANE_PX = 30;
const BAR_PX = 24;
/** Room between cameras and recorders, where the threads run. */
const BETWEEN_PX = 34;

const Day = styled.div`
  position: relative;
  overflow: hidden;
`;

const Bar = styled.div`
  position: absolute;
  height: ${BAR_PX}px;
  padding: 0 0.3rem;
  background: var(--paper-deep);
  border: 1px solid var(--ink-soft);
  font-size: 0.8rem;
  line-height: ${BAR_PX - 2}px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 3px;
  &[data-chosen] {
    background: var(--chalk-soft);
    border: 2px solid var(--chalk);
    line-height: ${BAR_PX - 4}px;
  }
`;

const Thread = styled.div`
  position: absolute;
  border-left: 2px dashed var(--ink-soft);
  &[data-chosen] {
    border-left: 3px dashed var(--chalk);
  }
`;

/** A day: what the cameras took above, what was recorded below, a thread between what belongs together. */
export function DayStrip({ strip, chosen }: { strip: Strip; chosen: string | null }) {
  const { pictures, sounds, threads } = strip;
  const percent = (seconds: number) => `${(100 * seconds) / Math.max(strip.lengthS, 1e-3)}%`;
  const [pictureLanes, soundLanes] = [lanesOf(pictures), lanesOf(sounds)];
  const soundsTop = Math.max(1, Math.max(-1, ...pictureLanes) + 1) * LANE_PX + BETWEEN_PX - (LANE_PX - BAR_PX);
  const height = soundsTop + Math.max(1, Math.max(-1, ...soundLanes) + 1) * LANE_PX;
  const ofChosen = threads.find(({ id }) => id === chosen);
  const bar = ({ path, fromS, toS }: Laid, top: number, isChosen: boolean) => (
    <Bar
      key={path}
      title={path}
      data-chosen={isChosen || undefined}
      style={{ left: percent(fromS), width: percent(toS - fromS), top }}
    >
      {nameOf(path)}
    </Bar>
  );
  return (
    <Day role="img" aria-label="The day: cameras above, sound below" style={{ height }}>
      {threads.map(({ id, picture, sound, atS }) => {
        const top = pictureLanes[picture]! * LANE_PX + BAR_PX;
        const length = soundsTop + soundLanes[sound]! * LANE_PX - top;
        return (
          <Thread
            key={id}
            data-chosen={id === chosen || undefined}
            style={{ left: percent(atS), top, height: length }}
          />
        );
      })}
      {pictures.map((laid, at) => bar(laid, pictureLanes[at]! * LANE_PX, ofChosen?.picture === at))}
      {sounds.map((laid, at) => bar(laid, soundsTop + soundLanes[at]! * LANE_PX, ofChosen?.sound === at))}
    </Day>
  );
}
