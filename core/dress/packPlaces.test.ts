import { PACK_PLACE_IDS, type PackPlaceId } from "../body";
import type { Accessory } from "./accessories";
import { FIRST_PERFORMANCE, type Lower, LOWERS, type Performance, usualLayer } from "./outfit";
import { LOWER_FACTS, lowerOf, packRefusal } from "./packPlaces";

type Garment = Parameters<typeof usualLayer>[0];
const outfit = (garments: Garment[], lower?: Lower, accessories: Accessory[] = []) => ({
  layers: garments.map((garment) => usualLayer(garment)),
  accessories,
  ...(lower && { lower }),
});
const doing = (change: Partial<Performance> = {}): Performance => ({ ...FIRST_PERFORMANCE, ...change });
/** Where a pack can be, the supplies and the consent aside. */
const possible = (...[worn, how = doing()]: [ReturnType<typeof outfit>, Performance?]): PackPlaceId[] =>
  PACK_PLACE_IDS.filter((place) => packRefusal(place, worn, how) === null);

describe("packs need cloth or a belt to sit on (common practice, no source)", () => {
  test("trousers are taken for granted, but for what clothes the whole body", () => {
    expect(lowerOf(outfit(["tee"]))).toBe("trousers");
    expect(lowerOf(outfit(["dress"]))).toBeNull();
    expect(lowerOf(outfit(["robe"], "trousers"))).toBe("trousers");
  });

  test.each(LOWERS.map((lower) => [lower]))(
    "%s: a waistband where there is one, the thigh where cloth hides it",
    (lower) => {
      const places = possible(outfit(["tee"], lower));
      expect(places.includes("waistBack")).toBe(LOWER_FACTS[lower].hasWaistband);
      expect(places.includes("waistSide")).toBe(LOWER_FACTS[lower].hasWaistband);
      expect(places.includes("thigh")).toBe(LOWER_FACTS[lower].hidesThigh);
    },
  );

  test("nothing holds a pack on a bare torso in swimming trunks", () => {
    expect(possible(outfit(["bareTorso"], "trunks"))).toEqual([]);
    expect(possible(outfit(["bikini"], "trunks"))).toEqual([]);
  });

  test("a long dress hides the thigh, a tight one does not", () => {
    const [loose, tight] = (["loose", "tight"] as const).map((fit) => ({
      layers: [usualLayer("dress", { fit })],
      accessories: [],
    }));
    expect(packRefusal("thigh", loose!, doing())).toBeNull();
    expect(packRefusal("thigh", tight!, doing())).toEqual({ code: "no.nothingHides" });
  });
});

describe("nothing hard lies on the back of who leans on it (common practice, no source)", () => {
  test.each([["seatBelt"], ["rucksack"], ["rucksackChest"], ["babyCarrier"], ["chairHarness"]] as const)(
    "with a %s the pack goes to the side",
    (worn) => {
      const places = possible(outfit(["tee"], "trousers", [worn]));
      expect(places).not.toContain("waistBack");
      expect(places).not.toContain("smallOfBack");
      expect(places).toContain("waistSide");
    },
  );

  test.each([["lying"], ["wheelchair"]] as const)("%s: not on the back", (action) => {
    const places = possible(outfit(["tee"]), doing({ action }));
    expect(places).not.toContain("waistBack");
    expect(places).not.toContain("smallOfBack");
    expect(places.includes("wheelchair")).toBe(action === "wheelchair");
  });

  test("who sits does not sit on the pack; who walks can have it in a back pocket", () => {
    expect(packRefusal("backPocket", outfit(["tee"]), doing())).toEqual({ code: "no.sitOnIt" });
    expect(packRefusal("backPocket", outfit(["tee"]), doing({ action: "walking" }))).toBeNull();
    expect(packRefusal("backPocket", outfit(["tee"], "skirt"), doing({ action: "walking" }))).toEqual({
      code: "no.backPocket",
    });
  });

  test("in the water nothing goes where the water is", () => {
    for (const water of ["wading", "swimming"] as const)
      for (const place of ["thigh", "ankle", "smallOfBack"] as const)
        expect(packRefusal(place, outfit(["tee"]), doing({ water }))).not.toBeNull();
  });
});
