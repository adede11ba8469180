import fc from "fast-check";
import type { Command } from "./commands";
import { dependsOn, namedBy } from "./dependence";

const ids = [1, 2, 3].map((number) => `51ac0000-0000-4000-8000-00000000000${number}`);
const about = fc.record({
  key: fc.constant("key"),
  kind: fc.constantFrom("scene" as const, "rig" as const),
  id: fc.constantFrom(...ids),
});
const value = fc.oneof(fc.constantFrom(...ids), fc.string(), fc.record({ deep: fc.constantFrom(...ids) }));
const command: fc.Arbitrary<Command> = fc.oneof(
  fc.tuple(about, value).map(([own, body]) => ({ ...own, op: "create" as const, body: { list: [body] } })),
  fc.tuple(about, value).map(([own, to]) => ({ ...own, op: "patch" as const, changes: [{ path: ["x"], to }] })),
  about.map((own) => ({ ...own, op: "delete" as const })),
  about.map((own) => ({ ...own, op: "restore" as const })),
);

test("what changes a record builds on all that was done to it before; a create stands by itself (property)", () => {
  fc.assert(
    fc.property(command, command, (later, earlier) => {
      const isSame = later.kind === earlier.kind && later.id === earlier.id;
      if (isSame && later.op !== "create") expect(dependsOn(later, earlier)).toBe(true);
      if (!isSame && namedBy(later).size === 0) expect(dependsOn(later, earlier)).toBe(false);
      if (dependsOn(later, earlier) && !isSame) {
        expect(["create", "restore"]).toContain(earlier.op);
        expect(namedBy(later)).toContain(earlier.id);
      }
    }),
    { numRuns: 500 },
  );
});

test("ids are found however deep they stand, and nothing else is taken for one", () => {
  const [scene, place] = ids as [string, string];
  const deep = { kind: "rig" as const, id: scene, key: "key" };
  expect(namedBy({ ...deep, op: "create", body: { a: [{ b: { c: place } }], note: "no id" } })).toEqual(
    new Set([place]),
  );
  expect(namedBy({ ...deep, op: "patch", changes: [{ path: ["sceneId"], from: scene, to: place }] })).toEqual(
    new Set([place]),
  );
  expect(namedBy({ ...deep, op: "delete" })).toEqual(new Set());
});
