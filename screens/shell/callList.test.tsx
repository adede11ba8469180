/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { rigsOfScene, scenesInOrder } from "@/core/records";
import { ShootStoreProvider } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { SLACK_WATER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { CallList, markOf } from "./CallList";
import { focusOf } from "./focus";

let store: ShootStore;
Element.prototype.scrollIntoView = () => undefined;

function show(sceneId: string | null, wearerId: string | null = null): void {
  const { bundle } = store.snapshot();
  window.history.pushState(null, "", `/shoots/${bundle.shoot.id}/level?view=meter`);
  render(
    <ShootStoreProvider store={store}>
      <CallList focus={focusOf(bundle, { wearerId, sceneId })} onRoom={() => undefined} />
    </ShootStoreProvider>,
  );
}

const names = () => screen.getAllByRole("link").map((link) => link.querySelector("b")!.textContent);
const bundle = () => store.snapshot().bundle;
const nameOf = (id: string) => bundle().wearers.find((talent) => talent.id === id)!.body.name;

beforeEach(() => {
  store = testStore(bundleOf(SLACK_WATER));
});
afterEach(cleanup);

test("the scene's talent comes first, then everybody else, each once", () => {
  const scene = scenesInOrder(bundle().scenes).find(({ id }) => rigsOfScene(bundle(), id).length === 3)!;
  show(scene.id);
  const here = rigsOfScene(bundle(), scene.id).map(({ body }) => nameOf(body.wearerId));
  expect(new Set(names().slice(0, 3))).toEqual(new Set(here));
  expect([...names()].sort()).toEqual(
    bundle()
      .wearers.map(({ body }) => body.name)
      .sort(),
  );
});

test("who is chosen is marked; a press keeps the page and its view", () => {
  const scene = scenesInOrder(bundle().scenes)[0]!;
  const wearerId = rigsOfScene(bundle(), scene.id)[0]!.body.wearerId;
  show(scene.id, wearerId);
  const current = screen.getAllByRole("link").filter((link) => link.getAttribute("aria-current") === "true");
  expect(current.map((link) => link.querySelector("b")!.textContent)).toEqual([nameOf(wearerId)]);
  const query = new URLSearchParams(current[0]!.getAttribute("href")!.split("?")[1]);
  expect([query.get("view"), query.get("wearer"), query.get("scene")]).toEqual(["meter", wearerId, scene.id]);
});

test("arrow keys walk the list, and stop at its ends", () => {
  show(scenesInOrder(bundle().scenes)[0]!.id);
  const links = screen.getAllByRole("link");
  links[0]!.focus();
  fireEvent.keyDown(links[0]!, { key: "ArrowUp" });
  expect(document.activeElement).toBe(links[0]);
  fireEvent.keyDown(links[0]!, { key: "ArrowDown" });
  fireEvent.keyDown(links[1]!, { key: "ArrowRight" });
  expect(document.activeElement).toBe(links[2]);
  fireEvent.keyDown(links[2]!, { key: "a" });
  expect(document.activeElement).toBe(links[2]);
});

test("without talent the station itself says how to begin", () => {
  store = testStore({ ...bundleOf(SLACK_WATER), wearers: [], rigs: [] });
  show(scenesInOrder(bundle().scenes)[0]!.id);
  expect(screen.queryAllByRole("link")).toEqual([]);
  expect(screen.queryByRole("button", { name: "Add talent" })).toBeNull();
  expect(screen.getByText("Nobody yet.")).toBeTruthy();
});

test("what stands at a name: redo before risk, and small risks nothing", () => {
  const line = (stitch: string, weight: number) =>
    ({ stitches: { check: stitch }, risks: weight > 0 ? [{ weight }] : [] }) as unknown as Parameters<typeof markOf>[0];
  expect([markOf(undefined), markOf(line("sewn", 0)), markOf(line("basted", 1)), markOf(line("basted", 2.5))]).toEqual([
    null,
    null,
    null,
    "risk",
  ]);
  expect(markOf(line("unpicked", 3))).toBe("redo");
});
