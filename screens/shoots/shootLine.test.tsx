/** @jest-environment jsdom */
import { QueryClient } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ShootBundle } from "@/core/records";
import { OpenHub } from "@/data/ShootProvider";
import type { Hub } from "@/data/hub";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { act } from "react";
import { FirstSteps } from "./FirstSteps";
import { ShootLine } from "./ShootLine";

afterEach(cleanup);

const DEMO = bundleOf(SLACK_WATER);
const pull = jest.fn(() => Promise.resolve(true));

async function show(bundle: ShootBundle, hasProgress = true): Promise<void> {
  const queries = new QueryClient();
  const hub = { queries, pull, storeOf: () => testStore(bundle) } as unknown as Hub;
  await act(async () => {
    render(
      <OpenHub hub={hub}>
        <ShootLine shoot={bundle.shoot} today="2027-05-12" hasProgress={hasProgress} />
      </OpenHub>,
    );
    await Promise.resolve();
  });
}

beforeEach(() => pull.mockClear());

test("a shoot tells its day, how far it is and what is next, and leads there", async () => {
  await show(DEMO);
  expect(screen.getByRole("link", { name: "Slack Water" }).getAttribute("href")).toBe(`/shoots/${DEMO.shoot.id}`);
  expect(screen.getByText("day 2 of 3 today")).toBeTruthy();
  const of = DEMO.rigs.length;
  expect(screen.getByRole("img").getAttribute("aria-label")).toMatch(new RegExp(`of ${of} places chosen, 0 verified$`));
  const next = screen.getAllByRole("link")[1]!;
  expect(next.textContent).toMatch(/^(Choose a place on|Ask|Fix the microphones of|Check a take of) \d+ talents?/);
  expect(next.getAttribute("href")).toMatch(/\/(dress|check)$/);
});

test("an empty shoot begins with a place", async () => {
  await show({ ...DEMO, places: [], scenes: [], wearers: [], rigs: [] });
  expect(screen.getByRole("link", { name: "Add the first place." }).getAttribute("href")).toMatch(/\/scout$/);
  expect(screen.queryByRole("img")).toBeNull();
});

test("of an older shoot nothing is asked", async () => {
  await show(DEMO, false);
  expect(pull).not.toHaveBeenCalled();
  expect(screen.getAllByRole("link")).toHaveLength(1);
});

test("three steps lead into the demo shoot", async () => {
  const user = userEvent.setup();
  const onOpen = jest.fn();
  render(<FirstSteps isOpening={false} onOpen={onOpen} />);
  await user.click(screen.getByRole("button", { name: "See which cable it takes" }));
  expect(onOpen).toHaveBeenCalledWith("/link?view=cables");
  expect(screen.getAllByRole("listitem")).toHaveLength(3);
});
