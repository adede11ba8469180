import { randomUUID } from "node:crypto";
import { eq, getTableName, sql } from "drizzle-orm";
import type { Pool } from "pg";
import { FIRST_PROVISION, withLine } from "../../core/planning";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import { DEMO_SHOOT_ID } from "../../demo/recordings";
import type { Database } from "../../db/client";
import { commandDone, history, shoot } from "../../db/schema";
import { inLong } from "../../fixtures/inLong";
import type { ActingCrew } from "../crew";
import { makeTalentLink } from "../shared";
import { openDemoShoot, reopenDemoShoot } from "../demoShoot";
import { remove, withLocalCrew } from "../../fixtures/testCrew";
import { createRecord, listShoots, loadShoot, purge } from "./index";

let pool: Pool;
let database: Database;
let acting: ActingCrew;
withLocalCrew((local, opened) => {
  acting = local;
  database = local.database;
  pool = opened;
});

const daysAgo = (days: number) => sql`now() - make_interval(days => ${days})`;

/** Rows of each table that say they are of a shoot. */
async function rowsOf(shootId: string): Promise<Record<string, number>> {
  const { rows } = await pool.query<{ name: string }>(
    "select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'shoot_id'",
  );
  const counts: Record<string, number> = {};
  for (const { name } of rows) {
    const counted = await pool.query<{ n: number }>(`select count(*)::int as n from "${name}" where shoot_id = $1`, [
      shootId,
    ]);
    counts[name] = counted.rows[0]!.n;
  }
  return counts;
}

test("after its time in the bin nothing of a shoot is left but what has happened in it; others stay", async () => {
  await openDemoShoot(acting);
  const [first] = (await loadShoot(acting, DEMO_SHOOT_ID)).rigs;
  const shootId = DEMO_SHOOT_ID;
  await createRecord(acting, "packing", randomUUID(), { shootId, lines: [{ key: "tape", packed: 1, isBack: false }] });
  await createRecord(acting, "provision", randomUUID(), { ...FIRST_PROVISION, shootId });
  await createRecord(
    acting,
    "levels",
    randomUUID(),
    withLine({ shootId, school: "minus12", meterBottomDbfs: -60, lines: [] }, first!.id, { inputId: "phone" }),
  );
  await createRecord(acting, "match", randomUUID(), {
    ...{ shootId, picture: "C01.mov", pictureS: 10, sound: "T01.wav", soundS: 60, sampleRateHz: 48_000 },
    ...{ soundStartS: null, offsetS: 2.5, nudgeS: 0, driftPpm: null, confidence: 1, isInverted: false },
    by: "sound",
  });
  await createRecord(acting, "delivery", randomUUID(), {
    ...{ shootId, day: 1, at: "2027-05-11T18:00:00.000Z", folder: "Day 1", takes: 2, files: 9, bytes: 3e9, faults: 0 },
    manifest: "ab".repeat(32),
  });
  await makeTalentLink(acting, { shootId, rigId: first!.id });
  const before = await rowsOf(DEMO_SHOOT_ID);
  // It has something of everything by now: a table that is forgotten when it is emptied shows.
  expect(
    Object.entries(before)
      .filter(([, count]) => count === 0)
      .map(([name]) => name),
  ).toEqual([]);
  const other = randomUUID();
  await createRecord(acting, "shoot", other, TEST_SHOOT);

  await remove(acting, "shoot", DEMO_SHOOT_ID);
  await database
    .update(shoot)
    .set({ deletedAt: daysAgo(29) })
    .where(eq(shoot.id, DEMO_SHOOT_ID));
  expect(await purge(database)).toBe(0);
  expect((await listShoots(acting)).bin.map(({ id }) => id)).toContain(DEMO_SHOOT_ID);

  await database
    .update(shoot)
    .set({ deletedAt: daysAgo(31) })
    .where(eq(shoot.id, DEMO_SHOOT_ID));
  expect(await purge(database)).toBe(1);
  const { [getTableName(history)]: told, ...rest } = await rowsOf(DEMO_SHOOT_ID);
  expect(Object.values(rest).every((count) => count === 0)).toBe(true);
  expect(told).toBeGreaterThan(0);
  expect((await loadShoot(acting, other)).shoot.id).toBe(other);
  expect(await purge(database)).toBe(0);
});

inLong("a demo shoot that was purged can be put back", async () => {
  await reopenDemoShoot(acting);
  expect((await loadShoot(acting, DEMO_SHOOT_ID)).wearers).toHaveLength(11);
});

test("commands of long ago are forgotten, those of a long job without signal are not", async () => {
  const keys = [randomUUID(), randomUUID()];
  for (const [at, days] of [170, 190].entries())
    await database.insert(commandDone).values({
      ...{ key: keys[at]!, crewId: acting.crewId, digest: "", outcome: { outcome: "gone", touched: [] } },
      at: daysAgo(days),
    });
  await purge(database);
  const there = await database.select({ key: commandDone.key }).from(commandDone);
  expect(there.map(({ key }) => key)).toContain(keys[0]);
  expect(there.map(({ key }) => key)).not.toContain(keys[1]);
});
