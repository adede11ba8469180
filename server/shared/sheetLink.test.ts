import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { newRig } from "../../core/planning";
import { newScene } from "../../core/records";
import type { Database } from "../../db/client";
import { sharedLink } from "../../db/schema";
import { otherCrew, remove, withLocalCrew } from "../../fixtures/testCrew";
import { TEST_SHOOT, testWearer } from "../../fixtures/testShoot";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { createRecord } from "../records";
import { listLinks, openSheet, requestLinkDeed } from "./sheetLink";
import { answerTalentLink, makeTalentLink, openTalentLink } from "./talentLink";

let database: Database;
let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
  database = local.database;
});

const refusal = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => "nothing",
    (error: unknown) => (error instanceof Fault ? error.says.code : String(error)),
  );

async function shootWithRig(): Promise<{ shootId: string; rigId: string }> {
  const [shootId, sceneId, wearerId, rigId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()] as const;
  await createRecord(acting, "shoot", shootId, TEST_SHOOT);
  const scene = newScene(shootId, { placeId: null, day: 1, startsAt: "09:30" });
  await createRecord(acting, "scene", sceneId, { ...scene, title: "Gate" });
  await createRecord(acting, "wearer", wearerId, { ...testWearer("Ines"), shootId });
  await createRecord(acting, "rig", rigId, newRig({ shootId, wearerId, sceneId }));
  return { shootId, rigId };
}

const share = async (shootId: string, kind = "callSheet", by = acting) =>
  (await requestLinkDeed(by, { do: "share", shootId, kind, day: 1 })) as { token: string };
const linksOf = async (shootId: string, by = acting) =>
  ((await listLinks(by, shootId)) as { links: { id: string; kind: string; day: number | null }[] }).links;

test.each(["callSheet", "report", "delivery"])(
  "a link to a %s opens that sheet of that day, and is listed",
  async (kind) => {
    const { shootId } = await shootWithRig();
    const { token } = await share(shootId, kind);
    expect(await openSheet(database, token)).toMatchObject({ kind, day: 1, bundle: { shoot: { id: shootId } } });
    expect(await linksOf(shootId)).toMatchObject([{ kind, day: 1 }]);
    const [row] = await database.select().from(sharedLink).where(eq(sharedLink.shootId, shootId));
    expect(JSON.stringify(row)).not.toContain(token);
  },
);

test("links that were taken back, are too old, of a deleted shoot or made up open nothing, all alike", async () => {
  const { shootId } = await shootWithRig();
  const back = await share(shootId);
  await requestLinkDeed(acting, { do: "revoke", id: (await linksOf(shootId))[0]!.id });
  expect(await linksOf(shootId)).toEqual([]);
  const late = await share(shootId);
  await database
    .update(sharedLink)
    .set({ expiresAt: sql`now() - interval '1 second'` })
    .where(eq(sharedLink.shootId, shootId));
  const deleted = await shootWithRig();
  const gone = await share(deleted.shootId);
  await remove(acting, "shoot", deleted.shootId);
  for (const token of [back.token, late.token, gone.token, "x".repeat(32), ""])
    expect(await refusal(openSheet(database, token))).toBe("shared.noLink");
});

test("a talent's link is no sheet, and a sheet's link no talent's card: neither lets anybody answer", async () => {
  const { shootId, rigId } = await shootWithRig();
  const card = await makeTalentLink(acting, { shootId, rigId });
  const sheet = await share(shootId, "report");
  expect(await refusal(openSheet(database, card.token))).toBe("shared.noLink");
  expect(await refusal(openTalentLink(database, sheet.token))).toBe("shared.noLink");
  const answer = { token: sheet.token, answer: "yes", at: "2027-05-11 08:50" };
  expect(await refusal(answerTalentLink(database, answer))).toBe("shared.noLink");
});

test("guests make none, and another crew neither shares, sees nor takes back", async () => {
  const { shootId } = await shootWithRig();
  await share(shootId);
  const guest: ActingCrew = { ...acting, role: "guest" };
  expect(await refusal(share(shootId, "report", guest))).toBe("right.missing");
  expect(await refusal(listLinks(guest, shootId))).toBe("right.missing");
  const other = await otherCrew(acting);
  expect(await refusal(share(shootId, "report", other))).toBe("record.noShoot");
  expect(await linksOf(shootId, other)).toEqual([]);
  await requestLinkDeed(other, { do: "revoke", id: (await linksOf(shootId))[0]!.id });
  expect(await linksOf(shootId)).toHaveLength(1);
});

test.each([
  { do: "share", kind: "everything", day: 1 },
  { do: "share", kind: "report", day: 0 },
  { do: "share", kind: "report" },
  { do: "burn" },
])("%j is refused", async (deed) => {
  const { shootId } = await shootWithRig();
  expect((await refusal(requestLinkDeed(acting, { shootId, ...deed }))).split(".")[0]).toBe("field");
});
