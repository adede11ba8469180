"use client";

import { useEffect, useRef } from "react";
import styled from "styled-components";
import WaveSurfer from "wavesurfer.js";
import RegionsPlugin from "wavesurfer.js/plugins/regions";
import type { Overview } from "@/core/audio/overview";
import { useInk } from "./useInk";

export interface WaveMark {
  startS: number;
  endS: number;
  isFault: boolean;
}

const Box = styled.div`
  min-height: 120px;
  border: 1px solid var(--seam-soft);
  background: var(--paper-deep);
`;

const MOST_MARKS = 60;

function peaksOf(overview: Overview): Float32Array {
  const peaks = new Float32Array(overview.low.length * 2);
  overview.high.forEach((high, column) => {
    peaks[2 * column] = high;
    peaks[2 * column + 1] = overview.low[column]!;
  });
  return peaks;
}

/** A channel's shape with the places that findings point at. Decorative beside the list of findings. */
export function Waveform(props: { overview: Overview; durationS: number; marks: readonly WaveMark[]; label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const ink = useInk(["--chalk", "--bad", "--warn"]);
  const { overview, durationS, marks } = props;
  useEffect(() => {
    if (!box.current) return;
    const regions = RegionsPlugin.create();
    const nonce = document.querySelector<HTMLElement>("[nonce]")?.nonce;
    const wave = WaveSurfer.create({
      container: box.current,
      height: 120,
      peaks: [peaksOf(overview)],
      duration: Math.max(durationS, 0.001),
      waveColor: ink["--chalk"]!,
      progressColor: ink["--chalk"]!,
      cursorWidth: 0,
      interact: false,
      normalize: false,
      plugins: [regions],
      ...(nonce ? { cspNonce: nonce } : {}),
    });
    wave.on("ready", () => {
      for (const mark of marks.slice(0, MOST_MARKS))
        regions.addRegion({
          start: mark.startS,
          end: Math.max(mark.endS, mark.startS + durationS / 400),
          color: `${mark.isFault ? ink["--bad"]! : ink["--warn"]!}44`,
          drag: false,
          resize: false,
        });
    });
    return () => wave.destroy();
  }, [overview, durationS, marks, ink]);
  return <Box ref={box} role="img" aria-label={props.label} />;
}
