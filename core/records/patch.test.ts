import fc from "fast-check";
import type { AirBody, LevelsBody, PlaceBody } from "./records";
import { LIVING_ROOM } from "../room";
import { usualSource } from "../noise";
import { FIRST_AIR_PLAN } from "../wireless";
import { newLink } from "../planning";
import { fieldChanges, joined, overlaid, sameValue, valueAt, withChanges } from "./patch";

const place = (change: Partial<PlaceBody["model"]> = {}): PlaceBody => ({
  shootId: "s",
  name: "Mill",
  model: { ...LIVING_ROOM, ...change },
});
const air = (...ids: string[]): AirBody => ({
  ...FIRST_AIR_PLAN,
  shootId: "s",
  scan: null,
  links: ids.map((id) => newLink({ id, name: id })),
});

test("changes name fields, deep inside too; what is the same in another order is no change", () => {
  const after = { ...place({ widthM: 7 }), name: "Granary" };
  expect(fieldChanges("place", place(), after)).toEqual([
    { path: ["name"], from: "Mill", to: "Granary" },
    { path: ["model", "widthM"], from: LIVING_ROOM.widthM, to: 7 },
  ]);
  const turned = Object.fromEntries(Object.entries(place()).reverse()) as PlaceBody;
  expect(fieldChanges("place", place(), turned)).toEqual([]);
  expect(sameValue({ a: undefined, b: [1, { c: 2 }] }, { b: [1, { c: 2 }] })).toBe(true);
  expect(sameValue([1, 2], [2, 1])).toBe(false);
});

test("entries of keyed lists are changed, added and taken out by themselves", () => {
  const before = air("a", "b");
  const after: AirBody = {
    ...before,
    links: [{ ...before.links[1]!, frequencyMHz: 520 }, newLink({ id: "c", name: "c" })],
  };
  const changes = fieldChanges("air", before, after);
  expect(changes.map(({ path }) => path.join("/"))).toEqual(["links/a", "links/b/frequencyMHz", "links/c"]);
  const { body, conflicts } = withChanges("air", before, changes);
  expect(conflicts).toEqual([]);
  expect(body.links.map(({ id, frequencyMHz }) => [id, frequencyMHz])).toEqual([
    ["b", 520],
    ["c", null],
  ]);
});

test("two devices that change different fields, or different links, merge; the same field twice is told with both", () => {
  const start = air("a", "b");
  const tune = (id: string, frequencyMHz: number) => ({
    ...start,
    links: start.links.map((link) => (link.id === id ? { ...link, frequencyMHz } : link)),
  });
  const [one, other] = [fieldChanges("air", start, tune("a", 520)), fieldChanges("air", start, tune("b", 530))];
  const merged = withChanges("air", withChanges("air", start, one).body, other);
  expect(merged.conflicts).toEqual([]);
  expect(merged.body.links.map(({ frequencyMHz }) => frequencyMHz)).toEqual([520, 530]);
  const third = withChanges("air", merged.body, fieldChanges("air", start, tune("a", 540)));
  expect(third.body).toEqual(merged.body);
  expect(third.conflicts).toEqual([{ path: ["links", "a", "frequencyMHz"], from: null, to: 540, current: 520 }]);
  // The same again, as when an answer was lost: nothing to tell.
  expect(withChanges("air", merged.body, one).conflicts).toEqual([]);
});

test("a change inside something that is gone is told, not lost", () => {
  const start = place({ sources: [usualSource("x", "fridge")] });
  const edit = fieldChanges("place", start, place({ sources: [{ ...usualSource("x", "fridge"), owner: "Tam" }] }));
  const { body, conflicts } = withChanges("place", place({ sources: [] }), edit);
  expect(body.model.sources).toEqual([]);
  expect(conflicts.map(({ path }) => path.join("/"))).toEqual(["model/sources/x/owner"]);
});

test("a path of a prototype changes nothing", () => {
  const evil = [{ path: ["__proto__", "polluted"], to: true }];
  expect(withChanges("place", place(), evil).conflicts).toHaveLength(1);
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  expect(valueAt("place", place(), ["constructor", "name"])).toBeUndefined();
});

const source = fc.record({
  id: fc.constantFrom("a", "b", "c", "d"),
  owner: fc.constantFrom("", "Tam", "Ines"),
  distanceM: fc.constantFrom(1, 5, 20),
});
const model = fc.record({
  widthM: fc.constantFrom(3, 4, 5),
  heightM: fc.constantFrom(2, 3),
  patches: fc.constantFrom<PlaceBody["model"]["patches"]>(
    [],
    [{ surface: "south", material: "windowGlass", areaM2: 2 }],
  ),
  sources: fc
    .uniqueArray(source, { selector: ({ id }) => id, maxLength: 4 })
    .map((list) => list.map(({ id, ...own }) => usualSource(id, "fridge", own))),
});
const body = fc.tuple(fc.constantFrom("Mill", "Quay"), model).map(([name, change]) => ({ ...place(change), name }));
const byKey = (each: PlaceBody) => ({
  ...each,
  model: { ...each.model, sources: [...each.model.sources].sort((one, other) => (one.id < other.id ? -1 : 1)) },
});

test("changes from one body to another make the other (property)", () => {
  fc.assert(
    fc.property(body, body, (before, after) => {
      const changes = fieldChanges("place", before, after);
      const made = withChanges("place", before, changes);
      expect(made.conflicts).toEqual([]);
      expect(byKey(made.body)).toEqual(byKey(after));
      expect(byKey(overlaid("place", before, changes))).toEqual(byKey(after));
    }),
  );
});

test("changes joined are what they are one after the other (property)", () => {
  fc.assert(
    fc.property(body, body, body, (first, second, third) => {
      const all = joined("place", fieldChanges("place", first, second), fieldChanges("place", second, third));
      const made = withChanges("place", first, all);
      expect(made.conflicts).toEqual([]);
      expect(byKey(made.body)).toEqual(byKey(third));
    }),
  );
});

test("of two that change one body at once nothing is lost: each field is one's, the other's, or told (property)", () => {
  fc.assert(
    fc.property(body, body, body, (start, mine, theirs) => {
      const stored = withChanges("place", start, fieldChanges("place", start, theirs)).body;
      const changes = fieldChanges("place", start, mine);
      const { body: merged, conflicts } = withChanges("place", stored, changes);
      for (const change of changes) {
        const isTold = conflicts.some(({ path }) => path.join() === change.path.join());
        if (!isTold) expect(sameValue(valueAt("place", merged, change.path), change.to)).toBe(true);
      }
      // What only they changed stays theirs.
      for (const { path, to } of fieldChanges("place", start, theirs))
        if (
          !changes.some(
            (change) => change.path.join().startsWith(path.join()) || path.join().startsWith(change.path.join()),
          )
        )
          expect(sameValue(valueAt("place", merged, path), to)).toBe(true);
    }),
  );
});

test("ticks of two devices of one way merge", () => {
  const line = {
    subject: "rig",
    inputId: null,
    mic: null,
    targets: null,
    held: [],
    ticks: [],
    dynamics: null,
  };
  const levels: LevelsBody = { shootId: "s", school: "minus12", meterBottomDbfs: -60, lines: [line] };
  const ticked = (device: string): LevelsBody => ({
    ...levels,
    lines: [{ ...line, ticks: [{ device, holdsFor: [{ control: "gain", value: "3" }], at: "now" }] }],
  });
  const one = withChanges("levels", levels, fieldChanges("levels", levels, ticked("pack"))).body;
  const both = withChanges("levels", one, fieldChanges("levels", levels, ticked("receiver")));
  expect(both.conflicts).toEqual([]);
  expect(both.body.lines[0]!.ticks.map(({ device }) => device)).toEqual(["pack", "receiver"]);
});
