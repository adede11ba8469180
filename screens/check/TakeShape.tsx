"use client";

import type { Finding } from "@/core/check";
import type { Overview } from "@/core/audio";

const [WIDTH, HEIGHT] = [96, 22];
const COLUMNS = 48;

/** Extremes of so many equal parts of an overview; parts without any are silent. */
export function columnsOf(
  { low, high }: Pick<Overview, "low" | "high">,
  count = COLUMNS,
): { low: number; high: number }[] {
  return Array.from({ length: count }, (_, at) => {
    const from = Math.floor((at * low.length) / count);
    const to = Math.max(from + 1, Math.floor(((at + 1) * low.length) / count));
    let [least, most] = [0, 0];
    for (let index = from; index < Math.min(to, low.length); index += 1) {
      least = Math.min(least, low[index]!);
      most = Math.max(most, high[index]!);
    }
    return { low: least, high: most };
  });
}

/** A take as one sees it in a list: its waveform, with the places of its findings below. */
export function TakeShape(props: { overview: Overview; durationS: number; findings: readonly Finding[] }) {
  const { overview, durationS, findings } = props;
  const loudest = Math.max(1e-3, ...overview.high, ...overview.low.map((value) => -value));
  const middle = (HEIGHT - 4) / 2;
  const d = columnsOf(overview)
    .map(({ low, high }, at) => {
      const x = ((at + 0.5) * WIDTH) / COLUMNS;
      const yOf = (value: number) => (middle - (value / loudest) * (middle - 1)).toFixed(1);
      return `M${x.toFixed(1)},${yOf(high)}V${Number(yOf(low)) - Number(yOf(high)) < 0.8 ? Number(yOf(high)) + 0.8 : yOf(low)}`;
    })
    .join("");
  const places = findings.filter(
    ({ severity, startS, endS }) => severity !== "note" && endS - startS < 0.5 * durationS,
  );
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden style={{ display: "block" }}>
      <path d={d} stroke="var(--ink-soft)" strokeWidth={1.2} />
      {places.slice(0, 60).map(({ startS, severity }, index) => (
        <rect
          key={index}
          x={(startS / Math.max(durationS, 0.001)) * WIDTH}
          y={HEIGHT - 3}
          width={2}
          height={3}
          fill={severity === "fault" ? "var(--bad)" : "var(--warn)"}
        />
      ))}
    </svg>
  );
}
