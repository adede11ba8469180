/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { SYMPTOM_IDS } from "@/core/rehearsal";
import { ShootStoreProvider } from "@/data/ShootProvider";
import { SLACK_WATER } from "@/demo/slackWater";
import { wholeBundleOf } from "@/fixtures/testShoot";
import { testStore } from "@/fixtures/testStore";
import { SYMPTOM_NAMES } from "@/messages";
import { TroubleView } from "./TroubleView";

afterEach(cleanup);

function show(): void {
  const store = testStore(wholeBundleOf(SLACK_WATER));
  window.history.pushState(null, "", `/shoots/${store.snapshot().bundle.shoot.id}/link?view=trouble`);
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <TroubleView />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}
const trouble = () => within(screen.getByRole("region", { name: "Troubleshoot" }));
const press = (user: ReturnType<typeof userEvent.setup>, name: string) =>
  user.click(trouble().getByRole("button", { name }));

test("every symptom can be told, once, in its group", () => {
  show();
  const told = trouble()
    .getAllByRole("button")
    .map(({ textContent }) => textContent);
  expect([...told].sort()).toEqual(SYMPTOM_IDS.map((id) => SYMPTOM_NAMES[id]).sort());
  expect(
    within(trouble().getByRole("group", { name: "Radio" }))
      .getAllByRole("button")
      .map(({ textContent }) => textContent),
  ).toEqual(["Drop-outs at a distance", "Drop-outs when they turn"]);
});

test("crackle when they move: cloth is tried first, then the cable; the cure stands there", async () => {
  const user = userEvent.setup();
  show();
  await press(user, "Crackle when they move");
  expect(trouble().getByRole("status").textContent).toBe(
    "Hold the clothes away from the mic while they move. Is the crackle gone?",
  );
  await press(user, "No");
  expect(trouble().getByRole("list", { name: "Causes" }).textContent).not.toContain("Cloth rubs");
  await press(user, "Yes");
  expect(trouble().getByRole("list", { name: "Causes" }).textContent).toMatch(/Use the spare|Turn it in its socket/);
});

test("the recorder's meter is low and it distorts: what overloads lies before the recorder", async () => {
  const user = userEvent.setup();
  show();
  await press(user, "Distorted on loud lines, though the recorder's meter is low");
  const causes = trouble().getByRole("list", { name: "Causes" }).textContent;
  // This link's pack stands at its highest sensitivity: that cannot be it.
  expect(causes).toContain("The capsule itself overloads");
  expect(causes).toContain("The pack's limiter works all the time.");
});

test("what cannot be tried is passed over, and the next thing is asked", async () => {
  const user = userEvent.setup();
  show();
  await press(user, "Drop-outs at a distance");
  const first = trouble().getByRole("status").textContent;
  await press(user, "Cannot tell");
  expect(trouble().getByRole("status").textContent).not.toBe(first);
});
