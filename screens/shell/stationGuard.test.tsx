/** @jest-environment jsdom */
import { act, cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { goTo } from "@/ui/address";
import { later } from "@/ui/later";
import { StationGuard } from "./StationGuard";

// React tells of what is thrown here, as it should.
jest.spyOn(console, "error").mockImplementation(() => undefined);

let fault: Error | null = null;
function Station() {
  if (fault) throw fault;
  return <p>It works</p>;
}
const show = () =>
  render(
    <>
      <nav>Stations</nav>
      <StationGuard title="Level">
        <Station />
      </StationGuard>
    </>,
  );

beforeEach(() => {
  fault = null;
  window.history.pushState(null, "", "/shoots/1/level");
});
afterEach(cleanup);

test("a station that fails says so in its place, and comes back when tried again", async () => {
  fault = new Error("levels is undefined");
  show();
  expect(screen.getByRole("alert").textContent).toContain("Level could not be shown");
  expect(screen.getByRole("alert").textContent).toContain("Nothing you entered is lost");
  expect(screen.getByRole("navigation")).toBeTruthy();
  fault = null;
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(screen.getByText("It works")).toBeTruthy();
});

test("what happened is there for whoever wants to tell of it", async () => {
  fault = new Error("levels is undefined");
  show();
  await userEvent.click(screen.getByRole("button", { name: "What happened" }));
  expect(screen.getByText("levels is undefined")).toBeTruthy();
});

test("another talent or station tries anew by itself", () => {
  fault = new Error("no such rig");
  show();
  expect(screen.getByRole("alert")).toBeTruthy();
  fault = null;
  act(() => goTo("/shoots/1/level?wearer=2"));
  expect(screen.getByText("It works")).toBeTruthy();
});

test("a part that could not be loaded is not on this device yet; it is asked for again", async () => {
  let isAway = true;
  const Part = later(() =>
    isAway
      ? Promise.reject(new TypeError("Failed to fetch dynamically imported module: /_next/static/chunks/x.js"))
      : Promise.resolve(() => <p>Loaded</p>),
  );
  render(
    <StationGuard title="Roll">
      <Part />
    </StationGuard>,
  );
  expect((await screen.findByRole("alert")).textContent).toContain("Roll is not on this device yet");
  expect(screen.queryByRole("button", { name: "Reload the page" })).toBeNull();
  isAway = false;
  await act(() => new Promise((resolve) => setTimeout(resolve, 5)));
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByText("Loaded")).toBeTruthy();
});
