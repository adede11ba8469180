"use client";

import { BarController, BarElement, CategoryScale, Chart, LinearScale, type Plugin, Tooltip } from "chart.js";
import { Bar } from "react-chartjs-2";
import styled from "styled-components";
import { ECHO_LIMITS_S } from "@/core/room";
import { type OctaveLevels, OCTAVES_HZ } from "@/core/sound";
import { useInk } from "./useInk";

Chart.defaults.font.family = "Work Sans Variable, sans-serif";
Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);

const Box = styled.div`
  height: 220px;
  position: relative;
`;

const label = (hz: number) => (hz < 1000 ? `${hz}` : `${hz / 1000}k`);

/** Lines across the bars: what speech takes well, and what it still takes. */
const limitLines = (ink: string): Plugin<"bar"> => ({
  id: "limits",
  afterDatasetsDraw({ ctx, chartArea, scales }) {
    ctx.save();
    ctx.strokeStyle = ink;
    ctx.fillStyle = ink;
    ctx.font = "11px Work Sans Variable, sans-serif";
    ctx.textAlign = "left";
    ctx.textBaseline = "middle";
    for (const [says, seconds, dash] of [
      ["good", ECHO_LIMITS_S.good, [6, 4]],
      ["usable", ECHO_LIMITS_S.usable, [2, 4]],
    ] as const) {
      const y = scales["y"]!.getPixelForValue(seconds);
      ctx.setLineDash([...dash]);
      ctx.beginPath();
      ctx.moveTo(chartArea.left, y);
      ctx.lineTo(chartArea.right, y);
      ctx.stroke();
      ctx.fillText(says, chartArea.right + 5, y);
    }
    ctx.restore();
  },
});

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
        aria-label={`Reverberation by octave: ${says.join(", ")}; up to ${ECHO_LIMITS_S.good} seconds is good for speech, up to ${ECHO_LIMITS_S.usable} usable`}
        plugins={[limitLines(ink["--ink-soft"]!)]}
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
          layout: { padding: { right: 46 } },
          scales: {
            x: {
              title: { display: true, text: "octave, Hz", color: ink["--ink-soft"]! },
              ticks: { color: ink["--ink-soft"]! },
              grid: { display: false },
            },
            y: {
              beginAtZero: true,
              suggestedMax: 1.1,
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
