import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import { newScene } from "../../core/records";
import { newRig } from "../../core/planning";
import type { Database } from "../../db/client";
import { history, sharedLink } from "../../db/schema";
import { otherCrew, remove, withLocalCrew } from "../../fixtures/testCrew";
import { TEST_SHOOT, testWearer } from "../../fixtures/testShoot";
import type { ActingCrew } from "../crew";
import { Fault } from "../faults";
import { createRecord, loadShoot } from "../records";
import { answerTalentLink, makeTalentLink, openTalentLink } from "./talentLink";

let database: Database;
let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
  database = local.database;
});

const AT = "2027-05-11 08:50";
const refusal = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => "nothing",
    (error: unknown) => (error instanceof Fault ? error.says.code : String(error)),
  );

/** A shoot with two talents in one scene, and the rig of the first. */
async function withTwo(): Promise<{ shootId: string; rigId: string; other: string }> {
  const [shootId, sceneId, one, two, rigId, other] = Array.from({ length: 6 }, () => randomUUID()) as [
    string,
    string,
    string,
    string,
    string,
    string,
  ];
  await createRecord(acting, "shoot", shootId, { ...TEST_SHOOT, title: "Slack Water" });
  await createRecord(acting, "scene", sceneId, {
    ...newScene(shootId, { placeId: null, day: 1, startsAt: "09:30" }),
    title: "Gate",
  });
  await createRecord(acting, "wearer", one, { ...testWearer("Ines"), shootId });
  await createRecord(acting, "wearer", two, { ...testWearer("Tam the miller"), shootId });
  await createRecord(acting, "rig", rigId, newRig({ shootId, wearerId: one, sceneId }));
  await createRecord(acting, "rig", other, newRig({ shootId, wearerId: two, sceneId }));
  return { shootId, rigId, other };
}

const consentOf = async (shootId: string, rigId: string) =>
  (await loadShoot(acting, shootId)).rigs.find(({ id }) => id === rigId)!.body.consent;

test("a link shows the talent's own name, scene and placement, and nothing of anybody else", async () => {
  const { shootId, rigId, other } = await withTwo();
  const { token } = await makeTalentLink(acting, { shootId, rigId });
  const card = await openTalentLink(database, token);
  expect(card).toMatchObject({
    name: "Ines",
    shoot: "Slack Water",
    scene: { title: "Gate", day: 1, startsAt: "09:30" },
  });
  expect(card.answer).toBe("notAsked");
  expect(card.placement!.steps.length).toBeGreaterThan(1);
  const all = JSON.stringify(card);
  for (const hidden of ["Tam", rigId, shootId, other, "kit", "lavId"]) expect(all).not.toContain(hidden);
});

test.each([
  ["yes", true],
  ["self", true],
  ["no", false],
] as const)("their %s is kept as theirs, with its time", async (answer, isExplained) => {
  const { shootId, rigId, other } = await withTwo();
  const { token } = await makeTalentLink(acting, { shootId, rigId });
  const before = await openTalentLink(database, token);
  const after = await answerTalentLink(database, { token, answer, at: AT });
  expect(after).toEqual({ ...before, answer });
  const consent = await consentOf(shootId, rigId);
  expect(consent).toMatchObject({ answer, askedAt: AT, askedBy: "Ines", isExplained });
  // A yes is to what was shown, and not to more.
  expect(consent.agreedTo).toBe({ yes: before.placement!.intrusion, self: 3, no: 0 }[answer]);
  expect((await consentOf(shootId, other)).answer).toBe("notAsked");
  const told = await database.select().from(history).where(eq(history.recordId, rigId));
  expect(told.some(({ member }) => member === "talent")).toBe(true);
});

test("a mind may be changed; nothing but the consent is touched", async () => {
  const { shootId, rigId } = await withTwo();
  const { token } = await makeTalentLink(acting, { shootId, rigId });
  const rigNow = async () => (await loadShoot(acting, shootId)).rigs.find(({ id }) => id === rigId)!.body;
  const before = await rigNow();
  await answerTalentLink(database, { token, answer: "yes", at: AT });
  await answerTalentLink(database, { token, answer: "no", at: "2027-05-11 09:10" });
  const after = await rigNow();
  expect(after.consent).toMatchObject({ answer: "no", agreedTo: 0, askedAt: "2027-05-11 09:10" });
  expect({ ...after, consent: null }).toEqual({ ...before, consent: null });
});

test("links that are too old, replaced, made up or of what is gone say the same and do nothing", async () => {
  const { shootId, rigId } = await withTwo();
  const replaced = await makeTalentLink(acting, { shootId, rigId });
  const { token } = await makeTalentLink(acting, { shootId, rigId });
  for (const none of [replaced.token, "x".repeat(32)]) {
    expect(await refusal(openTalentLink(database, none))).toBe("shared.noLink");
    expect(await refusal(answerTalentLink(database, { token: none, answer: "yes", at: AT }))).toBe("shared.noLink");
  }
  await database
    .update(sharedLink)
    .set({ expiresAt: sql`now() - interval '1 second'` })
    .where(eq(sharedLink.rigId, rigId));
  expect(await refusal(openTalentLink(database, token))).toBe("shared.noLink");
  const fresh = await makeTalentLink(acting, { shootId, rigId });
  await remove(acting, "rig", rigId);
  expect(await refusal(openTalentLink(database, fresh.token))).toBe("shared.noLink");
  expect(await refusal(makeTalentLink(acting, { shootId, rigId }))).toBe("record.missing");
});

test("another crew, and a guest, make no link", async () => {
  const { shootId, rigId } = await withTwo();
  expect(await refusal(makeTalentLink(await otherCrew(acting), { shootId, rigId }))).not.toBe("nothing");
  expect(await refusal(makeTalentLink({ ...acting, role: "guest" }, { shootId, rigId }))).toBe("right.missing");
});

test("what is no answer is refused at its field", async () => {
  const { shootId, rigId } = await withTwo();
  const { token } = await makeTalentLink(acting, { shootId, rigId });
  for (const wrong of [
    { token, answer: "maybe", at: AT },
    { token, answer: "yes", at: "yesterday" },
    { token, answer: "yes" },
    { token, answer: "yes", at: AT, agreedTo: 3 },
    { token: 3, answer: "yes", at: AT },
  ])
    expect(await refusal(answerTalentLink(database, wrong))).not.toBe("nothing");
  expect((await consentOf(shootId, rigId)).answer).toBe("notAsked");
  expect(await refusal(openTalentLink(database, null))).not.toBe("nothing");
});
