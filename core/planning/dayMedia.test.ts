import { say } from "../../messages";
import { FIRST_AIR_PLAN } from "../wireless";
import { LIVING_ROOM } from "../room";
import { schemaFaults } from "../schema";
import { newLink } from "./airScene";
import { dayMediaOf, FIRST_PROVISION, provisionBodyOf } from "./dayMedia";
import { emptyShoot, newScene, ProvisionBody, type ShootBundle } from "../records";
import { newRig } from "./newRig";
import { stored, TEST_SHOOT, testWearer } from "../../fixtures/testShoot";

/** Ada and Ben from nine to ten, Ada alone from two to four; nothing on the second day. */
function bundle(provision: Partial<ProvisionBody> = {}, own: Partial<ShootBundle> = {}): ShootBundle {
  const rig = (id: string, wearerId: string, sceneId: string) =>
    stored<"rig">(id, newRig({ shootId: "s", wearerId, sceneId }));
  return {
    ...emptyShoot(stored<"shoot">("s", { ...TEST_SHOOT, days: 2 })),
    scenes: [
      stored<"scene">("one", newScene("s", { title: "Morning", startsAt: "09:00", lengthMin: 60, takeMin: 10 })),
      stored<"scene">("two", newScene("s", { title: "Afternoon", startsAt: "14:00", lengthMin: 120, takeMin: 10 })),
    ],
    wearers: [stored<"wearer">("Ada", testWearer("Ada")), stored<"wearer">("Ben", testWearer("Ben"))],
    rigs: [rig("r1", "Ada", "one"), rig("r2", "Ben", "one"), rig("r3", "Ada", "two")],
    airs: [
      stored<"air">("a", {
        shootId: "s",
        ...FIRST_AIR_PLAN,
        scan: null,
        links: ["Ada", "Ben"].map((name) => newLink({ id: name, wearerId: name, name })),
      }),
    ],
    provisions: [stored<"provision">("p", { ...FIRST_PROVISION, shootId: "s", ...provision })],
    ...own,
  };
}

test("tracks, size and cards of a day; worked by hand", () => {
  const { cards, mostTracks, advice } = dayMediaOf(bundle(), 1);
  expect(mostTracks).toBe(2);
  // Rolled half as long again: 90 min of two tracks and 180 of one, 360 track minutes at 144 kB/s.
  expect(cards.trackMinutes).toBe(360);
  expect(cards.gigabytes).toBeCloseTo((360 * 60 * 144_000) / 1e9, 6);
  expect(cards.says).toMatchObject({ code: "media.oneCard" });
  expect(advice.format).toMatchObject({ sampleRateHz: 48_000, bits: 24, channels: 2 });
});

test("safety tracks double it; a small card says until when it lasts", () => {
  expect(dayMediaOf(bundle({ hasSafetyTracks: true }), 1).cards.trackMinutes).toBe(720);
  const small = dayMediaOf(bundle({ cardsGb: [2] }), 1).cards;
  expect(small.lack).toMatchObject({ title: "Afternoon" });
  expect(small.says).toMatchObject({ code: "media.cardsEnd", title: "Afternoon", more: 1, gigabytes: 2 });
  expect(dayMediaOf(bundle({ cardsGb: [2, 2] }), 1).cards.changes).toHaveLength(1);
});

test("packs, receivers and the recorder by who is on the air and when; cold asks for more", () => {
  const { power, cells } = dayMediaOf(bundle(), 1);
  expect(power.map(({ name }) => name)).toEqual([
    "Pack of Ada",
    "Receiver of Ada",
    "Pack of Ben",
    "Receiver of Ben",
    "Recorder",
  ]);
  const sets = (all: typeof power) => all.reduce((sum, plan) => sum + plan.sets, 0);
  expect(sets(dayMediaOf(bundle({ temperatureC: -20 }), 1).power)).toBeGreaterThan(sets(power));
  expect(cells.reduce((sum, { count }) => sum + count, 0)).toBe(2 * sets(power));
  // A bank feeds the recorder through what is longer than its cells last.
  const cold = { temperatureC: -20 } as const;
  const recorder = (own: Partial<ProvisionBody>) => dayMediaOf(bundle({ ...cold, ...own }), 1).power.at(-1)!;
  expect(recorder({ bankWh: 37 }).sets).toBeLessThanOrEqual(recorder({}).sets);
});

test("a day without scenes needs nothing; ears are counted by what was listened", () => {
  const none = dayMediaOf(bundle(), 2);
  expect(none).toMatchObject({ mostTracks: 0, power: [], cells: [] });
  expect(none.cards.says).toEqual({ code: "media.nothingRecorded" });
  expect(dayMediaOf(bundle({ listenDba: 94, listenHours: 4 }), 1).exposure.grade).toBe("redo");
});

test("float only where a loud voice may overload", () => {
  const shoot = bundle({ hasFloat: true });
  const shouting = {
    ...shoot,
    rigs: shoot.rigs.map((rig) => ({
      ...rig,
      body: { ...rig.body, performance: { ...rig.body.performance, loudest: "shout" as const } },
    })),
  };
  expect(dayMediaOf(shouting, 1).advice.format.bits).toBe(32);
});

test("what is assumed fits what may be stored", () => {
  const body = { ...provisionBodyOf(bundle({}, { provisions: [] })), shootId: crypto.randomUUID() };
  expect(schemaFaults(ProvisionBody, body)).toEqual([]);
  const wrong = { ...body, packBattery: { ...body.packBattery, milliampereHours: -5 }, temperatureC: 90 };
  expect(schemaFaults(ProvisionBody, wrong).map(({ says }) => say(says))).toEqual(
    expect.arrayContaining(["Capacity: 10 to 100000 mAh.", "Coldest hour: −30 to 50 °C."]),
  );
});

test("more tracks than the recorder takes are named with where, how many, and what helps; nothing is said while nobody knows", () => {
  expect(dayMediaOf(bundle(), 1).tooMany).toBeNull();
  expect(dayMediaOf(bundle({ recorderTracks: 2 }), 1).tooMany).toBeNull();
  expect(dayMediaOf(bundle({ recorderTracks: 1 }), 1).tooMany).toEqual({
    ...{ code: "day.tooManyTracks", title: "Morning", tracks: 2, recorderTracks: 1, helps: "secondRecorder" },
  });
  expect(dayMediaOf(bundle({ recorderTracks: 2, hasSafetyTracks: true }), 1).tooMany).toMatchObject({
    helps: "noSafety",
  });
});

test("with mains the recorder needs no cells indoors, and does in the open", () => {
  const recorder = (own: Partial<ShootBundle>) =>
    dayMediaOf(bundle({ hasMains: true }, own), 1).power.filter(({ name }) => name === "Recorder").length;
  expect(recorder({})).toBe(0);
  const quay = stored<"place">("quay", { shootId: "s", name: "Quay", model: { ...LIVING_ROOM, setting: "open" } });
  const [first] = bundle().scenes;
  expect(recorder({ places: [quay], scenes: [{ ...first!, body: { ...first!.body, placeId: "quay" } }] })).toBe(1);
});
