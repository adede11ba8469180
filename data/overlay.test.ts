import fc from "fast-check";
import { TEST_SHOOT } from "@/fixtures/testShoot";
import { bundleOf, type Change, type MarkBody, newScene, type RecordBodies, type RecordKind } from "@/core/records";
import { nameOf, type Records, type ShownRecords, withPendings } from "./overlay";
import { type Deed, type Pending, withDeed } from "./pending";

const SHOOT = "51ac0000-0000-4000-8000-000000000001";
const idOf = (at: number): string => `51ac0000-0000-4000-8000-${String(at).padStart(12, "0")}`;

const record = <Kind extends RecordKind>(kind: Kind, id: string, body: RecordBodies[Kind], at = 0): Change => {
  const createdAt = new Date(Date.UTC(2027, 4, 11) + at * 1000).toISOString();
  const times = { createdAt, changedAt: createdAt };
  return { kind, id, version: 1, seq: at + 1, ...times, isDeleted: false, deletedWith: null, body };
};
const storedOf = (all: readonly Change[]): Records => new Map(all.map((each) => [nameOf(each.kind, each.id), each]));
const scene = (at: number) => newScene(SHOOT, { title: `Scene ${at}` });

let keys = 0;
const pendingsOf = (deeds: readonly Deed[]): readonly Pending[] =>
  deeds.reduce<readonly Pending[]>(
    (pendings, deed) =>
      withDeed(pendings, deed, {
        ...{ key: `key ${(keys += 1)}`, shootId: SHOOT, name: "x", madeBy: "page", nowMs: 1000, isTyped: false },
      }),
    [],
  );
const titles = (shown: ShownRecords): string[] =>
  [...shown.values()].filter(({ isDeleted }) => !isDeleted).map(({ body }) => (body as { title: string }).title);

const base = storedOf([0, 1, 2, 3].map((at) => record("scene", idOf(at + 10), scene(at), at)));
const retitle = (at: number, to: string): Deed => ({
  ...{ op: "patch", kind: "scene", id: idOf(at + 10) },
  changes: [{ path: ["title"], from: `Scene ${at}`, to }],
});

test("what is not sent yet is shown in its place, and what is new comes last", () => {
  const create: Deed = { op: "create", kind: "scene", id: idOf(99), body: scene(99) };
  const shown = withPendings(base, pendingsOf([retitle(1, "Gate"), create]));
  expect(titles(shown)).toEqual(["Scene 0", "Gate", "Scene 2", "Scene 3", "Scene 99"]);
  // What is stored stays what it is.
  expect(titles(base)).toEqual(["Scene 0", "Scene 1", "Scene 2", "Scene 3"]);
});

test("without anything unsent the stored records themselves are shown", () => {
  const shown = withPendings(base, []);
  expect([...shown.values()].every((each, at) => each === [...base.values()][at])).toBe(true);
});

test("what looks as before is the same object, so that nothing is drawn anew", () => {
  const pendings = pendingsOf([retitle(1, "Gate")]);
  const before = withPendings(base, pendings);
  const after = withPendings(base, [...pendings, ...pendingsOf([retitle(2, "Weld")])], before);
  const name = nameOf("scene", idOf(11));
  expect(after.get(name)).toBe(before.get(name));
});

test("a take that is deleted takes its marks along, of ten thousand others none", () => {
  const roll = { ...scene(0) } as unknown as RecordBodies["roll"];
  const mark = (rollId: string) => ({ shootId: SHOOT, rollId, atS: 1, kind: "wind" }) as MarkBody;
  const [gone, stays] = [idOf(1), idOf(2)];
  const stored = storedOf([
    record("roll", gone, roll),
    record("roll", stays, roll),
    ...Array.from({ length: 10_000 }, (_, at) => record("mark", idOf(at + 100), mark(at < 3 ? gone : stays), at)),
  ]);
  const shown = withPendings(stored, pendingsOf([{ op: "delete", kind: "roll", id: gone }]));
  const hidden = [...shown.values()].filter(({ isDeleted }) => isDeleted);
  expect(hidden.map(({ kind, id }) => `${kind} ${id}`)).toEqual([
    `roll ${gone}`,
    ...[100, 101, 102].map((at) => `mark ${idOf(at)}`),
  ]);
  // And they come back in one go.
  const back = withPendings(
    stored,
    pendingsOf([
      { op: "delete", kind: "roll", id: gone },
      { op: "restore", kind: "roll", id: gone },
    ]),
  );
  expect([...back.values()].filter(({ isDeleted }) => isDeleted)).toEqual([]);
});

const deed = fc.oneof(
  fc.nat(7).map((at): Deed => ({ op: "create", kind: "scene", id: idOf(at + 10), body: scene(at) })),
  fc.tuple(fc.nat(7), fc.string({ maxLength: 4 })).map(([at, to]): Deed => retitle(at, to)),
  fc
    .tuple(fc.nat(7), fc.constantFrom("delete" as const, "restore" as const))
    .map(([at, op]): Deed => ({ op, kind: "scene", id: idOf(at + 10) })),
);

test("whatever is done: each record is there once, found by its name as it is listed, untouched ones as they were", () => {
  fc.assert(
    fc.property(fc.array(deed, { maxLength: 12 }), (deeds) => {
      const pendings = pendingsOf(deeds);
      const shown = withPendings(base, pendings);
      const all = [...shown.values()];
      const names = all.map(({ kind, id }) => nameOf(kind, id));
      expect(new Set(names).size).toBe(names.length);
      expect(all.every((each, at) => shown.get(names[at]!) === each)).toBe(true);
      expect(names.slice(0, base.size)).toEqual([...base.keys()]);
      const touched = new Set(pendings.map(({ command }) => nameOf(command.kind, command.id)));
      for (const name of names) if (!touched.has(name)) expect(shown.get(name)).toBe(base.get(name));
    }),
    { numRuns: 300 },
  );
});

describe("lists of a shoot", () => {
  const shoot = record("shoot", SHOOT, TEST_SHOOT);
  const scenes = Array.from({ length: 40 }, (_, at) => record("scene", idOf(at + 10), scene(at), at));
  const idsIn = (records: readonly Change[]) => bundleOf(SHOOT, records)!.scenes.map(({ id }) => id);

  test("are the oldest first in whatever order records come, also where two were made in one moment", () => {
    const twins = scenes.map((each, at) => ({ ...each, createdAt: scenes[at - (at % 2)]!.createdAt }));
    const expected = twins.map(({ id }) => id);
    fc.assert(
      fc.property(fc.shuffledSubarray(twins, { minLength: 40 }), (mixed) => {
        expect(idsIn([shoot, ...mixed])).toEqual(expected);
      }),
      { numRuns: 60 },
    );
    expect(idsIn([...twins, shoot])).toEqual(expected);
  });

  test("in which nothing is different stay the same lists", () => {
    const before = bundleOf(SHOOT, [shoot, ...scenes])!;
    const after = bundleOf(SHOOT, [shoot, ...scenes.toReversed()], before)!;
    expect(after.scenes).toBe(before.scenes);
    expect(bundleOf(SHOOT, [shoot, ...scenes.slice(1)], before)!.scenes).not.toBe(before.scenes);
  });
});
