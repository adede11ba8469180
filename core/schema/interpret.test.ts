import fc from "fast-check";
import * as Type from "@sinclair/typebox";
import { RECORD_SCHEMAS, ShootBody, type RecordKind } from "../records";
import { SLACK_WATER } from "../../demo/slackWater";
import { interpretedFaults } from "./interpret";
import { MOST_FAULTS, type SchemaFault } from "./textFaults";
import { schemaFaults } from "./validate";

const bodies: [RecordKind, object][] = [
  ["shoot", SLACK_WATER.shoot],
  ...(
    [
      ["place", SLACK_WATER.places],
      ["scene", SLACK_WATER.scenes],
      ["wearer", SLACK_WATER.wearers],
      ["rig", SLACK_WATER.rigs],
      ["pickup", SLACK_WATER.pickups],
      ["air", SLACK_WATER.airs],
      ["kitItem", SLACK_WATER.kit],
      ["connection", SLACK_WATER.connections],
    ] as const
  ).flatMap(([kind, records]) => Object.values<object>(records).map((body): [RecordKind, object] => [kind, body])),
];

const pathsOf = (faults: readonly SchemaFault[]) => new Set(faults.map(({ path }) => path));
const told = (faults: readonly SchemaFault[]) => [...new Set(faults.map((fault) => JSON.stringify(fault)))].sort();

/** Every place in a value, as the object that holds it and its key there. */
function placesIn(value: unknown): [Record<string, unknown>, string][] {
  if (typeof value !== "object" || value === null) return [];
  const holder = value as Record<string, unknown>;
  return Object.keys(holder).flatMap((key) => [
    [holder, key] as [Record<string, unknown>, string],
    ...placesIn(holder[key]),
  ]);
}

const anything = fc.oneof(
  fc.constantFrom(null, "", " ", 0, -1, 1e9, 0.5, true, [], {}, "2027-02-30", "24:00", "half \ud83c", "🎙".repeat(130)),
  fc.jsonValue({ maxDepth: 2 }),
);

test("a page finds the same faults as the server, whatever is broken in a record of the demo (property)", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...bodies),
      fc.nat(),
      anything,
      fc.constantFrom("put", "remove", "add"),
      ([kind, body], at, broken, how) => {
        const value = structuredClone(body);
        const places = placesIn(value);
        const [holder, key] = places[at % places.length]!;
        if (how === "put") holder[key] = broken;
        else if (how === "add") holder[`${key} more`] = broken;
        else if (Array.isArray(holder)) holder.splice(Number(key), 1);
        else delete holder[key];
        const expected = schemaFaults(RECORD_SCHEMAS[kind], value);
        const found = interpretedFaults(RECORD_SCHEMAS[kind], value);
        expect(found.length > 0).toBe(expected.length > 0);
        if (expected.length >= MOST_FAULTS || found.length >= MOST_FAULTS) return;
        // Either may say more of one place: half a day is also less than one, two of nothing are also the same twice.
        for (const path of pathsOf(expected)) {
          const at = (faults: readonly SchemaFault[]) => told(faults.filter((fault) => fault.path === path));
          expect([path, at(found).some((fault) => at(expected).includes(fault))]).toEqual([path, true]);
        }
      },
    ),
    { numRuns: 3000 },
  );
});

test("every record of the demo fits", () => {
  for (const [kind, body] of bodies) expect([kind, interpretedFaults(RECORD_SCHEMAS[kind], body)]).toEqual([kind, []]);
});

test("no code is made of a schema: a page forbids it", () => {
  const makes = jest.spyOn(globalThis, "Function");
  try {
    expect(interpretedFaults(ShootBody, { ...SLACK_WATER.shoot, days: 0 })).toEqual([
      { path: "days", says: { code: "field.range", field: "Days", minimum: 1, maximum: 365, unit: null } },
    ]);
    expect(makes).not.toHaveBeenCalled();
  } finally {
    makes.mockRestore();
  }
});

test("characters of two units count once, as the server counts them", () => {
  const schema = Type.Object({ name: Type.String({ maxLength: 3, title: "Name" }) });
  expect(interpretedFaults(schema, { name: "🎙🎙🎙" })).toEqual([]);
  expect(interpretedFaults(schema, { name: "🎙🎙🎙🎙" })).toEqual([
    { path: "name", says: { code: "field.tooLong", field: "Name", most: 3 } },
  ]);
});
