import { randomUUID } from "node:crypto";
import { newRoll } from "../../core/planning";
import type { Database } from "../../db/client";
import { history, person } from "../../db/schema";
import { changeTo, otherCrew, withLocalCrew } from "../../fixtures/testCrew";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import type { ActingCrew } from "../crew";
import { requestHistory } from "../requests";
import { createRecord, loadShoot } from "./index";
import { listHistory } from "./history";

let database: Database;
let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
  database = local.database;
});

/** A shoot with a take that somebody with a name has logged, and then rated. */
async function ratedTake(): Promise<{ shootId: string; by: string }> {
  const [shootId, rollId, by] = [randomUUID(), randomUUID(), randomUUID()] as const;
  await database.insert(person).values({ id: by, name: "Asta", email: `${by}@example.org` });
  await createRecord(acting, "shoot", shootId, TEST_SHOOT);
  const wish = { sceneId: null, day: 1, slate: "12A", type: "take" as const, zoneMin: 0, device: "a" };
  const roll = newRoll(await loadShoot(acting, shootId), { ...wish, startedAt: "2027-05-11T07:40:00.000Z" });
  await createRecord({ ...acting, member: by }, "roll", rollId, roll);
  await changeTo(acting, "roll", rollId, { ...roll, rating: "good" });
  return { shootId, by };
}

test("what was changed is told with who did it, the newest first", async () => {
  const { shootId, by } = await ratedTake();
  const { changes, next } = await listHistory(acting, shootId);
  expect(next).toBeNull();
  expect(changes).toMatchObject([
    { subject: "take", member: "local", name: null, before: { rating: "none" }, after: { rating: "good" } },
    { subject: "take", member: by, name: "Asta", before: null, after: { slate: "12A", take: 1 } },
  ]);
  expect(Date.parse(changes[0]!.at)).toBeLessThanOrEqual(Date.now());
});

test("another crew sees none of it, nor another shoot", async () => {
  const { shootId } = await ratedTake();
  expect((await listHistory(await otherCrew(acting), shootId)).changes).toEqual([]);
  expect((await listHistory(acting, randomUUID())).changes).toEqual([]);
});

test("a long history comes page by page, each change once", async () => {
  const { shootId } = await ratedTake();
  const { crewId } = acting;
  const many = Array.from({ length: 450 }, (_, at) => ({
    ...{ crewId, shootId, subject: "take" as const, recordId: randomUUID(), member: "local" },
    ...{ before: null, after: { take: at } },
  }));
  await database.insert(history).values(many);
  const seen: number[] = [];
  let page = await listHistory(acting, shootId);
  seen.push(...page.changes.map(({ id }) => id));
  while (page.next !== null) {
    page = await requestHistory(acting, shootId, String(page.next));
    seen.push(...page.changes.map(({ id }) => id));
  }
  expect(seen).toHaveLength(452);
  expect(new Set(seen).size).toBe(452);
  expect(seen).toEqual(seen.toSorted((one, other) => other - one));
});

test.each([
  ["no id", null],
  [randomUUID(), "0"],
  [randomUUID(), "x"],
  [randomUUID(), "1.5"],
])("%s before %s is refused", async (shootId, before) => {
  await expect(Promise.resolve().then(() => requestHistory(acting, shootId, before))).rejects.toMatchObject({
    code: "invalid",
  });
});
