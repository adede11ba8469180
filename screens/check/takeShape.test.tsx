/** @jest-environment jsdom */
import { cleanup, render } from "@testing-library/react";
import fc from "fast-check";
import type { Finding } from "@/core/check";
import { columnsOf, TakeShape } from "./TakeShape";

afterEach(cleanup);

test("no peak is lost, however many columns there are (property)", () => {
  const value = fc.float({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.array(value, { minLength: 1, maxLength: 300 }), (values) => {
      const low = Float32Array.from(values, (each) => Math.min(0, each));
      const high = Float32Array.from(values, (each) => Math.max(0, each));
      const columns = columnsOf({ low, high });
      expect(columns).toHaveLength(48);
      expect(Math.max(...columns.map((each) => each.high))).toBe(Math.max(...high));
      expect(Math.min(...columns.map((each) => each.low))).toBe(Math.min(...low) || 0);
    }),
  );
});

test("nothing at all, and silence, are a line and no error", () => {
  for (const samples of [0, 10]) {
    const overview = { framesPerColumn: 1, low: new Float32Array(samples), high: new Float32Array(samples) };
    render(<TakeShape overview={overview} durationS={0} findings={[]} />);
    expect(document.querySelector("path")!.getAttribute("d")).not.toMatch(/NaN|Infinity/);
    cleanup();
  }
});

test("findings stand where they are heard; notes, and what is so all through, have no place", () => {
  const finding = (own: Partial<Finding>): Finding => ({
    ...{ kind: "rustle", channel: 0, startS: 0, endS: 0.2, severity: "warning", confidence: 1 },
    ...own,
  });
  const overview = { framesPerColumn: 1, low: new Float32Array(4), high: new Float32Array(4) };
  const findings = [
    finding({ startS: 5, endS: 5.1, severity: "fault" }),
    finding({ startS: 7.5 }),
    finding({ severity: "note" }),
    finding({ endS: 10 }),
  ];
  render(<TakeShape overview={overview} durationS={10} findings={findings} />);
  const places = [...document.querySelectorAll("rect")].map((each) => [
    each.getAttribute("x"),
    each.getAttribute("fill"),
  ]);
  expect(places).toEqual([
    ["48", "var(--bad)"],
    ["72", "var(--warn)"],
  ]);
});
