import { say } from "@/messages";
import { emptyShoot, newScene, type PickupBody, type ShootBundle } from "@/core/records";
import { LESSON_IDS, lessonsFor, micsOf, PickupSetup, type PlacedMic } from "@/core/pickup";
import { CAR, LIVING_ROOM, type PlaceModel } from "@/core/room";
import { fits } from "@/core/schema";
import { FIRST_PERFORMANCE } from "@/core/dress";
import { boardOf } from "@/core/board";
import { newRig } from "@/core/planning";
import { peaksAt, pickupAdvice, pickupScene } from "./pickupScene";
import { stored, TEST_SHOOT, testWearer } from "@/fixtures/testShoot";

const GRANARY: PlaceModel = {
  ...LIVING_ROOM,
  lengthM: 9,
  widthM: 6,
  heightM: 3.6,
  floor: "woodFloor",
  ceiling: "woodFloor",
  walls: "stone",
  patches: [],
  noiseNc: 20,
};
const QUAY: PlaceModel = { ...GRANARY, setting: "open", noiseNc: 40 };
const KITCHEN: PlaceModel = { ...GRANARY, setting: "lShape", lengthM: 6, widthM: 4.5, cutLengthM: 2, cutWidthM: 1.5 };

/** An id of the stored form for a short name. */
const idOf = (name: string) =>
  `00000000-0000-4000-8000-${[...name]
    .map((letter) => letter.charCodeAt(0).toString(16))
    .join("")
    .padStart(12, "0")
    .slice(-12)}`;

const person = (name: string) => stored<"wearer">(idOf(name), testWearer(name, { heightM: 1.8 }));

function bundle(
  people: readonly string[],
  model: PlaceModel | null = GRANARY,
  pickups: PickupBody[] = [],
): ShootBundle {
  return {
    ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
    places: model ? [stored<"place">("p", { shootId: "s", name: "Place", model })] : [],
    scenes: [stored<"scene">("c", newScene("s", { placeId: model ? "p" : null }))],
    wearers: people.map(person),
    rigs: people.map((name) =>
      stored<"rig">(
        `rig-${name}`,
        newRig(
          { shootId: "s", wearerId: idOf(name), sceneId: "c" },
          { performance: { ...FIRST_PERFORMANCE, action: "sitting" } },
        ),
      ),
    ),
    pickups: pickups.map((each, index) => stored<"pickup">(`k${index}`, each)),
  };
}

const sceneOf = (each: ShootBundle) => pickupScene(each, "c")!;

test("everybody rigged in the scene talks, sitting mouths at 69 % of their height, several facing each other", () => {
  const { talkers } = sceneOf(bundle(["Ada", "Ben", "Cy"])).body.setup;
  expect(talkers.map(({ name }) => name)).toEqual(["Ada", "Ben", "Cy"]);
  expect(talkers[0]!.mouthM).toBeCloseTo(0.69 * 1.8, 2);
  const middle = talkers.reduce((sum, { at }) => [sum[0]! + at.xM / 3, sum[1]! + at.yM / 3], [0, 0]);
  for (const { at, facesDeg } of talkers) {
    const towards = (Math.atan2(middle[0]! - at.xM, middle[1]! - at.yM) * 180) / Math.PI;
    expect(Math.cos(((towards - facesDeg) * Math.PI) / 180)).toBeGreaterThan(0.99);
  }
  expect(fits(PickupSetup, { talkers, mics: [] })).toBe(true);
});

test("nobody known: somebody talks in the middle; no such scene: nothing", () => {
  const { body, hidden, isScouted } = sceneOf(bundle([], null));
  expect(body.setup.talkers).toHaveLength(1);
  expect([hidden.length, isScouted]).toEqual([0, false]);
  expect(pickupScene(bundle([]), "elsewhere")).toBeNull();
});

test("what Dress hides stands beside what stands free, from the same place", () => {
  const { hidden, candidates, own } = sceneOf(bundle(["Ada"]));
  expect(hidden).toHaveLength(1);
  expect(hidden[0]!.sti).toBe(hidden[0]!.plan.candidate!.sound.sti);
  expect(own).toBeNull();
  expect(candidates.filter(({ ruledOut }) => ruledOut === null).length).toBeGreaterThan(1);
});

test("an L's missing corner holds nobody", () => {
  const { body, placeModel } = sceneOf(bundle(["Ada", "Ben", "Cy", "Di", "Ed", "Flo"], KITCHEN));
  for (const { at } of body.setup.talkers) {
    const isInCorner =
      at.xM > placeModel.lengthM - placeModel.cutLengthM && at.yM > placeModel.widthM - placeModel.cutWidthM;
    expect(isInCorner).toBe(false);
  }
});

test("a placed microphone is kept, judged first, and drawn on the board as planned", () => {
  const first = sceneOf(bundle(["Ada"])).body;
  const mics = micsOf("overheadHyper", first.setup.talkers, first.wishes);
  const placed = bundle(["Ada"], GRANARY, [{ ...first, setup: { ...first.setup, mics } }]);
  expect(sceneOf(placed).own!.worstSti).toBeGreaterThan(0.5);
  expect(boardOf(placed)[0]!.stitches.pickup).toBe("basted");
  expect(boardOf(bundle(["Ada"]))[0]!.stitches.pickup).toBe("loose");
});

test("the advice names the clearest: the boom, or the hidden one when that is clearer; nothing when all is ruled out", () => {
  const alone = sceneOf(bundle([]));
  expect(say(pickupAdvice(alone))).toMatch(
    /^(Overhead boom, short hypercardioid|A lav each): \d+ % clear, the voice \d+ dB above the room\.$/,
  );
  const quay = sceneOf(bundle([], QUAY));
  expect(pickupAdvice(quay)).toMatchObject({ code: "pickup.best", isOpen: true });
  const van = sceneOf(bundle(["Ada"], CAR));
  expect(say(pickupAdvice(van)).length).toBeGreaterThan(20);
  expect(
    pickupAdvice({
      ...alone,
      candidates: alone.candidates.map((each) => ({ ...each, ruledOut: { code: "out.noTable" } })),
    }),
  ).toEqual({ code: "pickup.none" });
  expect(pickupAdvice({ ...alone, hidden: [{ ...sceneOf(bundle(["Ada"])).hidden[0]!, sti: 1 }] })).toMatchObject({
    code: "pickup.hide",
  });
});

test("peaks stand 18 dB above the running level (common practice)", () => {
  expect(peaksAt(70)).toBe(88);
});

describe("experiments", () => {
  const pickup = sceneOf(bundle(["Ada"]));
  const talker = pickup.body.setup.talkers[0]!;
  const mic = (change: Partial<PlacedMic> = {}): PlacedMic => ({
    id: "m",
    microphone: "studio",
    pattern: "cardioid",
    holder: "stand",
    at: { xM: talker.at.xM, yM: talker.at.yM + 0.12 },
    heightM: talker.mouthM,
    aimsDeg: 180,
    tiltDeg: 0,
    hasScreen: false,
    handsM: null,
    ...change,
  });
  const says = (id: (typeof LESSON_IDS)[number], change: Partial<PlacedMic> = {}) =>
    say(lessonsFor(mic(change), talker, pickup.sound).find((each) => each.id === id)!.says);

  test("turned round the voice falls and the room takes over", () => {
    expect(says("turnRound")).toMatch(/the voice −\d+ dB, voice over room −\d+ dB, clarity 0\.\d+ to 0\.\d+|1\.00 to/);
  });

  test("twice as far is 6 dB less in the open (inverse square)", () => {
    const quay = sceneOf(bundle([], QUAY));
    const [someone] = quay.body.setup.talkers;
    const at = { xM: someone!.at.xM, yM: someone!.at.yM + 1 };
    const far = lessonsFor(mic({ at, heightM: someone!.mouthM, pattern: "omni" }), someone!, quay.sound).find(
      ({ id }) => id === "twiceAsFar",
    )!;
    expect(far.says.voiceDb).toBeCloseTo(-6.02, 1);
    expect(far.says.overRoomDb).toBeNull();
  });

  test("from 45° beside the mouth the breath misses it; spoken into its end a side-address mic loses; a table ripples", () => {
    expect(says("besideBreath")).toMatch(/plosives (certain|likely) to none/);
    expect(says("intoTheEnd")).toMatch(/the voice −\d+ dB/);
    expect(says("onTheTable", { at: { xM: talker.at.xM, yM: talker.at.yM + 0.5 } })).toContain("table");
  });

  test("every experiment keeps to what may be stored", () => {
    const mics = lessonsFor(mic(), talker, pickup.sound).map((each) => each.mic);
    expect(mics).toHaveLength(LESSON_IDS.length);
    expect(fits(PickupSetup, { talkers: [talker], mics })).toBe(true);
  });
});
