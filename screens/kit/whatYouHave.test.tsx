/** @jest-environment jsdom */
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { connectionsOf, WORK_CHAINS } from "@/core/planning";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { WhatYouHave } from "./WhatYouHave";

let store: ShootStore;
const onClose = jest.fn();
beforeEach(() => {
  onClose.mockClear();
  // Nobody has said how anything is connected.
  store = testStore({ ...bundleOf(SLACK_WATER), kit: [], connections: [], airs: [] });
});
afterEach(cleanup);

function show(): void {
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <WhatYouHave onClose={onClose} />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}
const kit = () => store.snapshot().bundle.kit.map(({ body }) => body);
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
const status = () => screen.getByRole("status").textContent;

test("a kind of work is one press: cable and settings are said at once, and everybody is planned with it", async () => {
  show();
  await userEvent.click(screen.getByText("Phone diary"));
  expect(screen.getByRole("button", { name: /Wireless$/ }).textContent).toContain("none, by cable");
  expect(status()).toMatch(/^Works/);
  await press("Save");
  expect(onClose).toHaveBeenCalledTimes(1);
  expect(kit().find(({ kind }) => kind === "chain")!.figures).toEqual(WORK_CHAINS.phoneDiary);
  const inputs = connectionsOf(store.snapshot().bundle).connections.flatMap(({ link, inputId }) =>
    link.wearerId ? [inputId] : [],
  );
  expect(new Set(inputs)).toEqual(new Set([WORK_CHAINS.phoneDiary.inputId]));
});

test("what is said again changes what was said, and is there when it is asked anew", async () => {
  show();
  await userEvent.click(screen.getByText("Stage"));
  await press("Save");
  cleanup();
  show();
  expect(screen.getByRole("radio", { name: "Stage" })).toHaveProperty("checked", true);
  await userEvent.click(screen.getByText("Run and gun"));
  await press("Save");
  expect(
    kit()
      .filter(({ kind }) => kind === "chain")
      .map(({ figures }) => figures),
  ).toEqual([WORK_CHAINS.runAndGun]);
});

test("how many there are, and which cable, is counted in the kit", async () => {
  show();
  await userEvent.click(screen.getByText("Interview"));
  const many = screen.getByRole("textbox", { name: /How many/ });
  await userEvent.clear(many);
  await userEvent.type(many, "3{Tab}");
  await userEvent.click(screen.getByRole("checkbox", { name: /^I have this/ }));
  await press("Save");
  const stock = kit().flatMap(({ kind, figures }) => (kind === "stock" ? [figures] : []));
  expect(stock).toContainEqual({ of: `system:${WORK_CHAINS.interview.systemId}`, count: 3 });
  expect(stock).toHaveLength(2);
});

test("what does not fit together is said, and may be saved: another cable is looked for at Link", async () => {
  show();
  await userEvent.click(screen.getByText("Interview"));
  await userEvent.click(screen.getByRole("button", { name: /Records into$/ }));
  await userEvent.click(await screen.findByRole("option", { name: "phone, USB C only" }));
  expect(screen.getByRole("radio", { name: "Own" })).toHaveProperty("checked", true);
  expect(status()).not.toBe("");
});

test("what was said is forgotten in one press, and comes back by undo", async () => {
  show();
  expect(screen.queryByRole("button", { name: "Forget this" })).toBeNull();
  await userEvent.click(screen.getByText("Stage"));
  await press("Save");
  cleanup();
  show();
  await press("Forget this");
  expect(kit().filter(({ kind }) => kind === "chain")).toEqual([]);
  store.undo();
  expect(kit().filter(({ kind }) => kind === "chain")).toHaveLength(1);
});

test("cancelled, nothing is kept", async () => {
  show();
  await userEvent.click(screen.getByText("Stage"));
  await press("Cancel");
  expect(kit()).toEqual([]);
});
