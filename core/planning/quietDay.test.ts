import { emptyShoot, newScene, type SceneBody, type ShootBundle } from "../records";
import { usualSource } from "../noise";
import { LIVING_ROOM, type PlaceModel } from "../room";
import { noisyTimes, quietDay, USUAL_DAY } from "./quietDay";
import { stored, TEST_SHOOT } from "../../fixtures/testShoot";

const QUIET_ROOM: PlaceModel = { ...LIVING_ROOM, noiseNc: 20 };
const bell = usualSource("bell", "bell", { distanceM: 60, times: [{ from: "10:00", minutes: 5 }] });

function bundle(model: PlaceModel, scenes: Partial<SceneBody>[]): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", { ...TEST_SHOOT, days: 2 })),
    places: [stored<"place">("p", { shootId: "s", name: "Room", model })],
    scenes: scenes.map((own, index) => stored<"scene">(`c${index}`, newScene("s", { placeId: "p", ...own }))),
  };
}

test("a bell in the take is a conflict with its time, name and length, and the scene waits for it", () => {
  const day = quietDay(bundle({ ...QUIET_ROOM, sources: [bell] }, [{ startsAt: "09:50" }]), 1);
  const [scene] = day.scenes;
  expect(scene!.conflicts).toEqual([expect.objectContaining({ says: "bell", fromMin: 600, toMin: 605 })]);
  expect(scene!.planned).toMatchObject({ fromMin: 590, toMin: 625, waitsMin: 5 });
  expect(scene!.longestRun).toEqual({ fromMin: 605, toMin: 1140 });
  expect(day.best.placed[0]!.fromMin).toBe(480);
});

test("a noise that is stopped, or too soft to be heard over the rest, blocks nothing", () => {
  const stopped = { ...bell, remedy: "ask" as const, isDone: true };
  const behindWall = { ...bell, distanceM: 2000, barrier: "wall" as const };
  expect(noisyTimes({ ...QUIET_ROOM, sources: [bell] })).toHaveLength(1);
  expect(noisyTimes({ ...QUIET_ROOM, sources: [stopped] })).toEqual([]);
  expect(noisyTimes({ ...QUIET_ROOM, sources: [behindWall] })).toEqual([]);
  expect(noisyTimes({ ...QUIET_ROOM, sources: [{ ...bell, occurs: "steady" }] })).toEqual([]);
});

test("waiting it out does not take the noise away: it is what the schedule is for", () => {
  expect(noisyTimes({ ...QUIET_ROOM, sources: [{ ...bell, remedy: "wait", isDone: true }] })).toHaveLength(1);
});

test("a noise past midnight is there on both ends of the day", () => {
  const late = { ...bell, times: [{ from: "23:30", minutes: 90 }] };
  expect(noisyTimes({ ...QUIET_ROOM, sources: [late] }).map(({ fromMin, toMin }) => [fromMin, toMin])).toEqual([
    [-30, 60],
    [1410, 1500],
  ]);
});

test("only the day's own scenes; a fixed one keeps its time and the others go round it", () => {
  const shoot = bundle(QUIET_ROOM, [
    { startsAt: "08:10", lengthMin: 30 },
    { startsAt: "09:00", lengthMin: 60, takeMin: 60 },
    { startsAt: "09:00", day: 2 },
  ]);
  const day = quietDay(shoot, 1, { ...USUAL_DAY, fixed: ["c0"] });
  expect(day.scenes.map(({ scene }) => scene.id)).toEqual(["c0", "c1"]);
  expect(day.best.placed.map(({ id, fromMin }) => [id, fromMin])).toEqual([
    ["c0", 490],
    ["c1", 520],
  ]);
});

test("noises that come now and then give a chance for a take; done ones do not", () => {
  const dog = usualSource("dog", "dog", { perHour: 12, lastsS: 0 });
  const chance = (sources: PlaceModel["sources"]) =>
    quietDay(bundle({ ...QUIET_ROOM, sources }, [{ takeMin: 5 }]), 1).scenes[0]!.interruptions;
  expect(chance([dog]).perTake).toBeCloseTo(1, 9);
  expect(chance([{ ...dog, remedy: "ask", isDone: true }]).perTake).toBe(0);
});

test("a scene without a place has nothing in its way, and an empty day is an empty day", () => {
  const homeless = quietDay(bundle(QUIET_ROOM, [{ placeId: null }]), 1);
  expect(homeless.scenes[0]).toMatchObject({ place: null, conflicts: [], noisy: [] });
  expect(homeless.best.placed).toHaveLength(1);
  expect(quietDay(bundle(QUIET_ROOM, []), 1)).toMatchObject({ scenes: [], best: { placed: [], left: [] } });
});
