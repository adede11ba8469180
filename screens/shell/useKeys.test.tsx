/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { switchKeys, useKeys } from "./useKeys";

const run = jest.fn();
const undo = jest.fn();
const find = jest.fn();
const KEYS = [{ key: "d", says: "Day sheet", run }];
const CONTROLS = [
  { key: "z", run: undo },
  { key: "k", worksInFields: true, run: find },
];

function Page() {
  useKeys(KEYS, CONTROLS);
  return (
    <>
      <input aria-label="Name" />
      <input aria-label="Turn" type="range" />
      <button aria-haspopup="listbox" aria-expanded="true">
        Open list
      </button>
      <button aria-haspopup="listbox" aria-expanded="false">
        Closed list
      </button>
      <div role="dialog">
        <button>In a dialog</button>
      </div>
      <p>Text</p>
    </>
  );
}

beforeEach(() => {
  [run, undo, find].forEach((each) => each.mockReset());
  window.localStorage.clear();
  render(<Page />);
});
afterEach(cleanup);

test.each([
  ["Text", 1],
  ["Closed list", 1],
  ["Open list", 0],
  ["In a dialog", 0],
])("a single key at %s runs %d times", (text, times) => {
  fireEvent.keyDown(screen.getByText(text), { key: "d" });
  expect(run).toHaveBeenCalledTimes(times);
});

test("a field takes its letters; a slider has none", () => {
  fireEvent.keyDown(screen.getByLabelText("Name"), { key: "d" });
  expect(run).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByLabelText("Turn"), { key: "d" });
  expect(run).toHaveBeenCalledTimes(1);
});

test("with a modifier a single key is the browser's", () => {
  for (const modifier of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }])
    fireEvent.keyDown(screen.getByText("Text"), { key: "d", ...modifier });
  expect(run).not.toHaveBeenCalled();
});

test("undo is the field's own while one types; finding works everywhere", () => {
  fireEvent.keyDown(screen.getByLabelText("Name"), { key: "z", ctrlKey: true });
  expect(undo).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByText("Text"), { key: "z", metaKey: true });
  expect(undo).toHaveBeenCalledTimes(1);
  fireEvent.keyDown(screen.getByLabelText("Name"), { key: "k", ctrlKey: true });
  expect(find).toHaveBeenCalledTimes(1);
});

test("switched off, single keys rest; those with Control work on", () => {
  switchKeys(false);
  fireEvent.keyDown(screen.getByText("Text"), { key: "d" });
  expect(run).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByText("Text"), { key: "z", ctrlKey: true });
  expect(undo).toHaveBeenCalledTimes(1);
  switchKeys(true);
  fireEvent.keyDown(screen.getByText("Text"), { key: "d" });
  expect(run).toHaveBeenCalledTimes(1);
});
