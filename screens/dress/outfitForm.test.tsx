/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { planRig, placeOfRig } from "@/core/planning";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { OutfitForm } from "./OutfitForm";
import { RecipeView } from "./RecipeView";

const TAM = "51ac0000-0000-4000-8000-000000000031";

let store: ShootStore;
const bundle = () => store.snapshot().bundle;
const wearer = () => bundle().wearers.find(({ id }) => id === TAM)!;
const rig = () => bundle().rigs.find(({ body }) => body.wearerId === TAM)!;
const outfit = () => wearer().body.outfit;

beforeEach(() => {
  store = testStore(bundleOf(SLACK_WATER));
  window.history.pushState(null, "", `/shoots/${bundle().shoot.id}/dress?wearer=${TAM}`);
});
afterEach(cleanup);

function show(): void {
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <OutfitForm wearer={wearer()} rig={rig()} units="metric" />
      </ShootStoreProvider>
    </I18nProvider>,
  );
}
/** What the form shows after something was changed. */
function showAgain(): void {
  cleanup();
  show();
}

async function choose(user: ReturnType<typeof userEvent.setup>, label: string, option: string): Promise<void> {
  await user.click(screen.getByRole("button", { name: new RegExp(`${label}$`) }));
  await user.click(await screen.findByRole("option", { name: option }));
}

describe("what is worn", () => {
  test("the usual things are one press away; what is worn beside them stands there too", async () => {
    const user = userEvent.setup();
    show();
    const worn = within(screen.getByRole("group", { name: "Also worn" }));
    expect(worn.getAllByRole("checkbox").length).toBe(8);
    await user.click(worn.getByRole("checkbox", { name: "Spectacles" }));
    expect(outfit().accessories).toEqual(["spectacles", "beard"]);
    await user.click(worn.getByRole("checkbox", { name: "Scarf" }));
    showAgain();
    expect(outfit().accessories).toEqual(["scarf", "spectacles", "beard"]);
    await user.click(screen.getByRole("checkbox", { name: "Spectacles" }));
    expect(outfit().accessories).toEqual(["scarf", "beard"]);
  });

  test("the rest is found by typing, and then asks for its side", async () => {
    const user = userEvent.setup();
    show();
    expect(screen.queryByRole("button", { name: /Seat belt: side$/ })).toBeNull();
    await choose(user, "Something else worn", "Seat belt");
    showAgain();
    expect(screen.getByRole("checkbox", { name: "Seat belt" })).toBeTruthy();
    await choose(user, "Seat belt: side", "Left");
    expect(outfit().sides).toEqual({ seatBelt: "left" });
    showAgain();
    await choose(user, "Seat belt: side", "Not known");
    expect(outfit().sides?.seatBelt).toBeUndefined();
  });

  test("what counts for the capsule's colour is asked for its colour", async () => {
    const user = userEvent.setup();
    show();
    await user.click(screen.getByRole("checkbox", { name: "Scarf" }));
    showAgain();
    await choose(user, "Scarf: colour", "White");
    expect(outfit().colours).toEqual({ scarf: "white" });
  });

  test("below the waist stand trousers until something else is said", async () => {
    const user = userEvent.setup();
    show();
    expect(screen.getByRole("button", { name: /Below the waist$/ }).textContent).toContain("Trousers");
    await choose(user, "Below the waist", "Kilt");
    expect(outfit().lower).toBe("kilt");
  });

  test("what cannot be worn with the rest is not offered", async () => {
    const user = userEvent.setup();
    show();
    await user.click(screen.getByRole("checkbox", { name: "Hat with a brim" }));
    showAgain();
    await user.click(screen.getByRole("button", { name: /Something else worn$/ }));
    expect(await screen.findByRole("option", { name: "Veil" })).toBeTruthy();
    expect(screen.queryByRole("option", { name: "Turban" })).toBeNull();
  });
});

describe("who it is", () => {
  test("hair and age are told, and reach the plan", async () => {
    const user = userEvent.setup();
    show();
    await user.click(screen.getByRole("button", { name: /^Tam, miller/ }));
    await choose(user, "Hair", "Bald");
    await user.click(screen.getByRole("checkbox", { name: "A child" }));
    expect(wearer().body).toMatchObject({ hair: "bald", isChild: true });
    const { dress } = planRig(wearer().body, rig().body, placeOfRig(bundle(), rig().body)?.body ?? null, bundle().kit);
    expect(dress.facts.input.person).toMatchObject({ hair: "bald", isChild: true });
    expect(dress.places.map(({ site }) => site.anchor)).not.toContain("hair");
  });
});

test("a wished pack place that is refused is answered beside the wish", () => {
  store.edit("rig", rig().id, (body) => ({ ...body, packPlace: "wheelchair" }));
  const plan = planRig(wearer().body, rig().body, placeOfRig(bundle(), rig().body)?.body ?? null, bundle().kit);
  render(
    <I18nProvider locale="en-GB">
      <ShootStoreProvider store={store}>
        <RecipeView place={plan.dress.places[0]!} candidate={plan.candidate!} dress={plan.dress} rig={rig()} />
      </ShootStoreProvider>
    </I18nProvider>,
  );
  expect(screen.getByText("Not at the pouch on the wheelchair: there is no wheelchair.")).toBeTruthy();
  expect(screen.getByRole("region", { name: "Steps" }).textContent).toContain("Pack: waistband, at the back");
});
