/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useEffect, useRef, useState } from "react";
import { useZoom } from "./useZoom";
import type { Stretch } from "./zoomScale";

const WHOLE: Stretch = { from: 0, to: 100 };
let seen: Stretch;
const note = (view: Stretch) => (seen = view);
const presses: string[] = [];

function Drawing({ start }: { start: Stretch }) {
  const box = useRef<HTMLDivElement>(null);
  const [view, setView] = useState(start);
  useEffect(() => void note(view), [view]);
  useZoom(box, { whole: WHOLE, seen: view, narrowest: 5, onSee: setView });
  return (
    <div ref={box} data-testid="drawing" onClick={() => presses.push("drawing")}>
      <i role="slider" aria-valuenow={1} tabIndex={0} data-testid="pin" />
    </div>
  );
}

Object.defineProperty(HTMLElement.prototype, "clientWidth", { configurable: true, get: () => 1000 });
const drawing = () => screen.getByTestId("drawing");
const wheel = (init: WheelEventInit) =>
  fireEvent(drawing(), new WheelEvent("wheel", { bubbles: true, cancelable: true, ...init }));
/** Down at one place, moved and up at another. */
function drag(from: Element, startX: number, endX: number): void {
  fireEvent.mouseDown(from, { clientX: startX, button: 0, view: window });
  fireEvent.mouseMove(window, { clientX: endX, view: window });
  fireEvent.mouseUp(window, { clientX: endX, view: window });
}

beforeEach(() => presses.splice(0));
afterEach(cleanup);

test("the wheel alone scrolls the page; with a key held it goes closer, to where the pointer is", () => {
  render(<Drawing start={WHOLE} />);
  expect(wheel({ deltaY: -200, clientX: 250 })).toBe(true);
  expect(seen).toEqual(WHOLE);
  expect(wheel({ deltaY: -200, clientX: 250, ctrlKey: true })).toBe(false);
  expect(seen.to - seen.from).toBeCloseTo(100 / 2 ** 0.72, 6);
  expect(seen.from + 0.25 * (seen.to - seen.from)).toBeCloseTo(25, 6);
});

test("it goes no closer than the narrowest, and out no farther than all", () => {
  render(<Drawing start={WHOLE} />);
  for (let times = 0; times < 30; times += 1) wheel({ deltaY: -300, clientX: 500, ctrlKey: true });
  expect(seen.to - seen.from).toBeCloseTo(5, 6);
  for (let times = 0; times < 40; times += 1) wheel({ deltaY: 300, clientX: 0, altKey: true });
  expect(seen.from).toBeCloseTo(0, 6);
  expect(seen.to).toBeCloseTo(100, 6);
});

test("sideways it moves along, and stops at the ends", () => {
  render(<Drawing start={{ from: 40, to: 60 }} />);
  wheel({ deltaX: 100 });
  expect(seen.from).toBeCloseTo(42, 6);
  wheel({ deltaY: -50, shiftKey: true });
  expect(seen.from).toBeCloseTo(41, 6);
  for (let times = 0; times < 60; times += 1) wheel({ deltaX: 200 });
  expect(seen.to).toBeCloseTo(100, 6);
});

test("a drag moves what is zoomed and is no press; a drag of a pin is the pin's own", () => {
  render(<Drawing start={{ from: 40, to: 60 }} />);
  drag(drawing(), 500, 400);
  expect(seen.from).toBeCloseTo(42, 6);
  drag(screen.getByTestId("pin"), 500, 300);
  expect(seen.from).toBeCloseTo(42, 6);
});

test("what changes the view from elsewhere is gone on from", () => {
  const { rerender } = render(<Drawing key="one" start={WHOLE} />);
  act(() => rerender(<Drawing key="two" start={{ from: 20, to: 40 }} />));
  wheel({ deltaX: 500 });
  expect(seen.from).toBeCloseTo(30, 6);
});
