import { PACK_PLACE_IDS, type PackPlaceId } from "../body";
import type { Accessory } from "./accessories";
import { type CarriedPack, FIRST_PERFORMANCE, type Lower, LOWERS, type Performance, usualLayer } from "./outfit";
import { LOWER_FACTS, lowerOf, type PackFacts, packRefusal, packTooHeavy, planPacks } from "./packPlaces";
import { sitePoint, SITES } from "./sites";
import { SUPPLY_IDS } from "./supplies";

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

describe("a pack's size, weight and antenna count (common practice, no source)", () => {
  const place = (pack: CarriedPack | undefined, change: Partial<PackFacts> = {}) =>
    planPacks(SITES.breastbone, sitePoint(SITES.breastbone, 1.7), {
      ...{ outfit: outfit(["tee"]), performance: doing(), heightM: 1.7, leadM: 1.6 },
      ...{ supplies: SUPPLY_IDS, agreedTo: 3, pack, ...change },
    });
  const botherOf = (pack: CarriedPack | undefined, id: PackPlaceId, change: Partial<PackFacts> = {}) =>
    place(pack, change).find((each) => each.place === id)?.bother ?? null;

  test("one that nobody has weighed is as usual", () => {
    expect(place(undefined)).toEqual(place({ massG: 150, lengthMm: 85, antennaMm: 120 }));
    expect(place({})).toEqual(place(undefined));
  });

  test("what hangs on elastic is worse with a heavy pack, most of all for who runs; a waistband minds nothing", () => {
    const runs = { performance: doing({ action: "running" }) };
    const worse = (id: PackPlaceId, change: Partial<PackFacts> = {}) =>
      botherOf({ massG: 300 }, id, change)! - botherOf({ massG: 50 }, id, change)!;
    expect(worse("waistBack")).toBe(0);
    expect(worse("smallOfBack")).toBeGreaterThan(0);
    expect(worse("smallOfBack", runs)).toBeGreaterThan(2 * worse("smallOfBack"));
  });

  test("a long antenna does not stay straight in a pocket", () => {
    const walks = { performance: doing({ action: "walking" }) };
    const bent = (id: PackPlaceId) =>
      botherOf({ antennaMm: 220 }, id, walks)! - botherOf({ antennaMm: 80 }, id, walks)!;
    expect(bent("backPocket")).toBeGreaterThan(0);
    expect(bent("waistBack")).toBe(0);
  });

  test("under a hat only a light one, with the weights", () => {
    const hatted = { outfit: outfit(["tee"], "trousers", ["hat"]) };
    expect(botherOf({ massG: 45 }, "underHat", hatted)).not.toBeNull();
    expect(botherOf({ massG: 150 }, "underHat", hatted)).toBeNull();
    expect(packTooHeavy("underHat", { massG: 150 })).toEqual({ code: "no.packTooHeavy", massG: 150, mostG: 100 });
    expect(packTooHeavy("underHat", {})).toBeNull();
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
