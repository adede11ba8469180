"use client";

import styled from "styled-components";
import type { LinedUp } from "@/core/sync";
import type { Scanned } from "@/workers/lineUpWorker";
import { lanesOf, stripOf, type Laid } from "./strip";

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
export function DayStrip(props: {
  pictures: readonly Scanned[];
  sounds: readonly Scanned[];
  found: LinedUp;
  chosen: number;
}) {
  const { pictures, sounds, found, chosen } = props;
  const strip = stripOf(pictures, sounds, found.matches);
  const percent = (seconds: number) => `${(100 * seconds) / Math.max(strip.lengthS, 1e-3)}%`;
  const picturesLaid = strip.pictures.map((laid, at) => laid && { ...laid, device: pictures[at]!.device });
  const pictureLanes = lanesOf(picturesLaid);
  const soundLanes = lanesOf(strip.sounds.map((laid, at) => ({ ...laid, device: sounds[at]!.device })));
  const soundsTop = Math.max(1, Math.max(-1, ...pictureLanes) + 1) * LANE_PX + BETWEEN_PX - (LANE_PX - BAR_PX);
  const height = soundsTop + Math.max(1, Math.max(-1, ...soundLanes) + 1) * LANE_PX;
  const match = found.matches[chosen];
  const bar = (key: string, { name }: File, { fromS, toS }: Laid, top: number, isChosen: boolean) => (
    <Bar
      key={key}
      title={name}
      data-chosen={isChosen || undefined}
      style={{ left: percent(fromS), width: percent(toS - fromS), top }}
    >
      {name}
    </Bar>
  );
  return (
    <Day role="img" aria-label="The day: cameras above, sound below" style={{ height }}>
      {found.matches.map(({ picture, sound, overlap }, at) => {
        const laid = strip.pictures[picture];
        if (!laid) return null;
        const top = pictureLanes[picture]! * LANE_PX + BAR_PX;
        const left = percent(laid.fromS + (overlap.fromS + overlap.toS) / 2);
        const length = soundsTop + soundLanes[sound]! * LANE_PX - top;
        return <Thread key={at} data-chosen={at === chosen || undefined} style={{ left, top, height: length }} />;
      })}
      {picturesLaid.map(
        (laid, at) =>
          laid && bar(`p${at}`, pictures[at]!.file, laid, pictureLanes[at]! * LANE_PX, match?.picture === at),
      )}
      {strip.sounds.map((laid, at) =>
        bar(`s${at}`, sounds[at]!.file, laid, soundsTop + soundLanes[at]! * LANE_PX, match?.sound === at),
      )}
    </Day>
  );
}
