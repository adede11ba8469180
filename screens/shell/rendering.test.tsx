/** @jest-environment jsdom */
import { act, render, screen } from "@testing-library/react";
import { Profiler, memo, type ReactNode } from "react";
import { SLACK_WATER } from "@/demo/slackWater";
import { ShootStoreProvider, useShoot, useShootPart, useShootStore } from "@/data/ShootProvider";
import type { ShootStore } from "@/data/shootStore";
import { bundleOf, testStore } from "@/fixtures/testStore";

let store: ShootStore;
const renders: Record<string, number> = {};
beforeEach(() => {
  store = testStore(bundleOf(SLACK_WATER));
  for (const name of Object.keys(renders)) delete renders[name];
});

function Counted({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Profiler id={name} onRender={() => (renders[name] = (renders[name] ?? 0) + 1)}>
      {children}
    </Profiler>
  );
}

const Places = memo(() => (
  <p>
    {useShoot()
      .bundle.places.map(({ body }) => body.name)
      .join(", ")}
  </p>
));
const People = memo(() => <p>{useShoot().bundle.wearers.length} people</p>);
const Saving = memo(() => <p>{useShootPart(({ saving }) => saving.pending)} waiting</p>);
const Late = memo(() => {
  const { bundle } = useShoot();
  return <button onClick={(event) => (event.currentTarget.title = bundle.places[0]!.body.name)}>Late</button>;
});
/** Reads through a function, as screens do. */
const Titles = memo(() => {
  const { bundle } = useShoot();
  const titleOf = ({ shoot }: typeof bundle) => shoot.body.title;
  return <h1>{titleOf(bundle)}</h1>;
});

function show() {
  render(
    <ShootStoreProvider store={store}>
      {[Places, People, Saving, Late, Titles].map((Part, at) => (
        <Counted key={at} name={["places", "people", "saving", "late", "title"][at]!}>
          <Part />
        </Counted>
      ))}
    </ShootStoreProvider>,
  );
}

const rename = (name: string) =>
  act(() => {
    const place = store.snapshot().bundle.places[0]!;
    store.change("place", place.id, { ...place.body, name });
  });

test("a change draws anew what reads it, and nothing else", () => {
  show();
  expect(renders).toEqual({ places: 1, people: 1, saving: 1, late: 1, title: 1 });
  rename("Quay");
  expect(screen.getByText(/^Quay, /)).toBeTruthy();
  expect(renders).toEqual({ places: 2, people: 1, saving: 2, late: 1, title: 1 });
  // More of the same: it is still one change that waits.
  rename("Quay, west");
  expect(renders).toEqual({ places: 3, people: 1, saving: 2, late: 1, title: 1 });
  const wearer = store.snapshot().bundle.wearers[0]!;
  act(() => void store.remove("wearer", wearer.id));
  expect(renders).toEqual({ places: 3, people: 2, saving: 3, late: 1, title: 1 });
});

test("what is read when something is pressed is as it is then", () => {
  show();
  rename("Quay");
  const button = screen.getByRole("button");
  act(() => button.click());
  expect(button.title).toBe("Quay");
});

test("a screen's function of a shoot may change it from what is now", () => {
  const Grower = () => {
    const { bundle } = useShoot();
    const shown = useShootStore();
    const grow = () => {
      const [place] = bundle.places;
      shown.change("place", place!.id, { ...place!.body, name: `${place!.body.name}!` });
    };
    return <button onClick={grow}>Grow</button>;
  };
  render(
    <ShootStoreProvider store={store}>
      <Grower />
    </ShootStoreProvider>,
  );
  const before = store.snapshot().bundle.places[0]!.body.name;
  for (let count = 0; count < 2; count += 1) act(() => screen.getByRole("button", { name: "Grow" }).click());
  expect(store.snapshot().bundle.places[0]!.body.name).toBe(`${before}!!`);
});
