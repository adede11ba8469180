import { newRig } from "@/core/planning";
import { emptyShoot, newScene, type ShootBundle } from "@/core/records";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";
import { focusOf, withFocus } from "./focus";

const rig = (wearerId: string, sceneId: string) =>
  stored<"rig">(`${wearerId} in ${sceneId}`, newRig({ shootId: "s", wearerId, sceneId }));
// The afternoon was written down first; nobody is wired in the morning of day 1.
const shoot: ShootBundle = {
  ...emptyShoot(stored("s", TEST_SHOOT)),
  scenes: [
    stored<"scene">("evening", newScene("s", { day: 2, startsAt: "19:00" })),
    stored<"scene">("noon", newScene("s", { day: 1, startsAt: "12:00" })),
    stored<"scene">("morning", newScene("s", { day: 1, startsAt: "08:00" })),
  ],
  wearers: ["ada", "bo", "cy"].map((id) => stored<"wearer">(id, testWearer(id))),
  rigs: [rig("bo", "noon"), rig("ada", "evening"), rig("ada", "noon")],
};
const named = (wearerId: string | null, sceneId: string | null, of = shoot) => {
  const { scene, talent, rig: at } = focusOf(of, { wearerId, sceneId });
  return [scene?.id, talent?.id, at?.id];
};

test("a scene and a talent in it are what is named", () => {
  expect(named("bo", "noon")).toEqual(["noon", "bo", "bo in noon"]);
  expect(named("ada", "evening")).toEqual(["evening", "ada", "ada in evening"]);
});

test("who is not in the scene gives way to the first talent who is", () => {
  expect(named("bo", "evening")).toEqual(["evening", "ada", "ada in evening"]);
  expect(named("gone", "noon")).toEqual(["noon", "ada", "ada in noon"]);
});

test("a scene without talent stays chosen", () => {
  expect(named("ada", "morning")).toEqual(["morning", undefined, undefined]);
});

test("a talent alone means their first scene by the clock, not by when it was written down", () => {
  expect(named("ada", null)).toEqual(["noon", "ada", "ada in noon"]);
  expect(named("ada", "gone")).toEqual(["noon", "ada", "ada in noon"]);
});

test("nothing named means the first scene in which somebody is wired", () => {
  expect(named(null, null)).toEqual(["noon", "ada", "ada in noon"]);
  expect(named("cy", null)).toEqual(["noon", "ada", "ada in noon"]);
  expect(named(null, null, { ...shoot, rigs: [] })).toEqual(["morning", undefined, undefined]);
  expect(named("ada", "noon", { ...shoot, scenes: [] })).toEqual([undefined, undefined, undefined]);
});

test("a rig whose talent is gone is passed over", () => {
  expect(named("gone", "noon", { ...shoot, wearers: shoot.wearers.slice(1) })).toEqual(["noon", "bo", "bo in noon"]);
});

test("another talent keeps the view of the page, and nothing that belonged to the one before", () => {
  const query = new URLSearchParams("view=meter&way=rig%201&wearer=ada&scene=noon&place=p");
  expect(withFocus(query, { wearerId: "bo" })).toBe("?view=meter&wearer=bo&scene=noon");
  expect(withFocus(query, { wearerId: null, sceneId: "evening" })).toBe("?view=meter&scene=evening");
  expect(query.get("way")).toBe("rig 1");
});
