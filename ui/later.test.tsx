/** @jest-environment jsdom */
import { act, render, screen } from "@testing-library/react";
import { Component, type ReactNode } from "react";
import { later } from "./later";

class Boundary extends Component<{ children: ReactNode }, { fault: string }> {
  override state = { fault: "" };
  static getDerivedStateFromError(error: Error) {
    return { fault: error.message };
  }
  override render() {
    return this.state.fault ? <p>{this.state.fault}</p> : this.props.children;
  }
}

const Hello = ({ name }: { name: string }) => <p>Hello {name}</p>;

test("stands in until it is loaded, and is loaded once for all places", async () => {
  const load = jest.fn(() => Promise.resolve(Hello));
  const Part = later(load, <p>One moment…</p>);
  render(
    <>
      <Part name="boom" />
      <Part name="lav" />
    </>,
  );
  expect(screen.getAllByText("One moment…")).toHaveLength(2);
  await act(async () => undefined);
  expect(screen.getByText("Hello boom")).toBeTruthy();
  expect(screen.getByText("Hello lav")).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(1);
});

test("is drawn at once when it was loaded before", async () => {
  const Part = later(() => Promise.resolve(Hello));
  Part.prepare();
  await act(async () => undefined);
  render(<Part name="lav" />);
  expect(screen.getByText("Hello lav")).toBeTruthy();
});

test("a part that cannot be loaded reaches the error boundary, and is asked for again", async () => {
  const quiet = jest.spyOn(console, "error").mockImplementation(() => undefined);
  let isThere = false;
  const Part = later(() => (isThere ? Promise.resolve(Hello) : Promise.reject(new Error("no signal"))));
  const first = render(
    <Boundary>
      <Part name="lav" />
    </Boundary>,
  );
  await act(async () => undefined);
  expect(screen.getByText("no signal")).toBeTruthy();
  first.unmount();
  await new Promise((resolve) => setTimeout(resolve, 0));
  isThere = true;
  render(
    <Boundary>
      <Part name="lav" />
    </Boundary>,
  );
  await act(async () => undefined);
  expect(screen.getByText("Hello lav")).toBeTruthy();
  quiet.mockRestore();
});
