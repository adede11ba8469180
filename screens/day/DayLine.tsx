"use client";

import { BatteryFull, Megaphone, MemoryStick } from "lucide-react";
import styled from "styled-components";
import type { DayStripPlan, StripMoment, StripScene } from "@/core/planning";
import { gapsBetween, type Interval, lengthOf } from "@/core/schedule";
import { clockWords } from "@/messages";
import { Piece, VisuallyHidden } from "@/ui/layout";
import { useIsNarrow } from "@/ui/useIsNarrow";
import { noisyWords } from "../scout/noiseWords";

const Lanes = styled.div`
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 2px 0.8rem;
  align-items: stretch;
  @media (max-width: 640px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Label = styled.span`
  font-size: 0.85rem;
  color: var(--ink-soft);
  align-self: center;
  max-width: 11rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`;

/** Hours as seams behind every lane. */
const Lane = styled.div<{ $hours: number }>`
  position: relative;
  min-height: 1.9rem;
  background: repeating-linear-gradient(
    to right,
    var(--seam-soft) 0 1px,
    transparent 1px calc(100% / ${({ $hours }) => $hours})
  );
  border-right: 1px solid var(--seam-soft);
`;

const Hour = styled.span`
  position: absolute;
  bottom: 0;
  font-size: 0.78rem;
  color: var(--ink-soft);
  padding-left: 0.2rem;
  white-space: nowrap;
`;

const Scene = styled.div`
  position: absolute;
  inset-block: 3px;
  background: var(--chalk-soft);
  border: 1px solid var(--chalk);
  font-size: 0.85rem;
  line-height: 1.45rem;
  white-space: nowrap;
  span {
    padding-inline: 0.35rem;
  }
  /* A name that is longer than its scene stands after it where there is room. */
  &[data-name="after"] span {
    position: absolute;
    left: 100%;
  }
  &[data-name="in"] span {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  /* On a phone the scenes are named below. */
  @media screen and (max-width: 640px) {
    && span {
      display: none;
    }
  }
`;

/** A noise: hatched, so that colour is not the only sign. */
const Noise = styled.div`
  position: absolute;
  inset-block: 3px;
  min-width: 2px;
  background: repeating-linear-gradient(45deg, var(--bad) 0 2px, transparent 2px 7px);
`;

const Quiet = styled.div`
  position: absolute;
  inset-block: 3px;
  overflow: hidden;
  font-size: 0.78rem;
  line-height: 1.5rem;
  text-align: center;
  white-space: nowrap;
  span {
    background: var(--paper);
    padding-inline: 0.2rem;
  }
`;

const Moment = styled.span`
  position: absolute;
  top: 0.25rem;
  display: inline-flex;
  align-items: center;
  gap: 0.2rem;
  font-size: 0.78rem;
  white-space: nowrap;
  border-left: 2px solid var(--ink);
  padding-left: 0.2rem;
  background: var(--paper);
  svg {
    flex: none;
  }
`;

/** How much of the day a mark and a figure take: on a wide screen, and on a phone. */
const ROOM = { wide: { mark: 0.09, quiet: 0.09, hours: 6 }, narrow: { mark: 0.27, quiet: 0.26, hours: 4 } };
/** A letter of a name takes this share of the day. */
const LETTER = 0.0075;

/** Where a scene's name stands: within it where there is room, else after it, else within it and cut. */
export function namePlace(scenes: readonly StripScene[], index: number, within: Interval): "in" | "after" {
  const scene = scenes[index]!;
  const needs = LETTER * scene.title.length * lengthOf(within);
  const later = scenes.filter(({ fromMin }) => fromMin >= scene.toMin).map(({ fromMin }) => fromMin);
  const until = Math.min(within.toMin, ...later);
  return needs > lengthOf(scene) && scene.toMin + needs <= until ? "after" : "in";
}

const MARKS = {
  call: { Icon: Megaphone, name: "Call times", says: ({ names }: { names: readonly string[] }) => names.join(", ") },
  battery: {
    Icon: BatteryFull,
    name: "Batteries",
    says: ({ names }: { names: readonly string[] }) => `change batteries: ${names.join(", ")}`,
  },
  card: { Icon: MemoryStick, name: "Cards", says: ({ card }: { card: number }) => `card ${card}` },
};

const saysOf = (moment: StripMoment): string =>
  moment.kind === "card" ? MARKS.card.says(moment) : MARKS[moment.kind].says(moment);

/** Rows for marks, so that none covers another. */
export function rowsOf(
  moments: readonly StripMoment[],
  within: Interval,
  apart: number,
): { moment: StripMoment; row: number }[] {
  const ends: number[] = [];
  return moments.map((moment) => {
    const at = (moment.atMin - within.fromMin) / lengthOf(within);
    const free = ends.findIndex((end) => end <= at);
    const row = free < 0 ? ends.length : free;
    ends[row] = at + apart;
    return { moment, row };
  });
}

/** A day on one strip: scenes, who is called when, what is changed when, and when its places are quiet. */
export function DayLine({ strip }: { strip: DayStripPlan }) {
  const { within, scenes, moments, places } = strip;
  const hours = Math.max(1, lengthOf(within) / 60);
  const share = (minutes: number) => `${(100 * minutes) / lengthOf(within)}%`;
  const at = (each: Interval) => {
    const from = Math.max(each.fromMin, within.fromMin);
    const to = Math.min(each.toMin, within.toMin);
    return { left: share(from - within.fromMin), width: share(Math.max(0, to - from)) };
  };
  const isSeen = (each: Interval) => each.toMin > within.fromMin && each.fromMin < within.toMin;
  const room = useIsNarrow() ? ROOM.narrow : ROOM.wide;
  const everyH = Math.ceil(hours / room.hours);
  const placed = rowsOf(moments, within, room.mark);
  const rows = 1 + Math.max(-1, ...placed.map(({ row }) => row));
  return (
    <Piece aria-label="The day on one strip">
      <VisuallyHidden as="ul">
        {scenes.map((scene) => (
          <li key={scene.id}>
            {clockWords(scene.fromMin)} to {clockWords(scene.toMin)}: {scene.title}
          </li>
        ))}
        {moments.map((moment, index) => (
          <li key={index}>
            {clockWords(moment.atMin)}: {moment.kind === "call" && "call "}
            {saysOf(moment)}
          </li>
        ))}
        {places.map(({ id, name, noisy }) => (
          <li key={id}>
            {name}: {noisy.length > 0 ? noisy.map(noisyWords).join("; ") : "nothing at known times"}
          </li>
        ))}
      </VisuallyHidden>
      <Lanes aria-hidden>
        <Label />
        <Lane $hours={hours} style={{ background: "none", border: 0, minHeight: "1.2rem" }}>
          {Array.from({ length: Math.ceil(hours / everyH) }, (_, index) => within.fromMin + index * everyH * 60).map(
            (minute) => (
              <Hour key={minute} style={{ left: share(minute - within.fromMin) }}>
                {clockWords(minute)}
              </Hour>
            ),
          )}
        </Lane>
        <Label>Scenes</Label>
        <Lane $hours={hours}>
          {scenes.map((scene, index) => (
            <Scene key={scene.id} style={at(scene)} title={scene.title} data-name={namePlace(scenes, index, within)}>
              <span>{scene.title}</span>
            </Scene>
          ))}
        </Lane>
        {rows > 0 && (
          <>
            <Label>Calls, changes</Label>
            <Lane $hours={hours} style={{ minHeight: `${rows * 1.5 + 0.3}rem` }}>
              {placed.map(({ moment, row }, index) => {
                const { Icon } = MARKS[moment.kind];
                const words = `${clockWords(moment.atMin)}: ${saysOf(moment)}`;
                const count = moment.kind === "card" ? moment.card : moment.names.length;
                return (
                  <Moment
                    key={index}
                    title={words}
                    style={{ left: share(moment.atMin - within.fromMin), top: `${row * 1.5 + 0.2}rem` }}
                  >
                    <Icon size={14} /> {clockWords(moment.atMin)}
                    {count > 1 && ` ×${count}`}
                  </Moment>
                );
              })}
            </Lane>
          </>
        )}
        {places.map(({ id, name, noisy }) => {
          const seen = noisy.filter(isSeen);
          return [
            <Label key={`${id} name`} title={name}>
              {name}
            </Label>,
            <Lane key={id} $hours={hours}>
              {seen.map((time, index) => (
                <Noise key={index} style={at(time)} title={noisyWords(time)} />
              ))}
              {gapsBetween(seen, within)
                .filter((gap) => lengthOf(gap) >= room.quiet * lengthOf(within))
                .map((gap) => (
                  <Quiet key={gap.fromMin} style={at(gap)}>
                    <span>{seen.length === 0 ? "quiet" : `${Math.round(lengthOf(gap))} min quiet`}</span>
                  </Quiet>
                ))}
            </Lane>,
          ];
        })}
      </Lanes>
    </Piece>
  );
}
