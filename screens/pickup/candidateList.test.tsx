/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { I18nProvider } from "react-aria-components";
import { LIVING_ROOM } from "@/core/room";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf } from "@/fixtures/testStore";
import { CandidateList } from "./CandidateList";
import { pickupScene, type PickupScene } from "./pickupScene";

afterEach(cleanup);

const bundle = bundleOf(SLACK_WATER);
const MILL = bundle.scenes[0]!.id;

function show(pickup: PickupScene): jest.Mock {
  const onShow = jest.fn();
  render(
    <I18nProvider locale="en-GB">
      <CandidateList pickup={pickup} shown={pickup.candidates[0]!.id} onShow={onShow} />
    </I18nProvider>,
  );
  return onShow;
}
const ways = () => within(screen.getByRole("radiogroup", { name: "Ways, best first" }));

test("the hidden lavalier stands once, with Dress's own figures, and no general one beside it", () => {
  const pickup = pickupScene(bundle, MILL)!;
  show(pickup);
  const names = ways()
    .getAllByRole("radio")
    .map((each) => each.closest("label")!.textContent);
  expect(names.filter((name) => name.includes("Hidden lavalier"))).toHaveLength(1);
  expect(names.some((name) => name.startsWith("A lav each"))).toBe(false);
  expect(names[0]).toContain(`${Math.round(100 * pickup.hidden[0]!.sti)} % clear`);
});

test("what is out of the question is folded, with the reason", async () => {
  const user = userEvent.setup();
  show(pickupScene(bundle, MILL)!);
  await user.click(screen.getByRole("button", { name: /^Out of the question: \d+/ }));
  expect(screen.getAllByText("It is for two and more.").length).toBe(2);
});

test("in wind each way says what goes over it and where the low cut goes; indoors none does", () => {
  const scene = bundle.scenes.find(({ id }) => id === MILL)!;
  const windy = {
    ...bundle,
    places: bundle.places.map((place) =>
      place.id === scene.body.placeId
        ? {
            ...place,
            body: {
              ...place.body,
              model: { ...LIVING_ROOM, setting: "open" as const, lengthM: 30, widthM: 30, patches: [], windMps: 9 },
            },
          }
        : place,
    ),
  };
  show(pickupScene(windy, MILL)!);
  // In such wind 150 Hz would be usual; the miller's voice is deep, and goes down to 80 Hz.
  expect(ways().getAllByText(/a basket with fur, low cut at 80 Hz\./).length).toBeGreaterThan(0);
  cleanup();
  show(pickupScene(bundle, MILL)!);
  expect(ways().queryByText(/low cut/)).toBeNull();
});

test("another way is looked at by choosing it", async () => {
  const user = userEvent.setup();
  const onShow = show(pickupScene(bundle, MILL)!);
  await user.click(ways().getByText("Camera mic"));
  expect(onShow).toHaveBeenCalledWith("camera");
});
