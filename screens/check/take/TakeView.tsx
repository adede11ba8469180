"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { FrameRange, Overview } from "@/core/audio";
import type { CoursePoint } from "@/core/check";
import { Button } from "@/ui/Button";
import { Choice } from "@/ui/Choice";
import { Row, Soft, Stack } from "@/ui/layout";
import { useInk } from "@/ui/useInk";
import { useZoom } from "@/ui/useZoom";
import { zoomed } from "@/ui/zoomScale";
import {
  drawAxis,
  drawLevels,
  drawLine,
  drawMarks,
  drawShape,
  drawSpectrum,
  INKS,
  paintSpectrum,
  RAIL_PX,
  xOf,
  type Mark,
  type Sheet,
} from "./draw";
import { useStretch, type Look } from "./useLook";
import { clampView, FEWEST_SAMPLES, stretchOfView, tickLabel, viewOfStretch, type Columns, type View } from "./view";

const Canvas = styled.canvas`
  display: block;
  width: 100%;
  height: 240px;
  border: 1px solid var(--seam-soft);
  background: var(--paper-deep);
  touch-action: pan-y;
  cursor: crosshair;
  &:focus-visible {
    outline: 3px solid var(--chalk);
    outline-offset: 1px;
  }
`;

const SPECTRUM_ROWS = 160;
const SPECTRUM_COLUMNS = 600;
/** Marks nearer than this to a press are meant, px. */
const NEAR_PX = 9;
/** A stretch is looked at with so much of it before and after. */
const BESIDE = 0.5;

type Mode = "shape" | "levels" | "spectrum";

/** The stretch that is looked at closely for a view: it moves in steps, so that a small move needs no new look. */
function stretchOf({ fromS, spanS }: View, sampleRateHz: number): FrameRange {
  const step = spanS * BESIDE;
  const from = Math.max(0, Math.floor(fromS / step) * step - step);
  return { from: Math.floor(from * sampleRateHz), frames: Math.ceil((spanS + 3 * step) * sampleRateHz) };
}

const covers = ({ from, frames }: FrameRange, { fromS, spanS }: View, rate: number): boolean =>
  from <= fromS * rate + 1 && from + frames >= (fromS + spanS) * rate - 2;

export interface TakeFacts {
  durationS: number;
  sampleRateHz: number;
  /** Null until the file is measured. */
  overview: Overview | null;
  course: readonly CoursePoint[];
  /** Planned levels to compare with. */
  lines: readonly { dbfs: number; says: string }[];
  marks: readonly Mark[];
}

/** Another size empties a canvas, so it is given only when it changes. */
function fitPixels(canvas: HTMLCanvasElement, across: number, down: number): void {
  if (canvas.width !== across) canvas.width = across;
  if (canvas.height !== down) canvas.height = down;
}

function useWidth(): [React.RefObject<HTMLCanvasElement | null>, number] {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!canvas.current) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    observer.observe(canvas.current);
    return () => observer.disconnect();
  }, []);
  return [canvas, width];
}

/** What is drawn of a channel at this view: the closest look there is. */
function useColumns({ seen, door }: Look, facts: TakeFacts, channel: number, view: View, width: number) {
  const { overview, sampleRateHz, durationS } = facts;
  const whole = useMemo((): Columns | null => {
    if (overview) {
      const { low, high, framesPerColumn } = overview;
      return { from: 0, frames: low.length * framesPerColumn, low, high };
    }
    return seen?.shapes[channel] ?? null;
  }, [overview, seen, channel]);
  const perColumn = whole ? whole.frames / whole.low.length : 0;
  const perPixel = width > 0 ? (view.spanS * sampleRateHz) / width : Infinity;
  // All of a file that is still being measured stays as it was seen first: a closer look would slow that down.
  const isClose = seen !== null && perPixel < perColumn && (overview !== null || view.spanS < durationS);
  const range = isClose ? stretchOf(view, sampleRateHz) : null;
  const close = useStretch(`shape ${channel}`, range, (stretch) => {
    const columns = Math.min(stretch.frames, Math.ceil(stretch.frames / Math.max(1, perPixel)));
    return door?.shape(channel, stretch, columns);
  });
  const isUsed = isClose && close?.key === `shape ${channel}` && covers(close.result, view, sampleRateHz);
  return isUsed ? close.result : whole;
}

/** A take as it was recorded: its shape, its levels or its spectrum, from all of it down to single samples. */
export function TakeView(props: {
  look: Look;
  facts: TakeFacts;
  channel: number;
  chosen: Mark | null;
  cursorS: number | null;
  onChoose: (mark: Mark) => void;
  onCursor: (atS: number) => void;
  /** The moment that is heard now; null while nothing is. */
  playedS: (() => number | null) | null;
}) {
  const { look, facts, channel, chosen, cursorS, playedS } = props;
  const { durationS, sampleRateHz, marks } = facts;
  const [mode, setMode] = useState<Mode>("shape");
  const [view, setViewNow] = useState<View>({ fromS: 0, spanS: durationS });
  const [canvas, width] = useWidth();
  const ink = useInk(INKS);
  const setView = (change: (before: View) => View) =>
    setViewNow((before) => clampView(change(before), durationS, sampleRateHz));
  const { seen, door } = look;
  const columns = useColumns(look, facts, channel, view, width);
  const spectrumKey = `spectrum ${channel}`;
  const spectrum = useStretch(
    spectrumKey,
    mode === "spectrum" && seen ? stretchOf(view, sampleRateHz) : null,
    (stretch) => door?.spectrum(channel, stretch, SPECTRUM_COLUMNS, SPECTRUM_ROWS),
  );
  const picture = useMemo(() => (spectrum ? paintSpectrum(spectrum.result, ink["--ink"]!) : null), [spectrum, ink]);

  // A finding that was chosen elsewhere comes into sight.
  const [shown, setShown] = useState<Mark | null>(null);
  if (chosen !== shown) {
    setShown(chosen);
    if (chosen && (chosen.startS < view.fromS || chosen.startS > view.fromS + view.spanS))
      setView((before) => ({ ...before, fromS: chosen.startS - before.spanS / 3 }));
  }

  useEffect(() => {
    const target = canvas.current;
    if (!target || width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const height = target.clientHeight;
    fitPixels(target, Math.round(width * ratio), Math.round(height * ratio));
    const context = target.getContext("2d")!;
    const draw = () => {
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      context.clearRect(0, 0, width, height);
      const sheet: Sheet = { context, width, height, ink, view };
      if (mode === "shape" && columns) drawShape(sheet, columns, sampleRateHz);
      if (mode === "levels" && columns) drawLevels(sheet, columns, sampleRateHz, facts);
      if (mode === "spectrum" && spectrum?.key === spectrumKey && picture)
        drawSpectrum(sheet, spectrum.result, picture, sampleRateHz);
      drawMarks(sheet, marks, chosen);
      if (cursorS !== null) drawLine(sheet, cursorS, "--ink-soft", 1);
      const heardS = playedS?.() ?? null;
      if (heardS !== null) drawLine(sheet, heardS, "--ink", 2);
      drawAxis(sheet);
    };
    let frame = requestAnimationFrame(function next() {
      draw();
      if (playedS) frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [
    canvas,
    width,
    ink,
    view,
    mode,
    columns,
    spectrum,
    spectrumKey,
    picture,
    facts,
    marks,
    chosen,
    cursorS,
    playedS,
    sampleRateHz,
  ]);

  const atOf = (x: number) => view.fromS + (x / Math.max(1, width)) * view.spanS;
  useZoom(canvas, {
    whole: { from: 0, to: durationS },
    seen: stretchOfView(view),
    narrowest: Math.min(durationS, FEWEST_SAMPLES / sampleRateHz),
    onSee: (seen) => setView(() => viewOfStretch(seen)),
  });
  const onClick = (event: React.MouseEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    const near = marks
      .map((mark) => ({ mark, px: Math.abs(xOf({ width, view }, mark.startS) - x) }))
      .sort((one, other) => one.px - other.px)[0];
    if (near && near.px < (y < RAIL_PX ? 2 * NEAR_PX : NEAR_PX)) props.onChoose(near.mark);
    else props.onCursor(Math.max(0, Math.min(durationS, atOf(x))));
  };
  const zoom = (factor: number) =>
    setView((before) => {
      const around = chosen?.startS ?? cursorS ?? before.fromS + before.spanS / 2;
      return viewOfStretch(zoomed(stretchOfView(before), factor, around));
    });
  const onKey = (event: React.KeyboardEvent) => {
    const move = (share: number) => setView((before) => ({ ...before, fromS: before.fromS + share * before.spanS }));
    const moves: Record<string, () => void> = {
      ArrowLeft: () => move(-0.2),
      ArrowRight: () => move(0.2),
      "+": () => zoom(0.5),
      "-": () => zoom(2),
      Home: () => setView((before) => ({ ...before, fromS: 0 })),
      End: () => setView((before) => ({ ...before, fromS: durationS })),
      "0": () => setView(() => ({ fromS: 0, spanS: durationS })),
    };
    if (!moves[event.key]) return;
    event.preventDefault();
    moves[event.key]!();
  };
  const inSight = `${tickLabel(view.fromS, 0.1)} to ${tickLabel(view.fromS + view.spanS, 0.1)}`;
  return (
    <Stack $gap={0.4}>
      <Row $between $low>
        <Choice
          label="Look at"
          value={mode}
          options={[
            { value: "shape", name: "waveform" },
            { value: "levels", name: "levels" },
            { value: "spectrum", name: "spectrogram" },
          ]}
          onChange={(next) => setMode(next)}
        />
        <Row>
          <Button aria-label="Zoom in" onPress={() => zoom(0.5)}>
            +
          </Button>
          <Button aria-label="Zoom out" onPress={() => zoom(2)}>
            −
          </Button>
          <Button onPress={() => setView(() => ({ fromS: 0, spanS: durationS }))}>All</Button>
        </Row>
      </Row>
      <Canvas
        ref={canvas}
        tabIndex={0}
        role="img"
        aria-label={`Channel ${channel + 1}, ${inSight}, ${marks.length} places marked. Keys: arrows, + and −, 0 to fit.`}
        data-seen={columns ? "yes" : "no"}
        data-span={view.spanS}
        onClick={onClick}
        onKeyDown={onKey}
      />
      {mode === "levels" && <Soft>Filled: peaks. Line: speech. Dashes: noise in the pauses, by ten seconds.</Soft>}
      {mode === "spectrum" && !seen && <Soft>Spectrograms are drawn of WAV files only.</Soft>}
    </Stack>
  );
}
