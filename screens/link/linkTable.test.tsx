/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { airBodyOf, airSceneOf } from "@/core/planning";
import type { ShootStore } from "@/data/shootStore";
import { ShootStoreProvider } from "@/data/ShootProvider";
import { SLACK_WATER } from "@/demo/slackWater";
import { wholeBundleOf } from "@/fixtures/testShoot";
import { testStore } from "@/fixtures/testStore";
import { Toasts } from "@/ui/toasts";
import { FrequenciesView } from "./FrequenciesView";
import { linkRows } from "./LinkTable";

let isPhone = false;
window.matchMedia = (media) =>
  Object.assign(new EventTarget(), {
    media,
    matches: isPhone && media.includes("max-width"),
  }) as unknown as MediaQueryList;

let store: ShootStore;
beforeEach(() => {
  isPhone = false;
  store = testStore(wholeBundleOf(SLACK_WATER));
});
afterEach(cleanup);

async function show(): Promise<void> {
  window.history.pushState(null, "", `/shoots/${store.snapshot().bundle.shoot.id}/link`);
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <FrequenciesView />
        <Toasts />
      </ShootStoreProvider>
    </I18nProvider>,
  );
  await screen.findByRole("table", { name: "Links" }, { timeout: 20_000 });
}
const linksNow = () => airBodyOf(store.snapshot().bundle).links;
const rows = () =>
  within(screen.getByRole("table", { name: "Links" }))
    .getAllByRole("row")
    .slice(1);
const rowOf = (name: string) => screen.getByRole("rowheader", { name: new RegExp(name) }).closest("tr")!;
const choose = (name: string) => userEvent.click(within(rowOf(name)).getByRole("button"));
async function tune(name: string, text: string): Promise<void> {
  await choose(name);
  const field = await screen.findByLabelText("Frequency, MHz", undefined, { timeout: 20_000 });
  await userEvent.clear(field);
  await userEvent.type(field, text);
  await userEvent.tab();
}

test("every link has a row; what is chosen is marked, with its fields beside it", async () => {
  await show();
  expect(rows()).toHaveLength(linksNow().length);
  await choose("Ines");
  const fields = await screen.findByRole("region", { name: /^Ines/ });
  expect(await within(fields).findByLabelText("Frequency, MHz")).toBeTruthy();
  expect(rowOf("Ines").dataset["chosen"]).toBe("true");
  expect(within(rowOf("Ines")).getByRole("button").getAttribute("aria-pressed")).toBe("true");
});

/** Two that are tuned in steps, so that nearly any frequency is theirs, in the same scene at some time. */
const TAM = "Tam, miller";
const tuned = () => linksNow().filter(({ systemId }) => systemId === "uhf-tuned");

test("a frequency is typed key by key, with a point or a comma; what is not allowed stays in its field and is not kept", async () => {
  await show();
  const tam = () => linksNow().find(({ name }) => name === TAM)!;
  await tune(TAM, "545,5");
  expect(tam().frequencyMHz).toBe(545.5);
  expect(within(rowOf(TAM)).getByText("545.500")).toBeTruthy();
  // Left, it is written as everywhere.
  expect(screen.getByLabelText<HTMLInputElement>("Frequency, MHz").value).toBe("545.500");
  await tune(TAM, "545.525");
  expect(tam().frequencyMHz).toBe(545.525);
  // Emptied first, it has none; what is not allowed is none either.
  await tune(TAM, "750");
  expect(tam().frequencyMHz).toBeNull();
  expect(screen.getByText(/750\.000 MHz is not allowed/)).toBeTruthy();
});

test("those too close are told so, and stand first when sorted by state", async () => {
  await show();
  const { name } = tuned().find((link) => link.name === "Director's ears")!;
  await tune(TAM, "545.5");
  await tune(name, "545.5");
  for (const each of [TAM, name]) expect(rowOf(each).textContent).toMatch(/kHz apart, closer than/);
  await userEvent.click(screen.getByRole("button", { name: "State" }));
  const first = rows()
    .slice(0, 2)
    .map((row) => within(row).getByRole("rowheader").textContent);
  expect(first.sort()).toEqual([TAM, name].sort());
});

test("a transmitter that nobody wears is added, chosen at once, removed, and brought back", async () => {
  await show();
  const before = linksNow().length;
  await userEvent.click(screen.getByRole("button", { name: "Another transmitter" }));
  expect(linksNow()).toHaveLength(before + 1);
  const { name } = linksNow().at(-1)!;
  await userEvent.click(await screen.findByRole("button", { name: "Remove" }));
  expect(linksNow()).toHaveLength(before);
  await userEvent.click(await screen.findByRole("button", { name: "Undo" }));
  expect(linksNow().at(-1)!.name).toBe(name);
});

test("on a phone the fields are a sheet that comes when pressed, and the table keeps to what is needed", async () => {
  isPhone = true;
  await show();
  expect(screen.queryByRole("dialog")).toBeNull();
  expect(screen.queryByRole("columnheader", { name: "System" })).toBeNull();
  await choose("Ines");
  expect(await screen.findByRole("dialog", { name: /^Ines/ })).toBeTruthy();
  await userEvent.keyboard("{Escape}");
  expect(screen.queryByRole("dialog")).toBeNull();
});

test("what is wired has no frequency and nothing missing; a tuned one without a frequency has", () => {
  const air = airSceneOf(store.snapshot().bundle);
  const made = linkRows(air, new Map());
  for (const { link, system, state, frequencyMHz } of made) {
    if (system === "wired") expect([link.name, state, frequencyMHz]).toEqual([link.name, "good", undefined]);
    else if (frequencyMHz === undefined && system.includes("UHF")) expect(state).toBe("missing");
  }
  expect(made.some(({ state }) => state === "missing")).toBe(true);
});
