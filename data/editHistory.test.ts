import { SLACK_WATER, MILLER } from "@/demo/slackWater";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { editHistory, type Step } from "./editHistory";

const log: string[] = [];
const step = (name: string, atMs: number, of = name): Step => ({
  ...{ of, atMs },
  undo: () => log.push(`undo ${name}`),
  redo: () => log.push(`redo ${name}`),
});

beforeEach(() => log.splice(0));

test("steps are taken back in turn, and done again in turn", () => {
  const history = editHistory();
  history.remember(step("a", 0));
  history.remember(step("b", 5000));
  expect([history.undo(), history.undo(), history.undo()]).toEqual([true, true, false]);
  expect([history.redo(), history.redo(), history.redo()]).toEqual([true, true, false]);
  expect(log).toEqual(["undo b", "undo a", "redo a", "redo b"]);
});

test("letters of one word are one step back to before the word", () => {
  const history = editHistory();
  history.remember(step("M", 0, "name"));
  history.remember(step("Mo", 300, "name"));
  history.remember(step("Mo!", 600, "name"));
  history.undo();
  expect(log).toEqual(["undo M"]);
  history.redo();
  expect(log).toEqual(["undo M", "redo Mo!"]);
});

test("the same field after a pause is another step", () => {
  const history = editHistory();
  history.remember(step("first", 0, "name"));
  history.remember(step("second", 5000, "name"));
  history.undo();
  expect(log).toEqual(["undo second"]);
});

test("something new ends what could be done again", () => {
  const history = editHistory();
  history.remember(step("a", 0));
  history.undo();
  history.remember(step("b", 10));
  expect(history.redo()).toBe(false);
});

test("no more than a hundred steps are kept", () => {
  const history = editHistory();
  for (let at = 0; at < 150; at += 1) history.remember(step(String(at), at * 5000));
  let count = 0;
  while (history.undo()) count += 1;
  expect(count).toBe(100);
});

describe("in a shoot", () => {
  const shoot = () => testStore(bundleOf(SLACK_WATER));
  const millerIn = (store: ReturnType<typeof shoot>) =>
    store.snapshot().bundle.wearers.find(({ id }) => id === MILLER)?.body;

  test("a change is taken back and done again, and leaves alone what was changed beside it", () => {
    const store = shoot();
    const before = millerIn(store)!;
    store.edit("wearer", MILLER, (body) => ({ ...body, heightM: 1.9 }));
    store.edit("wearer", MILLER, (body) => ({ ...body, name: "Tom" }));
    store.undo();
    expect(millerIn(store)).toEqual({ ...before, heightM: 1.9 });
    store.undo();
    expect(millerIn(store)).toEqual(before);
    store.redo();
    store.redo();
    expect(millerIn(store)).toEqual({ ...before, heightM: 1.9, name: "Tom" });
  });

  test("what was made goes, and comes back; what was deleted comes back, and goes", () => {
    const store = shoot();
    const { body } = store.snapshot().bundle.places[0]!;
    const id = store.create("place", { ...body, name: "Barn" });
    const places = () => store.snapshot().bundle.places.map((place) => place.body.name);
    expect(places()).toContain("Barn");
    store.undo();
    expect(places()).not.toContain("Barn");
    store.redo();
    expect(places()).toContain("Barn");
    expect(store.has("place", id)).toBe(true);
    store.remove("wearer", MILLER);
    expect(millerIn(store)).toBeUndefined();
    store.undo();
    expect(millerIn(store)).toBeDefined();
    store.redo();
    expect(millerIn(store)).toBeUndefined();
  });

  test("with nothing done there is nothing to take back", () => {
    const store = shoot();
    expect([store.undo(), store.redo()]).toEqual([false, false]);
  });
});
