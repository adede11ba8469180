import fc from "fast-check";
import { runs } from "../../fixtures/runs";
import { ACCESSORIES, ACCESSORY_FACTS, type Accessory, SIDED } from "./accessories";
import { contradictionsOf } from "./contradictions";
import type { DressInput } from "./dressInput";
import { exampleInput } from "./exampleInput";
import { explain } from "./explain";
import { FABRIC_IDS, FABRICS } from "./fabrics";
import { GARMENT_IDS, GARMENTS } from "./garments";
import {
  ACTIONS,
  FACINGS,
  FITS,
  HAIRS,
  LOWERS,
  MAX_LAYERS,
  OPENINGS,
  SHADES,
  SIDES,
  usualLayer,
  WATERS,
} from "./outfit";
import { PACK_PLACES } from "./packPlaces";
import { type Candidate, type DressPlan, planDress, suggestionOf } from "./planDress";
import { recipeFor, type Recipe } from "./recipe";
import { SUPPLIES } from "./supplies";

/** Anybody in anything that can be worn, doing anything, whatever they agreed to. */
const layer = fc
  .record({
    garment: fc.constantFrom(...GARMENT_IDS),
    fabric: fc.option(fc.constantFrom(...FABRIC_IDS)),
    fit: fc.constantFrom(...FITS),
    opening: fc.constantFrom(...OPENINGS),
    shade: fc.constantFrom(...SHADES),
  })
  .map(({ garment, fabric, opening, ...change }) =>
    usualLayer(garment, {
      ...change,
      ...(fabric && { fabric }),
      opening: GARMENTS[garment].opens ? opening : "closed",
    }),
  );
const anybody = fc
  .record({
    layers: fc.array(layer, { minLength: 1, maxLength: MAX_LAYERS - 2 }),
    accessories: fc.uniqueArray(fc.constantFrom(...ACCESSORIES), { maxLength: 5 }),
    sides: fc.dictionary(fc.constantFrom(...SIDED), fc.constantFrom(...SIDES)),
    lower: fc.option(fc.constantFrom(...LOWERS), { nil: undefined }),
    hair: fc.constantFrom(...HAIRS),
    action: fc.constantFrom(...ACTIONS),
    water: fc.constantFrom(...WATERS),
    faces: fc.constantFrom(...FACINGS),
    agreedTo: fc.constantFrom(0, 1, 2, 3),
    mayBeSeen: fc.boolean(),
    packPlace: fc.option(fc.constantFrom(...(Object.keys(PACK_PLACES) as (keyof typeof PACK_PLACES)[]))),
    leadM: fc.double({ min: 0.5, max: 2.5, noNaN: true }),
  })
  .map(({ layers, accessories, sides, lower, hair, action, water, faces, agreedTo, mayBeSeen, packPlace, leadM }) => {
    const input = exampleInput(layers, accessories, {
      ...{ person: { hair }, performance: { action, water, faces, mayBeSeen }, agreedTo, packPlace },
      capsule: { leadM, diameterMm: 5, maxSplDb: 130, colours: ["black"] },
    });
    return { ...input, outfit: { ...input.outfit, ...(lower && { lower }), sides } };
  })
  .filter(({ outfit }) => contradictionsOf(outfit).length === 0);

interface Answer {
  input: DressInput;
  plan: DressPlan;
  first: Candidate;
  recipe: Recipe;
  /** Everything said of the first answer: reasons, steps, cautions. */
  said: readonly { code: string }[];
}

/** What is answered first, with all that is said of it; null where nothing is advised. */
function answerTo(input: DressInput): Answer | null {
  const plan = planDress(input);
  const first = suggestionOf(plan);
  if (!first) return null;
  const recipe = recipeFor(first, plan);
  const reasons = explain(first, plan).flatMap(({ rules }) => rules.map(({ says }) => says));
  return { input, plan, first, recipe, said: [...reasons, ...recipe.steps, ...recipe.cautions, ...recipe.takingOff] };
}

const always = (holds: (answer: Answer) => void) =>
  fc.assert(
    fc.property(anybody, (input) => {
      const answer = answerTo(input);
      if (answer) holds(answer);
    }),
    { numRuns: runs(120, 10_000) },
  );

/** Which of what is worn each code speaks of. */
const SPEAKS_OF = new Map<string, Set<Accessory>>();
for (const worn of ACCESSORIES) {
  const { says, remedy, caution } = ACCESSORY_FACTS[worn];
  for (const code of [says, remedy, caution])
    if (code) SPEAKS_OF.set(code, (SPEAKS_OF.get(code) ?? new Set()).add(worn));
}

/** What a message may name. */
interface Named {
  garment?: string;
  fabric?: string;
}

describe("of anybody in anything (property)", () => {
  test("nothing is said of what is not worn", () =>
    always(({ input, said }) => {
      for (const { code } of said) {
        const worn = SPEAKS_OF.get(code);
        if (worn) expect([code, input.outfit.accessories.some((each) => worn.has(each))]).toEqual([code, true]);
      }
    }));

  test("every cloth and garment that is named is worn", () =>
    always(({ input, said }) => {
      const garments = input.outfit.layers.map(({ garment }): string => GARMENTS[garment].name);
      const fabrics = input.outfit.layers.map(({ fabric }): string => FABRICS[fabric].name);
      for (const each of said) {
        const { garment, fabric } = { ...each, ...("cloth" in each ? (each.cloth as object) : {}) } as Named;
        if (garment) expect([each.code, garments]).toEqual([each.code, expect.arrayContaining([garment])]);
        if (fabric) expect([each.code, fabrics]).toEqual([each.code, expect.arrayContaining([fabric])]);
      }
    }));

  test("nothing goes further than was agreed: neither the place nor the pack", () =>
    always(({ input, first }) => {
      expect(first.intrusion).toBeLessThanOrEqual(input.agreedTo);
      if (first.pack) expect(PACK_PLACES[first.pack.place].intrusion).toBeLessThanOrEqual(input.agreedTo);
    }));

  test("nothing is fixed to what protects, and nothing lies under armour, a life jacket or a baby carrier", () =>
    always(({ input, first: { placement, site } }) => {
      const { layers, accessories } = input.outfit;
      if (placement.layer !== null) expect(GARMENTS[layers[placement.layer]!.garment].isProtective).toBe(false);
      for (const index of placement.covers) expect(GARMENTS[layers[index]!.garment].barsBelow).toBe(false);
      for (const worn of accessories)
        if (site.zone !== "head") expect(ACCESSORY_FACTS[worn].bars).not.toContain(site.zone);
    }));

  test("skin is prepared before tape, and what is built is built before it is placed", () =>
    always(({ recipe: { steps } }) => {
      const at = (found: (code: string) => boolean) => steps.findIndex(({ code }) => found(code));
      const made = at((code) => code.startsWith("make."));
      const placed = at((code) => code === "step.place");
      expect(at((code) => code === "step.ask")).toBeLessThan(made);
      for (const code of ["step.alcohol", "step.wipe"]) expect(at((each) => each === code)).toBeLessThan(made);
      for (const code of ["step.fur", "step.foam"]) expect(at((each) => each === code)).toBeLessThan(placed);
      expect(made).toBeLessThan(placed);
      expect(steps.at(-1)!.code).toBe("step.live");
    }));

  test("every material is in the bag or said to be missing, and in an amount that is more than nothing", () =>
    always(({ input, recipe: { materials } }) => {
      for (const { supply, amount, isInBag } of materials) {
        expect(SUPPLIES[supply]).toBeDefined();
        expect(amount).toBeGreaterThan(0);
        expect(isInBag).toBe(input.aims.supplies.includes(supply));
      }
      expect(new Set(materials.map(({ supply }) => supply)).size).toBe(materials.length);
    }));

  test("a wished pack place is followed or answered", () =>
    always(({ input: { packPlace }, first: { pack }, recipe: { wish } }) => {
      if (packPlace === null || pack === null) return;
      expect(wish === null).toBe(pack.place === packPlace);
      if (wish?.code === "wish.short") {
        expect(wish.byM).toBeGreaterThan(0);
        expect(wish.extensions * wish.extensionM).toBeGreaterThanOrEqual(wish.byM - 1e-9);
      }
    }));

  test("no figure is beyond hearing or physics", () =>
    always(({ first }) => {
      expect(first.levelDb).toBeGreaterThan(20);
      expect(first.levelDb).toBeLessThan(140);
      expect(first.swingDb).toBeGreaterThanOrEqual(0);
      expect(first.swingDb).toBeLessThan(30);
      expect(first.sound.straightDistanceM).toBeGreaterThan(0.02);
      expect(first.sound.straightDistanceM).toBeLessThan(0.8);
      for (const db of first.colourDb) expect(Math.abs(db)).toBeLessThan(60);
    }));

  test("hair and hats lead only where the chest is ruled out, or a hairdresser is there", () =>
    always(({ plan, first }) => {
      if (first.isLastResort)
        expect(plan.places.every(({ best }) => best.isLastResort || best.isBeyondConsent)).toBe(true);
    }));
});
