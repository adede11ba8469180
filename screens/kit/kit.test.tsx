/** @jest-environment jsdom */
import { act, cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { KitScreen } from "./KitScreen";

let store: ShootStore;
let isNarrow = false;
window.matchMedia = (media) =>
  Object.assign(new EventTarget(), { media, matches: isNarrow }) as unknown as MediaQueryList;

function show(query = ""): void {
  window.history.pushState(null, "", `/shoots/${store.snapshot().bundle.shoot.id}/kit${query}`);
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <KitScreen />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}

beforeEach(() => {
  isNarrow = false;
  store = testStore(bundleOf(SLACK_WATER));
});
afterEach(cleanup);

const rowOf = (name: RegExp) => screen.getByRole("row", { name });
const names = () => screen.getAllByRole("rowheader").map(({ textContent }) => textContent);
const packing = () => store.snapshot().bundle.packings[0]?.body.lines ?? [];

test("the day of the scene that is worked on is packed for, unless another is asked for", () => {
  show();
  expect(screen.getByRole("button", { name: /Day$/ }).textContent).toContain("Day 1");
  cleanup();
  show("?day=3");
  expect(screen.getByRole("button", { name: /Day$/ }).textContent).toContain("Day 3");
  cleanup();
  show("?day=all");
  expect(screen.getByRole("button", { name: /Day$/ }).textContent).toContain("Whole shoot");
});

test("cables, radio, microphones, inputs, and what is used up stand in their groups", () => {
  show("?day=3");
  for (const group of ["Packs and receivers", "Microphones", "Inputs", "Tape and fixing", "Batteries", "Cards"])
    expect(names()).toContain(group);
});

test("what is packed is counted and kept; what is used up too", async () => {
  const user = userEvent.setup();
  show("?day=1");
  const [, of] = /^0 of (\d+) packed\.$/.exec(screen.getByRole("status").textContent)!;
  await user.click(screen.getByRole("checkbox", { name: /^Packed: lavalier for a pack/ }));
  await user.click(screen.getByRole("checkbox", { name: /^Packed: .*of cloth camera tape/ }));
  expect(screen.getByRole("status").textContent).toBe(`2 of ${of} packed.`);
  expect(
    packing()
      .map(({ key }) => key)
      .sort(),
  ).toEqual(["lav", "supply:clothTape"]);
  await user.click(screen.getByRole("checkbox", { name: /^Packed: lavalier for a pack/ }));
  expect(packing().map(({ key }) => key)).toEqual(["supply:clothTape"]);
});

test("only what is to get, or not packed yet, is shown where it is asked for", async () => {
  const user = userEvent.setup();
  show("?day=3");
  const all = names().length;
  await user.click(screen.getByText("To get", { selector: "label *, label" }));
  const toGet = screen.getAllByRole("row").slice(1);
  expect(toGet.length).toBeLessThan(all);
  expect(toGet.filter((row) => /to (buy|hire|bring)/.test(row.textContent)).length).toBeGreaterThan(0);
  await user.click(screen.getByText("Not packed"));
  await user.click(screen.getByRole("checkbox", { name: /^Packed: lavalier for a pack/ }));
  expect(screen.queryByRole("row", { name: /^Lavalier for a pack/ })).toBeNull();
});

test("what is hired for the shoot leaves the list of what to get", async () => {
  const user = userEvent.setup();
  show("?day=3");
  const lav = () => rowOf(/^Lavalier for a pack/);
  expect(lav().textContent).toMatch(/\d+ to hire/);
  const hired = within(lav()).getByRole("textbox", { name: /^Hired/ });
  await user.clear(hired);
  await user.type(hired, "20");
  expect(lav().textContent).not.toMatch(/to hire/);
});

test("after the shoot only what went out comes back, and what is used up does not", async () => {
  const user = userEvent.setup();
  show("?day=1");
  await user.click(screen.getByRole("checkbox", { name: /^Packed: lavalier for a pack/ }));
  await user.click(screen.getByText("Return check"));
  expect(screen.queryByRole("checkbox", { name: /cloth camera tape/ })).toBeNull();
  const back = screen.getByRole("checkbox", { name: /^Back: lavalier for a pack/ });
  await user.click(back);
  expect(packing()).toEqual([expect.objectContaining({ key: "lav", isBack: true })]);
  expect(screen.getByRole("status").textContent).toBe("Everything is back.");
});

test("on a phone a line is what it is, what to get and whether it is packed", () => {
  isNarrow = true;
  show("?day=1");
  expect(screen.getAllByRole("columnheader").map(({ textContent }) => textContent)).toEqual([
    "Item",
    "To get",
    "Packed",
  ]);
});

test("a shoot without anybody has nothing to pack", () => {
  act(() => undefined);
  store = testStore({ ...bundleOf(SLACK_WATER), wearers: [], rigs: [], scenes: [], pickups: [] });
  show();
  expect(screen.getByRole("status").textContent).toMatch(/^Nothing to pack yet/);
});
