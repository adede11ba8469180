import { newRig } from "@/core/planning";
import { emptyShoot, newScene } from "@/core/records";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";
import { boardItems } from "./boardGroups";

const scene = (id: string, day: number, startsAt: string) =>
  stored<"scene">(id, newScene("s", { title: id, day, startsAt }));
const rig = (wearerId: string, sceneId: string) =>
  stored<"rig">(`${wearerId} in ${sceneId}`, newRig({ shootId: "s", wearerId, sceneId }));

test("scenes stand in the order of the shoot, each over its talent; who is in none comes last", () => {
  const items = boardItems({
    ...emptyShoot(stored("s", TEST_SHOOT)),
    scenes: [scene("late", 2, "09:00"), scene("empty", 1, "12:00"), scene("early", 1, "09:00")],
    wearers: ["ada", "bo", "cy"].map((id) => stored<"wearer">(id, testWearer(id))),
    rigs: [rig("bo", "late"), rig("bo", "early"), rig("ada", "early")],
  });
  expect(items.map((item) => (item.is === "scene" ? `${item.id} ${item.count}` : `- ${item.id}`))).toEqual([
    "early 2",
    "- ada in early",
    "- bo in early",
    "empty 0",
    "late 1",
    "- bo in late",
    "no scene 1",
    "- cy",
  ]);
});

test("a shoot of which nothing is known has no rows", () => {
  expect(boardItems(emptyShoot(stored("s", TEST_SHOOT)))).toEqual([]);
});
