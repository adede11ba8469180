import { LIVING_ROOM } from "../room";
import { boardOf, boardLines, lineId } from "./board";
import { emptyShoot, newScene, type ShootBundle } from "../records";
import { newRig } from "../planning";
import { inOrder, newsOf, planBoard, withPartNews, type BoardPlanning, type PlannedLine } from "./planBoard";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

const people = ["Ada", "Bo", "Cy", "Di", "Eve"];
const scenes = ["1", "2"];
const bundle: ShootBundle = {
  ...emptyShoot(stored("s", TEST_SHOOT)),
  places: ["hall", "quay"].map((id) => stored<"place">(id, { shootId: "s", name: id, model: LIVING_ROOM })),
  scenes: scenes.map((id) => stored<"scene">(id, { ...newScene("s"), placeId: "hall" })),
  wearers: people.map((id) => stored<"wearer">(id, testWearer(id))),
  rigs: people.flatMap((id) =>
    scenes.map((scene) => stored<"rig">(`${id}${scene}`, newRig({ shootId: "s", wearerId: id, sceneId: scene }))),
  ),
};

async function planned(of: ShootBundle, options: Partial<BoardPlanning> = {}) {
  const told: { lines: PlannedLine[]; left: number }[] = [];
  let clock = 0;
  await planBoard(of, {
    first: [],
    isWanted: () => true,
    pause: () => Promise.resolve(),
    now: () => (clock += 11),
    report: (lines, left) => told.push({ lines, left }),
    ...options,
  });
  return told;
}

test("bit by bit it comes to what the whole board is, and says how much is left", async () => {
  const told = await planned(bundle);
  const lines = new Map(told.flatMap((each) => each.lines.map((line) => [line.id, line])));
  const rows = boardOf(bundle);
  expect(lines.size).toBe(rows.length);
  for (const row of rows)
    expect(lines.get(lineId(row))).toEqual({ id: lineId(row), stitches: row.stitches, risks: row.risks.slice(0, 4) });
  expect(told.length).toBeGreaterThan(2);
  expect(told.map(({ left }) => left)).toEqual([...told.map(({ left }) => left)].sort((one, other) => other - one));
  expect(told.at(-1)!.left).toBe(0);
});

test("what is looked at comes first, and what is not wanted any more ends", async () => {
  const last = boardLines(bundle).map(lineId).slice(-2);
  const told = await planned(bundle, { first: last });
  expect(told.flatMap((each) => each.lines.map(({ id }) => id)).slice(0, 2)).toEqual(last);
  expect(inOrder(boardLines(bundle), last)).toHaveLength(10);
  let asked = 0;
  const ended = await planned(bundle, { isWanted: () => (asked += 1) < 2 });
  expect(ended.length).toBe(2);
});

test("where only some are asked for, nobody else is planned", async () => {
  const [one, two] = boardLines(bundle).map(lineId);
  const told = await planned(bundle, { first: [two!, one!, "gone"], isOnlyFirst: true });
  expect(new Set(told.flatMap((each) => each.lines.map(({ id }) => id)))).toEqual(new Set([one, two]));
  expect(told.at(-1)!.left).toBe(0);
  expect(await planned(bundle, { first: [], isOnlyFirst: true })).toEqual([{ lines: [], left: 0 }]);
});

test("an empty board is planned at once", async () => {
  expect(await planned({ ...bundle, wearers: [], rigs: [] })).toEqual([{ lines: [], left: 0 }]);
});

test("only what changed crosses, and the rest stays the same records and lists", () => {
  const all = newsOf(null, bundle);
  const there = withPartNews(null, all);
  expect(there).toEqual(bundle);
  expect(newsOf(bundle, bundle)).toEqual([]);
  const [first, second] = bundle.places;
  const changed = {
    ...bundle,
    places: [{ ...first!, body: { ...first!.body, name: "Elsewhere" } }, second!],
  };
  const news = newsOf(bundle, changed);
  expect(news).toHaveLength(1);
  expect(news[0]!.records).toHaveLength(1);
  const after = withPartNews(there, news);
  expect(after).toEqual(changed);
  expect(after.rigs).toBe(there.rigs);
  expect(after.places[1]).toBe(there.places[1]);
  const titled = { ...bundle, shoot: { ...bundle.shoot, body: { ...bundle.shoot.body, title: "Another" } } };
  expect(withPartNews(there, newsOf(bundle, titled)).shoot.body.title).toBe("Another");
});
