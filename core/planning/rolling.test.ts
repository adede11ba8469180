import { DEMO_LOG } from "../../demo/log";
import { CARD } from "../../demo/card";
import { SLACK_WATER } from "../../demo/slackWater";
import { stored, wholeBundleOf } from "../../fixtures/testShoot";
import { clockWords, matchCard } from "../roll";
import { minutesOfDay } from "../schedule";
import type { RollBody, ShootBundle } from "../records";
import { filesInOrder, logLinesOf, reportOf } from "./rollReport";
import {
  cardLeftMin,
  leftOf,
  loggedTwice,
  newRoll,
  owedOfScene,
  rollSetupOf,
  slateOf,
  tracksOf,
  wallDate,
  wallSeconds,
} from "./rolling";

const demo: ShootBundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
  rollSetups: [stored<"rollSetup">(DEMO_LOG.setup.id, DEMO_LOG.setup.body)],
};
const INTERVIEW = demo.scenes.find(({ body }) => body.title === "Interview with the miller")!.id;
const GATE = demo.scenes.find(({ body }) => body.title === "Hanging the sluice gate")!.id;
const wish = {
  ...{ sceneId: INTERVIEW, day: 1, slate: "1", type: "take" as const },
  ...{ startedAt: "2027-05-11T09:30:00.000Z", zoneMin: 60, device: "here" },
};

describe("what comes next", () => {
  test("is filled in: the slate it is at, one take more, the name by the scheme, the tracks of the plan", () => {
    expect(slateOf(demo, INTERVIEW)).toBe("1");
    const next = newRoll(demo, wish);
    expect(next).toMatchObject({ take: 8, fileName: "D1_S1_T08", lengthS: null, rating: "none" });
    expect(next.tracks.map(({ name }) => name)).toEqual(["Tam, miller"]);
    expect(newRoll(demo, { ...wish, slate: "1B" }).take).toBe(1);
    expect(newRoll(demo, { ...wish, type: "noSound" }).tracks).toEqual([]);
  });

  test("in a scene where nothing was rolled it is the scene's number, and in no scene nothing", () => {
    const [first] = demo.scenes;
    expect(slateOf({ ...demo, rolls: [] }, first!.id)).toMatch(/^\d+$/);
    expect(slateOf(demo, null)).toBe("");
    expect(tracksOf(demo, null)).toEqual([]);
    expect(rollSetupOf({ ...demo, rollSetups: [] })).toMatchObject({ counter: 1, scheme: "{slate}-T{take:2}" });
  });

  test("times are those on the wall", () => {
    expect(wallSeconds("2027-05-11T08:44:00.000Z", 60)).toBe(9 * 3600 + 44 * 60);
    expect(wallSeconds("2027-05-11T23:30:00.000Z", 60)).toBe(30 * 60);
    expect(wallDate("2027-05-11T23:30:00.000Z", 60)).toBe("2027-05-12");
    expect(wallDate("2027-05-11T02:00:00.000Z", -300)).toBe("2027-05-10");
  });
});

describe("what is left", () => {
  test("what was rolled is off the card", () => {
    const fresh = { ...demo, rolls: [] };
    const before = cardLeftMin(fresh, 1, 1);
    const long: RollBody = { ...newRoll(fresh, wish), lengthS: 3600 };
    const after = cardLeftMin({ ...fresh, rolls: [stored<"roll">("r", long)] }, 1, 1);
    expect(before - after).toBeCloseTo(60, 3);
    // Two tracks take it twice as fast.
    expect(cardLeftMin(fresh, 1, 2)).toBeCloseTo(before / 2, 3);
  });

  test("a noise with a time is told before it comes and while it lasts, the nearest first", () => {
    const place = demo.places.find(({ body }) => body.model.sources.some(({ times }) => times.length > 0))!;
    const scene = { ...demo.scenes[0]!, body: { ...demo.scenes[0]!.body, placeId: place.id } };
    const bundle = { ...demo, scenes: [scene, ...demo.scenes.slice(1)] };
    const codes = Array.from({ length: 144 }, (_, at) => leftOf(bundle, scene.id, 1, at * 10)[0]?.code);
    expect(codes).toContain("left.noiseIn");
    expect(codes).toContain("left.noiseNow");
  });
});

describe("what is owed", () => {
  test("of the demo's scenes: a clap and room tone at the quay, nothing in the granary", () => {
    expect(owedOfScene(demo, INTERVIEW)).toEqual([]);
    expect(owedOfScene(demo, GATE).map(({ code }) => code)).toEqual(["owed.roomTone", "owed.clap"]);
    expect(owedOfScene(demo, "nowhere")).toEqual([]);
  });
});

describe("the report", () => {
  test("adds up a day, and all days", () => {
    const one = reportOf(demo, 1);
    const all = reportOf(demo, null);
    expect(one.rows.every(({ roll }) => roll.body.day === 1)).toBe(true);
    expect(one.totals.takes).toBe(14);
    expect(all.rows).toHaveLength(DEMO_LOG.rolls.length);
    expect(all.totals.minutes).toBeCloseTo(
      DEMO_LOG.rolls.reduce((sum, { body }) => sum + body.lengthS! / 60, 0),
      6,
    );
    expect(one.totals.ratio).toBeGreaterThan(1);
    // 09:44:00 by a recorder that is 47 s ahead.
    expect(one.rows[3]!.timecode).toBe("09:43:13:00");
  });
});

test("two devices that log at the same time logged one take; one device that was quick did not", () => {
  const at = (id: string, startedAt: string, lengthS: number, device: string) =>
    stored<"roll">(id, { ...newRoll(demo, { ...wish, startedAt, device }), lengthS });
  const first = at("a", "2027-05-11T09:00:00.000Z", 60, "phone");
  expect([...loggedTwice([first, at("b", "2027-05-11T09:00:02.000Z", 58, "laptop")])]).toEqual([["b", "a"]]);
  expect(loggedTwice([first, at("b", "2027-05-11T09:00:30.000Z", 10, "phone")]).size).toBe(0);
  expect(loggedTwice([first, at("b", "2027-05-11T09:02:00.000Z", 10, "laptop")]).size).toBe(0);
});

test("the demo's card finds its log, and its recorder's clock is 47 s ahead", () => {
  for (const day of [1, 3]) {
    const files = filesInOrder(
      Object.entries(CARD)
        .filter(([name]) => name.startsWith(`D${day}`))
        .map(([name, { at }]) => ({ id: name, name, lengthS: 24, startedAtS: 60 * minutesOfDay(at) })),
    );
    const lines = logLinesOf(demo.rolls.filter(({ body }) => body.day === day));
    const result = matchCard(lines, files);
    expect(result.matches).toHaveLength(files.length);
    expect(result.matches.every(({ isSure }) => isSure)).toBe(true);
    expect(clockWords(result.clock)).toEqual([{ code: "clock.offset", offsetS: expect.closeTo(47, 0) as number }]);
    for (const { lineIds, fileIds } of result.matches) {
      const take = demo.rolls.find(({ id }) => id === lineIds[0])!.body.take;
      expect(fileIds[0]).toContain(`_T0${take}_`);
    }
  }
});
