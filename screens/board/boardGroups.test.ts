import { newRig } from "@/core/planning";
import { emptyShoot, newScene } from "@/core/records";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";
import { boardItems, itemsOfDay, type BoardItem } from "./boardGroups";

const scene = (id: string, day: number, startsAt: string) =>
  stored<"scene">(id, newScene("s", { title: id, day, startsAt }));
const rig = (wearerId: string, sceneId: string) =>
  stored<"rig">(`${wearerId} in ${sceneId}`, newRig({ shootId: "s", wearerId, sceneId }));

const shoot = {
  ...emptyShoot(stored("s", TEST_SHOOT)),
  scenes: [scene("late", 2, "09:00"), scene("empty", 1, "12:00"), scene("early", 1, "09:00")],
  wearers: ["ada", "bo", "cy"].map((id) => stored<"wearer">(id, testWearer(id))),
  rigs: [rig("bo", "late"), rig("bo", "early"), rig("ada", "early")],
};
const told = (items: readonly BoardItem[]) =>
  items.map((item) => (item.is === "scene" ? `${item.id} ${item.count}` : `- ${item.id}`));

test("scenes stand in the order of the shoot, each over its talent; who is in none comes last", () => {
  expect(told(boardItems(shoot))).toEqual([
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

test("a phone shows one day's scenes, and talent in no scene", () => {
  const items = boardItems(shoot);
  expect(told(itemsOfDay(items, 2))).toEqual(["late 1", "- bo in late", "no scene 1", "- cy"]);
  expect(told(itemsOfDay(items, 1))).toEqual([
    "early 2",
    "- ada in early",
    "- bo in early",
    "empty 0",
    "no scene 1",
    "- cy",
  ]);
});
