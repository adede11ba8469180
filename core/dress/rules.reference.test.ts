import { say } from "../../messages";
import { ACCESSORIES, ACCESSORY_FACTS, type Accessory, COLOURED, SIDED } from "./accessories";
import { besideCapsule } from "./besideCapsule";
import type { DressInput } from "./dressInput";
import { exampleInput, type ExampleChange } from "./exampleInput";
import { explain } from "./explain";
import { GARMENTS, type GarmentId } from "./garments";
import { CAPSULE_FOR_SHADE, type Layer, SHADES, SIDES, usualLayer } from "./outfit";
import { PACK_PLACES } from "./packPlaces";
import { mapOctaves } from "../sound";
import { levelAtSiteDb, siteGain } from "./levelAtSite";
import { bestAt, type Candidate, type DressPlan, planDress, suggestionOf } from "./planDress";
import { recipeFor } from "./recipe";
import { isStruck } from "./rustle";
import { SITES, siteColourDb, throatShareAt } from "./sites";

/**
 * Rules of the trade, each over several outfits: what a working recordist will and will not sign. Common practice throughout;
 * no publication stands behind them.
 */
const worn = (garments: readonly (GarmentId | Layer)[], accessories: Accessory[] = [], change: ExampleChange = {}) =>
  exampleInput(
    garments.map((each) => (typeof each === "string" ? usualLayer(each) : each)),
    accessories,
    change,
  );
const SEEN: ExampleChange = { performance: { mayBeSeen: true } };
const open = (garment: GarmentId) => usualLayer(garment, { opening: "open" });

const firstOf = (input: DressInput): Candidate => {
  const first = suggestionOf(planDress(input));
  if (!first) throw new Error("Nothing is advised.");
  return first;
};
const reasonsAt = (plan: DressPlan, candidate: Candidate) =>
  explain(candidate, plan).flatMap(({ rules }) => rules.map(({ says }) => says));
const named = (name: string, input: DressInput) => [name, input] as const;

const CLOTHED = [
  named("a shirt", worn(["shirt"])),
  named("a tee under an open jacket", worn(["tee", open("blazer")])),
  named("a hoodie", worn(["hoodie"])),
  named("a dress", worn(["dress"])),
  named("a shirt and jumper, seen", worn(["shirt", "jumper"], [], SEEN)),
  named("a uniform shirt, seen", worn(["uniformShirt"], [], SEEN)),
];

describe("consent comes first", () => {
  test.each(CLOTHED)("%s: whatever was agreed, neither place nor pack goes further", (_, input) => {
    for (const agreedTo of [0, 1, 2, 3] as const) {
      const first = suggestionOf(planDress({ ...input, agreedTo }));
      if (!first) continue;
      expect(first.intrusion).toBeLessThanOrEqual(agreedTo);
      if (first.pack) expect(PACK_PLACES[first.pack.place].intrusion).toBeLessThanOrEqual(agreedTo);
    }
  });

  test.each(CLOTHED)("%s: agreeing to more never makes the first answer worse", (_, input) => {
    let before = Infinity;
    for (const agreedTo of [0, 1, 2, 3] as const) {
      const first = suggestionOf(
        planDress({ ...input, agreedTo, performance: { ...input.performance, mayBeSeen: true } }),
      );
      if (!first) continue;
      // What strikes is worse than any points: a place that is free may cost more of them.
      const cost = first.points + (first.isStruck ? 1000 : 0) + (first.isOnFront ? 0 : 500);
      expect(cost).toBeLessThanOrEqual(before + 1e-6);
      before = cost;
    }
  });
});

const STRIKING = ACCESSORIES.filter((each) => ACCESSORY_FACTS[each].strikes);

describe("what strikes or presses is not cured by a mount", () => {
  test.each(STRIKING.flatMap((worn) => CLOTHED.map(([name, input]) => [worn, name, input] as const)))(
    "%s over %s: a place that it misses goes before one that it strikes",
    (accessory, _, input) => {
      const plan = planDress({ ...input, outfit: { ...input.outfit, accessories: [accessory] } });
      const chest = plan.places.filter(({ best }) => !best.isLastResort && !best.isBeyondConsent);
      const isFree = chest.some(({ best }) => !best.isStruck);
      if (isFree) expect(plan.places[0]!.best.isStruck).toBe(false);
    },
  );

  test.each(
    SIDED.filter((each) => ACCESSORY_FACTS[each].strikes).flatMap((each) => SIDES.map((side) => [each, side] as const)),
  )("a %s on the %s leaves the other side free", (accessory, side) => {
    const input = worn(["uniform", open("blazer")], [accessory], { ...SEEN, outfitSides: { [accessory]: side } });
    const { facts, places } = planDress(input);
    const towards = side === "left" ? -1 : 1;
    for (const { site, placement } of places) {
      if (site.side === 0 || site.zone === "head") continue;
      if (site.side !== towards) expect([site.id, isStruck({ facts, site, placement })]).toEqual([site.id, false]);
    }
  });

  test("hands that come to the chest strike all of it", () => {
    const { facts, places } = planDress(worn(["shirt"], [], { performance: { handsOnChest: true } }));
    for (const { site, placement } of places) expect(isStruck({ facts, site, placement })).toBe(site.zone !== "head");
  });
});

describe("hair, hat and forehead are not the second choice of an interview", () => {
  test.each(CLOTHED)("%s: none of the first five, as long as there are others", (_, input) => {
    const { places } = planDress({ ...input, outfit: { ...input.outfit, accessories: ["hat"] } });
    const others = places.filter(({ site }) => site.zone !== "head").length;
    expect(others).toBeGreaterThanOrEqual(4);
    expect(places.slice(0, Math.min(5, others)).map(({ site }) => site.zone)).not.toContain("head");
  });

  test.each([
    named("a bare torso", worn(["bareTorso"])),
    named("a baby carrier over a bare torso", worn(["bareTorso"], ["babyCarrier"])),
    named("a creature suit", worn(["creatureSuit"])),
  ])("%s: they lead where the chest is ruled out", (_, input) => {
    expect(firstOf(input).site.zone).toBe("head");
  });
});

describe("necklines differ by depth", () => {
  test("the deeper an edge, the more it sounds of the chest and the less of the throat", () => {
    const shares = [-0.03, 0, 0.02, 0.07, 0.1, 0.2].map((dropM) => throatShareAt(SITES.neckline, dropM) as number);
    for (let index = 1; index < shares.length; index += 1)
      expect(shares[index]!).toBeLessThanOrEqual(shares[index - 1]!);
    const [high, deep] = [siteColourDb(SITES.neckline, -0.03), siteColourDb(SITES.neckline, 0.2)];
    expect(high[5]).toBeLessThan(deep[5]);
    expect(high[0]).toBeGreaterThan(deep[0]);
    expect(siteColourDb(SITES.breastbone, 0.2)).toEqual(siteColourDb(SITES.breastbone, -0.03));
  });

  test.each([["rollneck"], ["kurta"], ["highDress"]] as const)(
    "%s: its edge at the throat does not lead",
    (garment) => {
      expect(firstOf(worn([garment])).site.id).not.toBe("neckline");
    },
  );
});

describe("an open jacket's edge is the risk for everything beside it, and leather creaks", () => {
  test.each([["blazer"], ["coat"], ["cardigan"], ["labCoat"], ["denimJacket"], ["tailcoat"]] as const)(
    "the edge of an open %s is named at the breastbone of the tee beneath",
    (garment) => {
      const plan = planDress(worn(["tee", open(garment)]));
      const said = reasonsAt(plan, bestAt(plan, "breastbone")!);
      expect(said).toContainEqual({ code: "why.edgeCrosses", garment: GARMENTS[garment].name });
    },
  );

  test.each([["bikerJacket"], ["oilskin"], ["parka"]] as const)("an open %s creaks", (garment) => {
    const plan = planDress(worn(["tee", open(garment)]));
    expect(reasonsAt(plan, bestAt(plan, "breastbone")!).map(({ code }) => code)).toContain("why.creaks");
  });
});

describe("see-through is not thin", () => {
  test.each(
    (["chiffon", "lace", "mesh"] as const).flatMap((fabric) =>
      (["tee", "blouse", "dress"] as const).map((garment) => [fabric, garment] as const),
    ),
  )("under %s of a %s nothing on the chest counts as hidden", (fabric, garment) => {
    const { places } = planDress(worn([usualLayer(garment, { fabric })]));
    for (const { site, placement } of places)
      if (site.anchor === "torso") expect([site.id, placement.surface, "offered"]).toEqual([]);
  });
});

describe("water", () => {
  test.each([["wetsuit"], ["drySuit"], ["creatureSuit"]] as const)("nothing lies beneath a %s", (garment) => {
    const { places } = planDress(worn([garment], [], SEEN));
    for (const { placement } of places)
      expect(["skin", "inside"].includes(placement.surface) && placement.layer === 0).toBe(false);
  });

  test("a swimmer has nothing on the body; a bag even on a dry day by the water", () => {
    for (const garment of ["swimwear", "bikini", "tee"] as const) {
      const { places } = planDress(worn([garment], [], { performance: { water: "swimming", mayBeSeen: true } }));
      for (const { site } of places) expect(site.zone).toBe("head");
    }
    const plan = planDress(worn(["shirt"], [], { performance: { water: "near" } }));
    expect(recipeFor(suggestionOf(plan)!, plan).steps.map(({ code }) => code)).toContain("step.bagPack");
  });
});

describe("colour of what lies beside it counts", () => {
  test.each(COLOURED.flatMap((each) => SHADES.map((shade) => [each, shade] as const)))(
    "a %s in %s",
    (accessory, shade) => {
      const outfit = {
        layers: [usualLayer("shirt", { shade: "white" })],
        accessories: [accessory],
        colours: { [accessory]: shade },
      };
      const at = { surface: "inside", layer: null, covers: [], behind: accessory } as const;
      expect(besideCapsule(outfit, at).shade).toBe(shade);
      expect(CAPSULE_FOR_SHADE[shade]).toBeDefined();
    },
  );

  test("a tie whose colour nobody told leaves the shirt's", () => {
    const outfit = { layers: [usualLayer("shirt", { shade: "white" })], accessories: ["tie" as const] };
    expect(besideCapsule(outfit, { surface: "inside", layer: 0, covers: [], behind: "tie" }).shade).toBe("white");
  });
});

describe("the word of one garment is not another's", () => {
  test.each(
    (Object.keys(GARMENTS) as GarmentId[]).filter((id) => GARMENTS[id].features.includes("placket")).map((id) => [id]),
  )("the front of a %s is closed by what closes it", (garment) => {
    const plan = planDress(worn(["tee", garment], [], SEEN));
    const there = plan.places.find(({ site }) => site.id === "placket");
    if (!there) return;
    const place = recipeFor(there.best, plan).steps.find(({ code }) => code === "step.place")!;
    const says = say(place);
    expect(says.includes("between two buttons")).toBe(GARMENTS[garment].closure === "buttons");
    if (GARMENTS[garment].closure === "zip") expect(says).toContain("beside the zip");
  });

  test.each([["robe"], ["abaya"], ["cassock"], ["overall"]] as const)(
    "an open %s has no middle of a top edge",
    (garment) => {
      expect(planDress(worn(["tee", open(garment)])).places.map(({ site }) => site.id)).not.toContain("topEdge");
    },
  );
});

describe("a closed helmet", () => {
  test("adds some 10 to 14 dB to a shout a few centimetres away (common practice)", () => {
    const hearing = { site: SITES.helmetLiner, necklineDropM: 0 };
    const none = mapOctaves(() => 0);
    const levelIn = (isInHood: boolean) =>
      levelAtSiteDb(siteGain({ ...hearing, isInHood }, 1.75, 0, none).gainDb, "shout");
    const moreDb = levelIn(true) - levelIn(false);
    expect(moreDb).toBeGreaterThanOrEqual(9);
    expect(moreDb).toBeLessThanOrEqual(14);
  });

  test("reaches what Level plans with: the capsule in the hood gets as much more", () => {
    const levelOf = (accessory: Accessory) =>
      bestAt(planDress(worn(["overall"], [accessory], { performance: { loudest: "shout" } })), "helmetLiner")!;
    const [closed, face] = [levelOf("sealedHood"), levelOf("openHelmet")];
    expect(closed.levelDb - face.levelDb).toBeGreaterThan(8);
    expect(closed.overloadDb - face.overloadDb).toBeGreaterThan(8);
  });
});
