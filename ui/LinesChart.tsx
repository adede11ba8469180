"use client";

import { CategoryScale, Chart as ChartJs, LinearScale, LineElement, PointElement, type ChartDataset } from "chart.js";
import { Line } from "react-chartjs-2";
import styled from "styled-components";
import { THREAD_COLOURS } from "./theme";
import { useInk } from "./useInk";

ChartJs.register(CategoryScale, LinearScale, LineElement, PointElement);

const Box = styled.div`
  height: 210px;
  position: relative;
`;

/** Dashes and threads of the lines, in order: colour is never the only sign. */
export const LINE_DASHES: readonly (readonly number[])[] = [[], [8, 5], [2, 4], [12, 4, 2, 4]];

export interface DrawnLine {
  name: string;
  values: readonly number[];
}

const INKS = ["--ink-soft", "--seam-soft", "--seam", ...THREAD_COLOURS.slice(0, 4).map((name) => `--${name}`)];

/** Several lines over one scale, each with a thread and a dash of its own. */
export default function LinesChart(props: {
  says: string;
  labels: readonly string[];
  lines: readonly DrawnLine[];
  xTitle: string;
  yTitle: string;
}) {
  const ink = useInk(INKS);
  const datasets = props.lines.map(({ name, values }, index): ChartDataset<"line", number[]> => ({
    label: name,
    data: values.map((value) => Number(value.toFixed(2))),
    borderColor: ink[`--${THREAD_COLOURS[index]!}`]!,
    borderDash: [...LINE_DASHES[index % LINE_DASHES.length]!],
    borderWidth: 2.5,
    pointRadius: 0,
  }));
  const title = (text: string) => ({ display: true, text, color: ink["--ink-soft"]! });
  return (
    <Box>
      <Line
        role="img"
        aria-label={props.says}
        data={{ labels: [...props.labels], datasets }}
        options={{
          maintainAspectRatio: false,
          animation: false,
          scales: {
            x: {
              title: title(props.xTitle),
              ticks: { color: ink["--ink-soft"]!, maxRotation: 0 },
              grid: { display: false },
            },
            y: {
              title: title(props.yTitle),
              ticks: { color: ink["--ink-soft"]! },
              grid: { color: ink["--seam-soft"]! },
            },
          },
        }}
      />
    </Box>
  );
}
