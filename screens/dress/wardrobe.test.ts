import { SLACK_WATER, MILLER } from "@/demo/slackWater";
import { MILLER_RIG } from "@/demo/recordings";
import { ACCESSORIES, GARMENT_IDS, type Outfit, SCHOOL_OPTIONS, type SchoolQuestion, usualLayer } from "@/core/dress";
import type { ShootStore } from "@/data/shootStore";
import { bundleOf, testStore } from "@/fixtures/testStore";
import { editLayers, editOutfit } from "./wardrobe";
import {
  ACCESSORY_OPTIONS,
  GARMENT_OPTIONS,
  lengthWords,
  PACK_OPTIONS,
  placementWords,
  placeTitle,
  schoolOptions,
  upperFirst,
} from "./words";

const said: string[] = [];
jest.mock("@/ui/toasts", () => ({ showToast: ({ says }: { says: string }) => said.push(says) }));

let store: ShootStore;

beforeEach(() => {
  said.length = 0;
  store = testStore(bundleOf(SLACK_WATER));
});

const usual = { wearerId: MILLER, rigId: null };
const inScene = { wearerId: MILLER, rigId: MILLER_RIG };
const worn = () => store.snapshot().bundle.wearers.find(({ id }) => id === MILLER)!.body.outfit;
const inRig = () => store.snapshot().bundle.rigs.find(({ id }) => id === MILLER_RIG)!.body.outfit;
const SHIRT: Outfit = { layers: [usualLayer("shirt")], accessories: ["tie"] };

describe("changing clothes", () => {
  test("what the wearer usually has on is changed with the wearer", () => {
    editOutfit(store, usual, () => SHIRT);
    expect(worn()).toEqual(SHIRT);
    expect(said).toEqual([]);
  });

  test("what cannot be worn is not taken, and says why", () => {
    editOutfit(store, usual, () => SHIRT);
    const before = worn();
    editOutfit(store, usual, (outfit) => ({ ...outfit, layers: [usualLayer("tee")] }));
    expect(worn()).toBe(before);
    expect(said.join(" ")).toMatch(/tie/i);
  });

  test("changing layers takes off what can no longer be worn with them, without a word", () => {
    editOutfit(store, usual, () => ({ ...SHIRT, accessories: ["tie", "necklace"] }));
    editLayers(store, usual, () => [usualLayer("tee")]);
    expect(worn().layers.map(({ garment }) => garment)).toEqual(["tee"]);
    expect(worn().accessories).toEqual(["necklace"]);
    expect(said).toEqual([]);
  });

  test("a scene without clothes of its own is left alone; with its own only they are changed", () => {
    const before = worn();
    editOutfit(store, inScene, () => SHIRT);
    expect(inRig()).toBeNull();
    store.edit("rig", MILLER_RIG, (rig) => ({ ...rig, outfit: SHIRT }));
    editOutfit(store, inScene, (outfit) => ({ ...outfit, accessories: [] }));
    expect(inRig()).toEqual({ ...SHIRT, accessories: [] });
    expect(worn()).toBe(before);
  });
});

describe("words", () => {
  test("every garment and accessory is offered, each once and with a name", () => {
    const names = GARMENT_OPTIONS.map(({ name }) => name);
    expect([...names].sort((one, other) => one.localeCompare(other, "en"))).toEqual(names);
    expect(new Set(GARMENT_OPTIONS.map(({ value }) => value))).toEqual(new Set(GARMENT_IDS));
    expect(ACCESSORY_OPTIONS.map(({ value }) => value)).toEqual([...ACCESSORIES]);
    for (const options of [GARMENT_OPTIONS, ACCESSORY_OPTIONS, PACK_OPTIONS])
      expect(new Set(options.map(({ name }) => name)).size).toBe(options.length);
  });

  test("schools are offered as they are known", () => {
    for (const question of Object.keys(SCHOOL_OPTIONS) as SchoolQuestion[]) {
      const options = schoolOptions(question);
      expect(options.map(({ value }) => value)).toEqual([...SCHOOL_OPTIONS[question]]);
      expect(options.every(({ name }) => name.length > 2)).toBe(true);
    }
  });

  test("where a microphone sits, by surface and layer", () => {
    const at = (surface: "skin" | "inside" | "outside" | "hair", layer: number | null) =>
      placementWords({ placement: { surface, layer } as never }, SHIRT);
    expect([at("skin", null), at("inside", 0), at("outside", 0), at("hair", null)]).toEqual([
      "on the skin",
      "inside the button shirt",
      "on the button shirt",
      "",
    ]);
    const title = (surface: string) =>
      placeTitle({ placement: { surface, layer: 0 }, site: { name: "Breastbone" } } as never, SHIRT);
    expect([title("inside"), title("hair")]).toEqual(["Breastbone, inside the button shirt", "Breastbone"]);
  });

  test("lengths in the shoot's own measure", () => {
    expect([lengthWords(0.254, "metric"), lengthWords(0.254, "imperial")]).toEqual(["25 cm", "10 in"]);
    expect([upperFirst("shirt"), upperFirst("")]).toEqual(["Shirt", ""]);
  });
});
