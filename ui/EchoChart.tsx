"use client";

import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { Bar } from "react-chartjs-2";
import styled from "styled-components";
import { type OctaveLevels, OCTAVES_HZ } from "@/core/sound";
import { useInk } from "./useInk";

Chart.defaults.font.family = "Work Sans Variable, sans-serif";
Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

const Box = styled.div`
  height: 220px;
  position: relative;
`;

const label = (hz: number) => (hz < 1000 ? `${hz}` : `${hz / 1000}k`);

/** Reverberation time by octave; where it was measured, what was planned stands beside it. */
export function EchoChart(props: { reverberationS: OctaveLevels; plannedS?: OctaveLevels | null }) {
  const { reverberationS, plannedS = null } = props;
  const ink = useInk(["--chalk", "--chalk-soft", "--ink-soft", "--seam-soft"]);
  const says = OCTAVES_HZ.map((hz, band) => {
    const planned = plannedS ? `, planned ${plannedS[band]!.toFixed(2)}` : "";
    return `${label(hz)} hertz ${reverberationS[band]!.toFixed(2)} seconds${planned}`;
  });
  const rounded = (values: OctaveLevels) => values.map((value) => Number(value.toFixed(2)));
  const planned = plannedS
    ? [
        {
          label: "planned, s",
          data: rounded(plannedS),
          backgroundColor: ink["--chalk-soft"]!,
          borderColor: ink["--chalk"]!,
          borderWidth: 1.5,
          barPercentage: 0.8,
        },
      ]
    : [];
  return (
    <Box>
      <Bar
        role="img"
        aria-label={`Reverberation by octave: ${says.join(", ")}`}
        data={{
          labels: OCTAVES_HZ.map(label),
          datasets: [
            ...planned,
            {
              label: plannedS ? "measured, s" : "s",
              data: rounded(reverberationS),
              backgroundColor: ink["--chalk"]!,
              barPercentage: plannedS ? 0.8 : 0.55,
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
