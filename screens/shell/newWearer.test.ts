import { SLACK_WATER, MILLER } from "@/demo/slackWater";
import { MILLER_RIG } from "@/demo/recordings";
import { RECORD_SCHEMAS, rigsOfWearer, scenesInOrder } from "@/core/records";
import { fits } from "@/core/schema";
import type { ShootStore } from "@/data/shootStore";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { addWearer, copyRig, duplicateWearer } from "./newWearer";

let store: ShootStore;

beforeEach(() => {
  store = testStore(bundleOf(SLACK_WATER));
});

const now = () => store.snapshot().bundle;
const rigOf = (wearerId: string, sceneId: string) =>
  now().rigs.find(({ body }) => body.wearerId === wearerId && body.sceneId === sceneId)!;
const miller = () => ({
  wearer: now().wearers.find(({ id }) => id === MILLER)!,
  rig: now().rigs.find(({ id }) => id === MILLER_RIG)!,
});

test("a new wearer stands in the first scene in a shirt, with the next thread, nothing decided", () => {
  const before = now().wearers.length;
  const { wearerId: id, sceneId } = addWearer(store, now());
  const wearer = now().wearers.find((each) => each.id === id)!;
  expect(wearer.body).toMatchObject({ name: `Talent ${before + 1}`, thread: before % 8, voice: "unknown" });
  const [rig] = rigsOfWearer(now(), id);
  expect(rig!.body).toMatchObject({ choice: null, isRigged: false, sceneId: scenesInOrder(now().scenes)[0]!.id });
  expect(rig!.body.sceneId).toBe(sceneId);
});

test("the first wearer of an empty shoot makes its first scene, at the first place if there is one", () => {
  const empty = (places: typeof SLACK_WATER.places) => {
    const fresh = testStore(bundleOf({ ...SLACK_WATER, places, scenes: {}, wearers: {}, rigs: {}, pickups: {} }));
    addWearer(fresh, fresh.snapshot().bundle);
    const [scene] = fresh.snapshot().bundle.scenes;
    return scene!.body;
  };
  expect(fits(RECORD_SCHEMAS.scene.properties.startsAt, empty({}).startsAt)).toBe(true);
  expect(empty({}).placeId).toBeNull();
  expect(empty(SLACK_WATER.places).placeId).toBe(Object.keys(SLACK_WATER.places)[0]);
});

test("somebody dressed alike takes the outfit and the rig's decisions, never what is personal or agreed", () => {
  const { wearer, rig } = miller();
  const id = duplicateWearer(store, now(), wearer, rig);
  const copy = now().wearers.find((each) => each.id === id)!;
  expect(copy.body.outfit).toEqual(wearer.body.outfit);
  expect(copy.body).toMatchObject({ voice: "unknown", tapeAllergy: "unknown", hairyChest: "unknown" });
  expect(copy.body.name).toBe(`${wearer.body.name} (copy)`);
  const copied = rigOf(id, rig.body.sceneId).body;
  expect(copied.choice).toEqual(rig.body.choice);
  expect(copied.performance).toEqual(rig.body.performance);
  expect(copied.consent.answer).toBe("notAsked");
  expect([copied.isRigged, copied.voiceTodayDb]).toEqual([false, null]);
});

test("a copied name never grows beyond what may be stored", () => {
  const { wearer, rig } = miller();
  const long = { ...wearer, body: { ...wearer.body, name: "x".repeat(118) } };
  const id = duplicateWearer(store, now(), long, rig);
  expect(now().wearers.find((each) => each.id === id)!.body.name).toHaveLength(120);
});

test("a rig copied into another scene keeps its choice; without a scene a new one is made like the one before", () => {
  const { rig } = miller();
  const other = now().scenes.find(({ id }) => id !== rig.body.sceneId)!;
  expect(copyRig(store, now(), rig, other.id)).toBe(other.id);
  expect(rigOf(MILLER, other.id).body.choice).toEqual(rig.body.choice);
  const count = now().scenes.length;
  const made = copyRig(store, now(), rig, null);
  const scene = now().scenes.find(({ id }) => id === made)!;
  const before = now().scenes.find(({ id }) => id === rig.body.sceneId)!;
  expect(scene.body).toEqual({ ...before.body, title: `Scene ${count + 1}` });
  expect(rigOf(MILLER, made).body.consent.answer).toBe("notAsked");
});
