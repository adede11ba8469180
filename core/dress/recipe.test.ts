import { say } from "../../messages";
import fc from "fast-check";
import { FIRST_AIMS } from "./aims";
import { exampleInput, EXAMPLE_QUAY } from "./exampleInput";
import type { DressInput } from "./dressInput";
import { usualLayer, type Layer } from "./outfit";
import { EXTENSION_M, packRefusal, planPacks } from "./packPlaces";
import { planDress, type Candidate } from "./planDress";
import { recipeFor } from "./recipe";
import { selfPlacementSteps } from "./selfPlacement";
import { SITES, sitePoint } from "./sites";
import { SUPPLIES, SUPPLY_IDS } from "./supplies";
import { GARMENT_IDS } from "./garments";
import { PACK_PLACE_IDS } from "../body";

const tee = usualLayer("tee");
const at = (input: DressInput, pick: (candidate: Candidate) => boolean) => {
  const plan = planDress(input);
  const candidate = plan.places.flatMap(({ ways }) => ways).find(pick)!;
  return { plan, candidate, recipe: recipeFor(candidate, plan) };
};
const amountOf = ({ materials }: ReturnType<typeof recipeFor>, supply: string) =>
  materials.find((material) => material.supply === supply)?.amount ?? 0;

describe("materials", () => {
  test("a medical strip twice, double-sided tape between, a wipe for the capsule and one for the skin", () => {
    const { recipe } = at(exampleInput([tee]), ({ mount }) => mount.id === "medical");
    expect([amountOf(recipe, "medicalTape"), amountOf(recipe, "stretchTape"), amountOf(recipe, "wipe")]).toEqual([
      14, 5, 2,
    ]);
    expect(recipe.steps.map(say).join(" ")).toContain("never over the port");
  });

  test("a pin and the same two triangles", () => {
    const { recipe } = at(
      exampleInput([tee, usualLayer("shirt")]),
      ({ mount, site }) => mount.id === "pinned" && site.id === "breastbone",
    );
    expect(amountOf(recipe, "pin")).toBe(1);
    expect(recipe.materials.find(({ supply }) => supply === "clothTape")!.as).toBe("2 strips × 7.5 cm + 8 cm");
    expect(recipe.cautions.map(say).join(" ")).toContain("never against the skin");
  });

  test("a wrap grows with the person", () => {
    const lengthAt = (heightM: number) =>
      amountOf(at(exampleInput([tee], [], { person: { heightM } }), ({ mount }) => mount.id === "wrap").recipe, "wrap");
    expect(lengthAt(1.9)).toBeGreaterThan(lengthAt(1.2));
    expect(lengthAt(1.75)).toBeCloseTo(118, -0.5);
  });

  test("whatever is asked for counts in its unit, once, and is in the bag it was planned from", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...GARMENT_IDS),
        fc.subarray([...SUPPLY_IDS], { minLength: 6 }),
        (garment, supplies) => {
          const plan = planDress(exampleInput([usualLayer(garment)], [], { aims: { ...FIRST_AIMS, supplies } }));
          for (const { best } of plan.places) {
            const { materials, minutes } = recipeFor(best, plan);
            expect(new Set(materials.map(({ supply }) => supply)).size).toBe(materials.length);
            for (const { supply, amount, isInBag } of materials) {
              if (SUPPLIES[supply].unit === "pieces") expect(Number.isInteger(amount)).toBe(true);
              expect(isInBag).toBe(supplies.includes(supply));
            }
            for (const supply of best.mount.needs)
              expect(materials.some((material) => material.supply === supply)).toBe(true);
            expect(minutes).toBeGreaterThanOrEqual(best.mount.minutes);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe("steps", () => {
  test("the capsule's colour follows the cloth beside it, not the jacket", () => {
    const under = (shade: Layer["shade"]) =>
      at(
        exampleInput([usualLayer("shirt", { shade }), usualLayer("blazer", { shade: "black" })], ["tie"]),
        ({ site }) => site.id === "tieKnot",
      ).recipe.capsule;
    expect(under("white").colour).toBe("white");
    expect(under("skin").colour).toBe("beige");
    expect(under("dark").colour).toBe("black");
    const input = exampleInput([usualLayer("shirt", { shade: "white" })], ["tie"]);
    const onlyBlack = { ...input, capsule: { ...input.capsule, colours: ["black" as const] } };
    const { recipe } = at(onlyBlack, ({ site }) => site.id === "tieKnot");
    expect(recipe.capsule.isHeld).toBe(false);
    expect(recipe.steps.map(say).join(" ")).toContain("cover this one in matching cloth");
  });

  test("loose clothes get the weight on a thread, tight ones a rod", () => {
    const words = (fit: Layer["fit"]) =>
      at(exampleInput([usualLayer("tee", { fit })]), ({ site }) => site.id === "breastbone")
        .recipe.steps.map(say)
        .join(" ");
    expect(words("loose")).toContain("smooth weight");
    expect(words("tight")).toContain("thin rod");
  });

  test("wind, water and a jacket each add their step", () => {
    const { recipe } = at(
      exampleInput([tee, usualLayer("blazer")], [], {
        place: EXAMPLE_QUAY,
        performance: { water: "rain", mayBeSeen: true },
      }),
      ({ site, placement }) => site.id === "lapelLeft" && placement.surface === "inside",
    );
    const words = recipe.steps.map(say).join(" ");
    for (const part of ["Cover the whole with the fur", "Bag the pack", "inside the jacket in two places"])
      expect(words).toContain(part);
  });

  test("a short lead says by how much, an extension makes it fit", () => {
    const input = exampleInput([tee], [], { capsule: { ...exampleInput([tee]).capsule, leadM: 0.4 } });
    const { recipe, candidate } = at(input, ({ site }) => site.id === "breastbone");
    expect(candidate.pack!.needsExtension).toBe(true);
    expect(recipe.spareM).toBeLessThan(0);
    expect(recipe.materials.map(({ supply }) => supply)).toContain("extension");
    const without = {
      ...input,
      aims: { ...FIRST_AIMS, supplies: FIRST_AIMS.supplies.filter((one) => one !== "extension") },
    };
    const short = at(without, ({ site }) => site.id === "breastbone");
    expect(short.candidate.pack!.isInReach).toBe(false);
    expect(short.recipe.steps.map(say).join(" ")).toMatch(/the cable is \d+ cm short/);
  });
});

describe("words for the wearer", () => {
  test("know the head from the chest, ask about itching only where tape meets skin, and end with a way to stop", () => {
    const words = (pick: (candidate: Candidate) => boolean, accessories: DressInput["outfit"]["accessories"] = []) =>
      selfPlacementSteps(at(exampleInput([tee], accessories, { performance: { mayBeSeen: true } }), pick).candidate)
        .map(say)
        .join(" ");
    expect(words(({ site }) => site.id === "hairline")).toContain("behind your neck");
    expect(words(({ site }) => site.id === "breastbone")).toContain("round your side");
    expect(words(({ mount }) => mount.id === "medical")).toContain("itch");
    expect(words(({ mount }) => mount.id === "wrap")).toContain("two fingers");
    expect(words(({ mount }) => mount.id === "clip")).toContain("Clip it on");
    for (const pick of [({ mount }: Candidate) => mount.id === "clip", ({ site }: Candidate) => site.id === "hairline"])
      expect(words(pick)).toMatch(/stop whenever you like\.$/);
  });
});

describe("pack places", () => {
  const facts = (layers: Layer[], own: Partial<DressInput["performance"]> = {}) => {
    const { outfit, performance, person, capsule, aims } = exampleInput(layers, [], { performance: own });
    const { heightM } = person;
    return { outfit, performance, heightM, leadM: capsule.leadM, supplies: aims.supplies, agreedTo: 3 as const };
  };
  const from = sitePoint(SITES.breastbone, 1.75);

  test("the waistband first, the wanted one before it, nothing that the outfit forbids", () => {
    expect(planPacks(SITES.breastbone, from, facts([tee]))[0]!.place).toBe("waistBack");
    const toAnkle = (leadM: number) => planPacks(SITES.breastbone, from, { ...facts([tee]), leadM }, "ankle")[0]!.place;
    expect([toAnkle(3), toAnkle(0.8)]).toEqual(["ankle", "waistBack"]);
    const dress = planPacks(SITES.breastbone, from, facts([usualLayer("dress")])).map(({ place }) => place);
    expect(dress).not.toContain("waistBack");
    expect(dress).toContain("thigh");
  });

  test("sitting keeps it out of the back pocket, walking off the ankle, water off the leg", () => {
    const { outfit, performance } = facts([tee]);
    expect(packRefusal("backPocket", outfit, performance)).toEqual({ code: "no.sitOnIt" });
    expect(packRefusal("ankle", outfit, { ...performance, action: "walking" })).toEqual({
      code: "no.worksLoose",
    });
    expect(packRefusal("thigh", facts([usualLayer("dress")]).outfit, { ...performance, water: "wading" })).toEqual({
      code: "no.underWater",
    });
    expect(packRefusal("waistBack", { ...outfit, accessories: ["toolBelt"] }, performance)).toEqual({
      code: "no.toolBelt",
    });
    expect(packRefusal("innerPocket", outfit, performance)).toEqual({ code: "no.innerPocket" });
    expect(packRefusal("upperArm", facts([usualLayer("straplessDress")]).outfit, performance)).toEqual({
      code: "no.bareArms",
    });
  });

  test("every place is reached by a longer lead, and an extension is what it says", () => {
    for (const place of PACK_PLACE_IDS) {
      const near = planPacks(
        SITES.hairline,
        sitePoint(SITES.hairline, 1.75),
        { ...facts([tee]), leadM: 0.5 },
        place,
      )[0]!;
      const far = planPacks(SITES.hairline, sitePoint(SITES.hairline, 1.75), { ...facts([tee]), leadM: 5 }, place)[0]!;
      expect(far.needsExtension).toBe(false);
      expect(near.isInReach).toBe(near.cable.spareM + EXTENSION_M >= 0 || near.cable.spareM >= 0);
    }
  });
});
