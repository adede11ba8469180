"use client";

import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { Bar } from "react-chartjs-2";
import styled from "styled-components";
import { ROOM_OCTAVES_HZ, type RoomOctaves } from "@/core/room/materials";
import { useInk } from "./useInk";

Chart.defaults.font.family = "Work Sans Variable, sans-serif";
Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

const Box = styled.div`
  height: 220px;
  position: relative;
`;

const label = (hz: number) => (hz < 1000 ? `${hz}` : `${hz / 1000}k`);

/** Reverberation time by octave. */
export function EchoChart({ reverberationS }: { reverberationS: RoomOctaves }) {
  const ink = useInk(["--chalk", "--ink-soft", "--seam-soft"]);
  const says = ROOM_OCTAVES_HZ.map((hz, band) => `${label(hz)} hertz ${reverberationS[band]!.toFixed(2)} seconds`);
  return (
    <Box>
      <Bar
        role="img"
        aria-label={`Echo by octave: ${says.join(", ")}`}
        data={{
          labels: ROOM_OCTAVES_HZ.map(label),
          datasets: [
            {
              label: "s",
              data: reverberationS.map((value) => Number(value.toFixed(2))),
              backgroundColor: ink["--chalk"]!,
              barPercentage: 0.55,
            },
          ],
        }}
        options={{
          maintainAspectRatio: false,
          animation: false,
          scales: {
            x: {
              title: { display: true, text: "octave, Hz", color: ink["--ink-soft"]! },
              ticks: { color: ink["--ink-soft"]! },
              grid: { display: false },
            },
            y: {
              beginAtZero: true,
              suggestedMax: 1,
              title: { display: true, text: "T60, s", color: ink["--ink-soft"]! },
              ticks: { color: ink["--ink-soft"]! },
              grid: { color: ink["--seam-soft"]! },
            },
          },
        }}
      />
    </Box>
  );
}
