"use client";

import { useEffect, useRef } from "react";
import styled from "styled-components";
import type { Targets } from "@/core/chain";
import { useInk } from "@/ui/useInk";
import type { Reading } from "../sound/useLiveInput";

const Canvas = styled.canvas`
  display: block;
  width: 100%;
  height: 132px;
  background: var(--paper-deep);
  border: 1px solid var(--seam);
`;

const LOWEST_DBFS = -60;
const MARKS_DBFS = [-60, -48, -36, -24, -18, -12, -6, 0] as const;
/** Readings that the trace shows: about ten seconds. */
const TRACE = 470;
const TAPE_TOP = 84;

const INKS = ["--ink", "--ink-soft", "--seam", "--chalk", "--bad", "--good"];

interface Pen {
  context: CanvasRenderingContext2D;
  width: number;
  ink: Record<string, string>;
}

/** Louder to the right, as on a tape measure; below what is shown it stays at the left. */
const along = (levelDbfs: number, width: number): number =>
  8 + (width - 16) * Math.min(1, Math.max(0, (levelDbfs - LOWEST_DBFS) / -LOWEST_DBFS));

function drawTrace({ context, width, ink }: Pen, trace: readonly number[]): void {
  const middle = 38;
  context.fillStyle = ink["--chalk"]!;
  const step = width / TRACE;
  trace.forEach((peakDbfs, index) => {
    const height = Math.max(0.5, 36 * 10 ** (Math.max(-60, peakDbfs) / 20));
    context.fillRect(width - (trace.length - index) * step, middle - height, Math.max(1, step), 2 * height);
  });
}

function drawTape({ context, width, ink }: Pen, reading: Reading | null, { targetDbfs, ceilingDbfs }: Targets): void {
  context.strokeStyle = ink["--good"]!;
  context.lineWidth = 2;
  const [from, to] = [along(targetDbfs - 3, width), along(ceilingDbfs, width)];
  context.strokeRect(from, TAPE_TOP - 3, to - from, 24);
  if (reading && reading.rmsDbfs > LOWEST_DBFS) {
    context.fillStyle = ink["--chalk"]!;
    context.fillRect(8, TAPE_TOP, along(reading.rmsDbfs, width) - 8, 18);
  }
  if (reading && reading.heldDbfs > LOWEST_DBFS) {
    context.fillStyle = reading.heldDbfs > ceilingDbfs ? ink["--bad"]! : ink["--ink"]!;
    context.fillRect(along(reading.heldDbfs, width) - 2, TAPE_TOP - 6, 4, 30);
  }
  context.fillStyle = ink["--ink-soft"]!;
  context.font = "12px sans-serif";
  context.textAlign = "center";
  for (const mark of MARKS_DBFS) {
    const at = along(mark, width);
    context.fillRect(at, TAPE_TOP + 20, 1, 6);
    context.fillText(String(mark).replace("-", "−"), Math.min(width - 12, Math.max(12, at)), TAPE_TOP + 40);
  }
}

/** What comes in, as it comes: ten seconds of it, and its level on a tape with the place for peaks marked. */
export function MeterTape({ reading, targets }: { reading: () => Reading | null; targets: Targets }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const ink = useInk(INKS);
  const { targetDbfs, ceilingDbfs } = targets;
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d");
    if (!element || !context) return;
    const trace: number[] = [];
    let last: Reading | null = null;
    let frame = 0;
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const now = reading();
      if (now === last && trace.length > 0) return;
      last = now;
      if (now) trace.push(now.peakDbfs);
      if (trace.length > TRACE) trace.shift();
      const { clientWidth: width, clientHeight: height } = element;
      const scale = window.devicePixelRatio || 1;
      if (element.width !== width * scale) {
        element.width = width * scale;
        element.height = height * scale;
      }
      context.setTransform(scale, 0, 0, scale, 0, 0);
      context.clearRect(0, 0, width, height);
      const pen = { context, width, ink };
      drawTrace(pen, trace);
      drawTape(pen, now, { targetDbfs, ceilingDbfs });
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [ink, reading, targetDbfs, ceilingDbfs]);
  return <Canvas ref={canvas} role="img" aria-label="Level as it comes in" />;
}
