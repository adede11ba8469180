"use client";

import { Chart, LinearScale, LineElement, PointElement, ScatterController } from "chart.js";
import { Scatter } from "react-chartjs-2";
import styled from "styled-components";
import type { MeasuredDecay } from "@/core/room";
import { useInk } from "./useInk";

Chart.register(ScatterController, LinearScale, LineElement, PointElement);

const Box = styled.div`
  height: 260px;
  position: relative;
`;

/** One octave's decay with the straight line that gives its time. */
export function DecayChart({ decay }: { decay: MeasuredDecay }) {
  const ink = useInk(["--ink", "--chalk", "--ink-soft", "--seam-soft"]);
  const { hz, timeS, evaluation, fromS, toS, fromDb, toDb, curveDb, stepS } = decay;
  const title = (text: string) => ({ display: true, text, color: ink["--ink-soft"]! });
  const ticks = { color: ink["--ink-soft"]! };
  return (
    <Box>
      <Scatter
        role="img"
        aria-label={`Decay at ${hz} hertz: falls from ${fromDb.toFixed(0)} to ${toDb.toFixed(0)} decibels in ${(toS - fromS).toFixed(2)} seconds, ${timeS.toFixed(2)} seconds by ${evaluation.toUpperCase()}`}
        data={{
          datasets: [
            {
              label: evaluation.toUpperCase(),
              data: [
                { x: fromS, y: fromDb },
                { x: toS, y: toDb },
              ],
              showLine: true,
              borderColor: ink["--chalk"]!,
              borderWidth: 3,
              borderDash: [9, 5],
              pointRadius: 5,
              pointBackgroundColor: ink["--chalk"]!,
            },
            {
              label: "decay",
              data: curveDb.map((y, index) => ({ x: index * stepS, y })),
              showLine: true,
              borderColor: ink["--ink"]!,
              borderWidth: 1.5,
              pointRadius: 0,
            },
          ],
        }}
        options={{
          maintainAspectRatio: false,
          animation: false,
          scales: {
            x: { title: title("s after the clap"), ticks, grid: { display: false } },
            y: { title: title("energy left, dB"), ticks, grid: { color: ink["--seam-soft"]! }, max: 0 },
          },
        }}
      />
    </Box>
  );
}
