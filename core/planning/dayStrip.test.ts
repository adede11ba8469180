import { SLACK_WATER } from "../../demo/slackWater";
import { bundleOf } from "../../fixtures/testStore";
import { dayMediaOf, FIRST_PROVISION } from "./dayMedia";
import { dayPlan } from "./dayPlan";
import { dayStrip } from "./dayStrip";
import { stored } from "../../fixtures/testShoot";

const demo = bundleOf(SLACK_WATER);
const strip = dayStrip(demo, 1)!;

test("a day without scenes has no strip", () => {
  expect(dayStrip(demo, 40)).toBeNull();
});

test("scenes of the day stand in order, within whole hours that hold every call and change", () => {
  const titles = dayPlan(demo, 1).scenes.map(({ scene }) => scene.body.title);
  expect(strip.scenes.map(({ title }) => title)).toEqual(titles);
  const { fromMin, toMin } = strip.within;
  expect([fromMin % 60, toMin % 60]).toEqual([0, 0]);
  for (const { atMin } of strip.moments) expect(atMin).toBeGreaterThanOrEqual(fromMin);
  for (const scene of strip.scenes) {
    expect(scene.fromMin).toBeGreaterThanOrEqual(fromMin);
    expect(scene.toMin).toBeLessThanOrEqual(toMin);
  }
});

test("everybody who is called stands at their call time, once", () => {
  const calls = dayPlan(demo, 1).scenes.flatMap((each) => each.calls);
  const called = strip.moments.flatMap((moment) => (moment.kind === "call" ? moment.names : []));
  expect([...called].sort()).toEqual(calls.map(({ wearer }) => wearer.body.name).sort());
  const times = strip.moments.map(({ atMin }) => atMin);
  expect(times).toEqual(times.toSorted((one, other) => one - other));
});

test("small cards and tired batteries are changed when the plans of the day say so", () => {
  const tired = {
    ...demo,
    provisions: [
      stored<"provision">("tired", {
        ...FIRST_PROVISION,
        shootId: demo.shoot.id,
        cardsGb: [0.3, 0.3, 0.3, 32],
        packBattery: { ...FIRST_PROVISION.packBattery, milliampereHours: 500 },
      }),
    ],
  };
  const media = dayMediaOf(tired, 1);
  const { moments } = dayStrip(tired, 1)!;
  expect(media.cards.changes.length).toBeGreaterThan(0);
  expect(moments.filter(({ kind }) => kind === "card").map(({ atMin }) => atMin)).toEqual(
    media.cards.changes.map(({ atMin }) => atMin),
  );
  const swaps = new Set(media.power.flatMap((device) => device.swaps.map(({ atMin }) => atMin)));
  expect(swaps.size).toBeGreaterThan(0);
  // Several sets at one moment are one mark.
  expect(moments.filter(({ kind }) => kind === "battery")).toHaveLength(swaps.size);
});

test("places that the day goes to stand with their noises, others do not", () => {
  const used = new Set(dayPlan(demo, 1).scenes.map(({ scene }) => scene.body.placeId));
  expect(strip.places.map(({ id }) => id).sort()).toEqual([...used].filter((id) => id !== null).sort());
  expect(strip.places.find(({ name }) => name === "Tide quay")!.noisy.length).toBeGreaterThan(2);
});

test("a call before midnight for a scene just after it begins the day on the evening before", () => {
  const [scene] = demo.scenes;
  const early = { ...scene!, body: { ...scene!.body, startsAt: "00:05" } };
  const rest = demo.scenes
    .filter(({ id }) => id !== scene!.id)
    .map((each) => ({ ...each, body: { ...each.body, day: 2 } }));
  const night = dayStrip({ ...demo, scenes: [early, ...rest] }, early.body.day)!;
  expect(night.within.fromMin).toBe(-60);
  expect(night.moments[0]!.atMin).toBeLessThan(0);
  expect(night.scenes[0]!.fromMin).toBe(5);
});
