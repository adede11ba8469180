import { asNewShoot, readShootFile, shootFileOf, type FiledRecord } from "./shootFile";
import { RECORD_SCHEMAS } from "./records";
import { wholeBundleOf } from "../../fixtures/testShoot";
import { fits } from "../schema";
import { copyShoot, startFrom } from "../planning";
import { stored } from "../../fixtures/testShoot";
import { SLACK_WATER } from "../../demo/slackWater";

const demo = wholeBundleOf(SLACK_WATER);
const file = shootFileOf(demo, [], "2027-05-11T09:00:00Z");
const readBack = (change: (value: typeof file) => unknown = (value) => value) =>
  readShootFile(JSON.stringify(change(structuredClone(file))));
const recordsOf = (result: ReturnType<typeof readShootFile>): FiledRecord[] => {
  if (!("records" in result)) throw new Error(result.says.code);
  return result.records;
};
let count = 0;
const newId = () => `00000000-0000-4000-8000-${String((count += 1)).padStart(12, "0")}`;
const UUID = /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g;
const idsIn = (value: unknown) => new Set(JSON.stringify(value).match(UUID));

test("a shoot that was saved is read back as it was, record for record", () => {
  expect(recordsOf(readBack())).toEqual(file.records);
  expect(file.records[0]!.kind).toBe("shoot");
  expect(file.records.filter(({ kind }) => kind === "rig")).toHaveLength(demo.rigs.length);
});

test("what each record names comes before it", () => {
  const before = new Set<string>();
  const all = idsIn(file.records.map(({ id }) => id));
  for (const { kind, id, body } of file.records) {
    // A rig names its talent, scene and devices; a pickup its scene; all of them their shoot.
    for (const named of Object.values(body))
      if (typeof named === "string" && all.has(named)) expect([kind, before.has(named)]).toEqual([kind, true]);
    before.add(id);
  }
});

test.each([
  ["no JSON", "{", "file.unreadable"],
  ["a file that was cut short", JSON.stringify(file).slice(0, -40), "file.unreadable"],
  ["some other JSON", "[1, 2]", "file.other"],
  ["a document of another format", JSON.stringify({ ...file, format: "something" }), "file.other"],
  ["no shoot in it", JSON.stringify({ ...file, records: file.records.slice(1) }), "file.other"],
  ["two shoots in it", JSON.stringify({ ...file, records: [file.records[0], ...file.records] }), "file.other"],
  ["a later version", JSON.stringify({ ...file, version: 2 }), "file.newer"],
  ["a version that is no number", JSON.stringify({ ...file, version: "1" }), "file.newer"],
  ["an empty file", "", "file.unreadable"],
])("%s is refused and says why", (_, text, code) => {
  expect(readShootFile(text)).toEqual({ says: { code } });
});

test("a damaged record is refused with its number and kind", () => {
  const at = file.records.findIndex(({ kind }) => kind === "scene");
  const broken = (record: unknown) =>
    readBack((value) => ({ ...value, records: value.records.map((each, index) => (index === at ? record : each)) }));
  const scene = file.records[at]!;
  expect(broken({ ...scene, body: { ...scene.body, day: 0 } })).toEqual({
    says: { code: "file.damaged", at: at + 1, kind: "scene" },
  });
  expect(broken({ ...scene, kind: "spaceship" })).toEqual({
    says: { code: "file.damaged", at: at + 1, kind: "spaceship" },
  });
  expect(broken(null)).toEqual({ says: { code: "file.damaged", at: at + 1, kind: null } });
});

test("as a new shoot no id is the same, and all names lead to records of the new one", () => {
  const made = asNewShoot(file.records, newId, () => false);
  expect(made).toHaveLength(file.records.length);
  const old = new Set(file.records.map(({ id }) => id));
  const here = new Set(made.map(({ id }) => id));
  for (const id of idsIn(made)) expect(old.has(id)).toBe(false);
  const shootId = made[0]!.id;
  for (const { kind, body } of made) {
    expect(fits(RECORD_SCHEMAS[kind], body)).toBe(true);
    if ("shootId" in body) expect(body.shootId).toBe(shootId);
    if ("wearerId" in body) expect(here.has(body.wearerId)).toBe(true);
  }
});

test("the crew's own kit stays what it is where it is known, and comes along where it is not", () => {
  const crewKit = file.records.filter(
    ({ kind, body }) => kind === "kitItem" && "shootId" in body && body.shootId === null,
  );
  const own = { kind: "kitItem" as const, id: newId(), body: { ...demo.kit[0]!.body, shootId: null } };
  const records = [...file.records, own];
  const known = asNewShoot(records, newId, () => true);
  expect(known).toHaveLength(file.records.length - crewKit.length);
  const unknown = asNewShoot(records, newId, () => false);
  expect(unknown).toHaveLength(records.length);
  expect(unknown.at(-1)!.body).toMatchObject({ shootId: unknown[0]!.id });
});

test("a copy to begin with keeps the plans and leaves behind what belongs to its day", () => {
  const copy = copyShoot(demo, { title: "Slack Water, again", firstDay: "2028-01-02" }, newId);
  expect(copy[0]!.body).toMatchObject({ title: "Slack Water, again", firstDay: "2028-01-02", days: 3 });
  const rigs = copy.filter((record): record is FiledRecord<"rig"> => record.kind === "rig").map(({ body }) => body);
  expect(rigs).toHaveLength(demo.rigs.length);
  expect(rigs.map(({ choice }) => choice)).toEqual(demo.rigs.map(({ body }) => body.choice));
  expect(new Set(rigs.map(({ consent, isRigged }) => `${consent.answer} ${isRigged}`))).toEqual(
    new Set(["notAsked false"]),
  );
  expect(demo.rigs.some(({ body }) => body.consent.answer !== "notAsked")).toBe(true);
  for (const { kind } of copy) expect(["packing", "measurement", "takeDetail"]).not.toContain(kind);
});

test("a shoot that starts with another's kit has its devices, cards and naming, and nobody and nothing planned", () => {
  const own = { ...demo.shoot.body, title: "Next", firstDay: "2028-03-01", days: 1 };
  const hired = stored<"kitItem">("hired", {
    ...{ shootId: demo.shoot.id, kind: "stock", name: "cable", figures: { of: "cable", count: 2 } },
  });
  const crews = stored<"kitItem">("crews", { ...hired.body, shootId: null });
  const records = startFrom({ ...demo, kit: [hired, crews] }, own, newId);
  const kinds = new Set(records.map(({ kind }) => kind));
  expect([...kinds].filter((kind) => !["shoot", "kitItem", "provision", "rollSetup"].includes(kind))).toEqual([]);
  const shoot = records[0]!;
  expect([shoot.kind, shoot.body]).toEqual(["shoot", own]);
  const items = records.filter(({ kind }) => kind === "kitItem");
  // What is the crew's own is there anyway.
  expect(items.map(({ body }) => (body as { shootId: string }).shootId)).toEqual([shoot.id]);
});
