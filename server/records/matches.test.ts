import { randomUUID } from "node:crypto";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import { withLocalCrew } from "../../fixtures/testCrew";
import type { DeliveryBody, MatchBody } from "../../core/records";
import type { ActingCrew } from "../crew";
import { createRecord, loadShoot, runCommand } from "./index";

let acting: ActingCrew;
withLocalCrew((local) => {
  acting = local;
});

const body = (shootId: string, change: Partial<MatchBody> = {}): MatchBody => ({
  ...{ shootId, picture: "A/C01.mov", pictureS: 10, sound: "T01.wav", soundS: 60, sampleRateHz: 48_000 },
  ...{
    soundStartS: 36_000.5,
    offsetS: -2.5,
    nudgeS: 0,
    driftPpm: 3.21,
    confidence: 0.9987,
    isInverted: true,
    by: "clap",
  },
  ...change,
});
async function newShoot(): Promise<string> {
  const id = randomUUID();
  await createRecord(acting, "shoot", id, TEST_SHOOT);
  return id;
}

test("what was found comes back as it was kept, the longest names of four bytes a letter too", async () => {
  const shootId = await newShoot();
  const long = (letter: string) => letter.repeat(150);
  const all = [
    body(shootId),
    body(shootId, { picture: long("𝄞"), sound: long("𝄢"), soundStartS: null, driftPpm: null }),
  ];
  for (const each of all) await createRecord(acting, "match", randomUUID(), each);
  expect((await loadShoot(acting, shootId)).matches.map((each) => each.body)).toEqual(all);
});

test("a pair is kept once, whoever finds it: a second one becomes a change of the first", async () => {
  const shootId = await newShoot();
  await createRecord(acting, "match", randomUUID(), body(shootId));
  const { outcome } = await runCommand(acting, {
    ...{ key: randomUUID(), op: "create", kind: "match", id: randomUUID() },
    ...{ body: body(shootId, { nudgeS: 0.04 }), initial: body(shootId) },
  });
  expect(outcome).toBe("done");
  expect((await loadShoot(acting, shootId)).matches.map((each) => each.body)).toEqual([
    body(shootId, { nudgeS: 0.04 }),
  ]);
});

test.each([
  ["an offset of more than a day", { offsetS: 90_000 }],
  ["a name of nothing", { picture: "" }],
  ["more than sure", { confidence: 1.1 }],
  ["a name too long for its index", { sound: "x".repeat(301) }],
] as const)("%s is refused", async (_, wrong) => {
  const shootId = await newShoot();
  const made = createRecord(acting, "match", randomUUID(), body(shootId, wrong));
  await expect(made).rejects.toThrow(/^field\./);
});

describe("a day that was handed over", () => {
  const delivery = (shootId: string, change: Partial<DeliveryBody> = {}): DeliveryBody => ({
    ...{ shootId, day: 1, at: "2027-05-11T18:30:00.250Z", folder: "Slack Water day 1", takes: 12, files: 31 },
    ...{ bytes: 41_000_000_000, faults: 0, manifest: "0f".repeat(32), ...change },
  });

  test("is kept as it was, more than 32 bits of bytes too, once a day", async () => {
    const shootId = await newShoot();
    await createRecord(acting, "delivery", randomUUID(), delivery(shootId));
    const again = delivery(shootId, { files: 32, at: "2027-05-11T19:00:00.000Z" });
    const { outcome } = await runCommand(acting, {
      ...{ key: randomUUID(), op: "create", kind: "delivery", id: randomUUID() },
      ...{ body: again, initial: delivery(shootId) },
    });
    expect(outcome).toBe("done");
    await createRecord(acting, "delivery", randomUUID(), delivery(shootId, { day: 2 }));
    expect((await loadShoot(acting, shootId)).deliveries.map((each) => each.body)).toEqual([
      again,
      delivery(shootId, { day: 2 }),
    ]);
  });

  test.each([
    ["day 0", { day: 0 }],
    ["fewer than no faults", { faults: -1 }],
    ["a hash that is none", { manifest: "xyz" }],
    ["a time that is none", { at: "yesterday" }],
  ] as const)("%s is refused", async (_, wrong) => {
    const shootId = await newShoot();
    await expect(createRecord(acting, "delivery", randomUUID(), delivery(shootId, wrong))).rejects.toThrow(/^field\./);
  });
});
