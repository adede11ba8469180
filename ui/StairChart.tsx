"use client";

import {
  BarController,
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
} from "chart.js";
import { Chart } from "react-chartjs-2";
import styled from "styled-components";
import { useInk } from "./useInk";

ChartJs.register(
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
);

const Box = styled.div`
  height: 230px;
  position: relative;
`;

/** One step of the stairs: levels under what this stage takes, dB. */
export interface Stair {
  name: string;
  softest: number;
  loudest: number;
  peak: number;
  noise: number;
  isOver: boolean;
  /** Where peaks should end; null at every stage but the file. */
  target: readonly [number, number] | null;
}

const INKS = ["--ink", "--ink-soft", "--seam", "--seam-soft", "--chalk", "--chalk-soft", "--bad", "--good"];
const LOWEST_DB = -120;

/** Stage by stage: softest to loudest line, peaks, noise below and the clip above. */
export default function StairChart({ says, stairs }: { says: string; stairs: readonly Stair[] }) {
  const ink = useInk(INKS);
  const colour = (name: string) => ink[name]!;
  const bar = { grouped: false, barPercentage: 0.62, categoryPercentage: 0.9 } as const;
  const data = {
    labels: stairs.map(({ name }) => name),
    datasets: [
      {
        type: "line",
        label: "Loudest peaks",
        data: stairs.map(({ peak }) => peak),
        showLine: true,
        borderColor: colour("--ink-soft"),
        borderWidth: 1,
        borderDash: [2, 4],
        pointStyle: "line",
        pointRadius: 16,
        pointHoverRadius: 16,
        pointBorderWidth: 3,
        pointBorderColor: stairs.map(({ isOver }) => colour(isOver ? "--bad" : "--ink")),
      },
      {
        type: "line",
        label: "Clip",
        data: stairs.map(() => 0),
        borderColor: colour("--bad"),
        borderWidth: 2,
        pointRadius: 0,
      },
      {
        type: "bar",
        label: "Softest to loudest line",
        data: stairs.map(({ softest, loudest }): [number, number] => [softest, loudest]),
        backgroundColor: stairs.map(({ isOver }) => colour(isOver ? "--bad" : "--chalk")),
        ...bar,
      },
      {
        type: "bar",
        label: "Noise",
        data: stairs.map(({ noise }): [number, number] => [LOWEST_DB, Math.max(LOWEST_DB, noise)]),
        backgroundColor: colour("--seam-soft"),
        borderColor: colour("--seam"),
        borderWidth: { top: 2 },
        ...bar,
      },
      {
        type: "bar",
        label: "Peaks should end here",
        data: stairs.map(({ target }): [number, number] | null => (target ? [target[0], target[1]] : null)),
        backgroundColor: "transparent",
        borderColor: colour("--good"),
        borderWidth: 2,
        borderSkipped: false,
        grouped: false,
        barPercentage: 0.9,
        categoryPercentage: 0.95,
      },
    ],
  } as unknown as ChartData<"bar" | "line">;
  const title = (text: string) => ({ display: true, text, color: colour("--ink-soft") });
  return (
    <Box>
      <Chart
        type="bar"
        role="img"
        aria-label={says}
        data={data}
        options={{
          maintainAspectRatio: false,
          animation: false,
          plugins: {
            tooltip: {
              callbacks: {
                label: ({ dataset, raw }) => {
                  const figures = (Array.isArray(raw) ? raw : [raw]).map((each) =>
                    Number(each).toFixed(0).replace("-", "−"),
                  );
                  return `${dataset.label}: ${figures.join(" to ")} dB`;
                },
              },
            },
          },
          scales: {
            x: { ticks: { color: colour("--ink"), maxRotation: 40 }, grid: { display: false } },
            y: {
              min: LOWEST_DB,
              max: 20,
              title: title("dB under what this stage takes"),
              ticks: { color: colour("--ink-soft"), stepSize: 20 },
              grid: { color: colour("--seam-soft") },
            },
          },
        }}
      />
    </Box>
  );
}
