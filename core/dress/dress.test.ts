import fc from "fast-check";
import { FABRIC_IDS } from "./fabrics";
import { GARMENTS, GARMENT_IDS } from "./garments";
import { findHost } from "./hosts";
import {
  ACCESSORIES,
  ACTIONS,
  DressInput,
  FACINGS,
  FITS,
  OPENINGS,
  PATTERNS,
  SHOTS,
  type Layer,
  type Performance,
} from "./outfit";
import { candidateAt, levelAtTurnDb, planDress } from "./planDress";
import { SITES, SITE_IDS, siteColourDb } from "./sites";
import { fits } from "../schema/validate";
import { windNoiseGrowthDb } from "./wind";

const layer = (garment: Layer["garment"], fabric: Layer["fabric"], worn: Partial<Layer> = {}): Layer => ({
  garment,
  fabric,
  fit: "fitted",
  opening: "closed",
  pattern: "plain",
  ...worn,
});

const performance = (own: Partial<Performance> = {}): Performance => ({
  faces: "camera",
  action: "sitting",
  shot: "medium",
  mayBeSeen: true,
  softest: "soft",
  loudest: "raised",
  ...own,
});

const input = (layers: Layer[], own: Partial<DressInput> = {}): DressInput => ({
  heightM: 1.75,
  windMps: 0,
  outfit: { layers, accessories: [] },
  performance: performance(),
  ...own,
});

const inputs: fc.Arbitrary<DressInput> = fc.record({
  heightM: fc.double({ min: 0.8, max: 2.3, noNaN: true }),
  windMps: fc.double({ min: 0, max: 30, noNaN: true }),
  outfit: fc.record({
    layers: fc.array(
      fc.record({
        garment: fc.constantFrom(...GARMENT_IDS),
        fabric: fc.constantFrom(...FABRIC_IDS),
        fit: fc.constantFrom(...FITS),
        opening: fc.constantFrom(...OPENINGS),
        pattern: fc.constantFrom(...PATTERNS),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    accessories: fc.uniqueArray(fc.constantFrom(...ACCESSORIES)),
  }),
  performance: fc.record({
    faces: fc.constantFrom(...FACINGS),
    action: fc.constantFrom(...ACTIONS),
    shot: fc.constantFrom(...SHOTS),
    mayBeSeen: fc.boolean(),
    softest: fc.constant("soft" as const),
    loudest: fc.constant("loud" as const),
  }),
});

describe("planDress, whatever is worn", () => {
  test("every site is either ranked or ruled out with a reason, never both, never neither", () => {
    fc.assert(
      fc.property(inputs, (each) => {
        expect(fits(DressInput, each)).toBe(true);
        const plan = planDress(each, 1.6);
        const seen = [...plan.candidates.map((one) => one.site.id), ...plan.ruledOut.map((one) => one.site.id)];
        expect([...seen].sort()).toEqual([...SITE_IDS].sort());
        plan.ruledOut.forEach((one) => expect(one.reason.length).toBeGreaterThan(5));
      }),
    );
  });

  test("the ranking follows the points, and the points are their reasons' sum", () => {
    fc.assert(
      fc.property(inputs, (each) => {
        const { candidates } = planDress(each, 1.6);
        candidates.forEach((candidate, index) => {
          const sum = candidate.reasons.reduce((total, reason) => total + reason.points, 0);
          expect(candidate.points).toBeCloseTo(sum, 9);
          if (index > 0) expect(candidate.points).toBeGreaterThanOrEqual(candidates[index - 1]!.points);
        });
      }),
    );
  });

  test("figures stay within what a body allows", () => {
    fc.assert(
      fc.property(inputs, (each) => {
        for (const candidate of planDress(each, 1.6).candidates) {
          expect(candidate.main.distanceM).toBeGreaterThan(0.02);
          expect(candidate.main.distanceM).toBeLessThan(0.6);
          expect(candidate.swingDb).toBeGreaterThanOrEqual(0);
          candidate.coverDb.forEach((lossDb) => expect(lossDb).toBeLessThanOrEqual(0));
          if (!each.performance.mayBeSeen) expect(candidate.visibility.step).toBeLessThan(3);
        }
      }),
    );
  });
});

describe("hosts", () => {
  test("a closed shirt has an inside, an open one does not", () => {
    expect(findHost(SITES.placketInside, { layers: [layer("shirt", "cotton")], accessories: [] }).possible).toBe(true);
    const open = findHost(SITES.placketInside, {
      layers: [layer("shirt", "cotton", { opening: "open" })],
      accessories: [],
    });
    expect(open).toEqual({ possible: false, reason: expect.stringContaining("close a button") as string });
  });

  test("a tie needs a collar", () => {
    const host = findHost(SITES.tieKnot, { layers: [layer("tee", "cotton")], accessories: ["tie"] });
    expect(host).toMatchObject({ possible: false });
  });

  test("layers over the capsule are the ones that close over its zone", () => {
    const outfit = {
      layers: [layer("shirt", "cotton"), layer("jumper", "knit"), layer("apron", "denim")],
      accessories: [],
    };
    expect(findHost(SITES.bibEdge, outfit)).toMatchObject({ placement: { layer: 2, covers: [2] } });
    expect(findHost(SITES.breastboneInside, outfit)).toMatchObject({ placement: { layer: 1, covers: [1, 2] } });
    expect(findHost(SITES.breastboneSkin, outfit)).toMatchObject({ placement: { layer: null, covers: [0, 1, 2] } });
  });

  test("nothing is fixed to a safety helmet", () => {
    const plan = planDress(
      input([layer("tee", "cotton")], { outfit: { layers: [layer("tee", "cotton")], accessories: ["hardHat"] } }),
      1.6,
    );
    const reasons = Object.fromEntries(plan.ruledOut.map((one) => [one.site.id, one.reason]));
    expect(reasons["hatBrim"]).toContain("safety officer");
    expect(reasons["hairline"]).toContain("helmet");
  });

  test("an open neck of a partly open shirt takes its cloth off the throat", () => {
    expect(GARMENTS.shirt.covers.closed).toContain("upperChest");
    expect(GARMENTS.shirt.covers.partlyOpen).not.toContain("upperChest");
  });
});

describe("judgements move the way the trade says", () => {
  const stepsOf = (each: DressInput, site: "breastboneInside" | "tieFront" | "lapelLeft") => {
    const candidate = candidateAt(planDress(each, 1.6), site)!;
    return {
      rustle: candidate.rustle.rules.reduce((sum, rule) => sum + rule.steps, 0),
      visibility: candidate.visibility.rules.reduce((sum, rule) => sum + rule.steps, 0),
      wind: candidate.wind.rules.reduce((sum, rule) => sum + rule.steps, 0),
    };
  };

  test("silk rubs more than cotton, running more than sitting, a necklace knocks", () => {
    const cotton = stepsOf(input([layer("tee", "cotton")]), "breastboneInside").rustle;
    expect(stepsOf(input([layer("tee", "silk")]), "breastboneInside").rustle).toBeGreaterThan(cotton);
    const running = input([layer("tee", "cotton")], { performance: performance({ action: "running" }) });
    expect(stepsOf(running, "breastboneInside").rustle).toBeGreaterThan(cotton);
    const necklace = input([], { outfit: { layers: [layer("tee", "cotton")], accessories: ["necklace"] } });
    expect(stepsOf(necklace, "breastboneInside").rustle).toBeGreaterThan(cotton);
  });

  test("a tight plain shirt shows more than a loose patterned one, a close shot more than a wide one", () => {
    const tight = stepsOf(input([layer("tee", "cotton", { fit: "tight" })]), "breastboneInside").visibility;
    const loose = stepsOf(input([layer("tee", "cotton", { fit: "loose", pattern: "patterned" })]), "breastboneInside");
    expect(tight).toBeGreaterThan(loose.visibility);
    const suit = [layer("shirt", "cotton"), layer("blazer", "wool")];
    const close = input(suit, { performance: performance({ shot: "close" }) });
    const wide = input(suit, { performance: performance({ shot: "wide" }) });
    expect(stepsOf(close, "lapelLeft").visibility).toBeGreaterThan(stepsOf(wide, "lapelLeft").visibility);
  });

  test("wind grows 60 dB a decade and cloth shelters", () => {
    expect(windNoiseGrowthDb(10) - windNoiseGrowthDb(1)).toBeCloseTo(60, 9);
    const covered = stepsOf(input([layer("tee", "cotton")], { windMps: 8 }), "breastboneInside").wind;
    const bare = stepsOf(input([layer("shirt", "cotton"), layer("blazer", "wool")], { windMps: 8 }), "lapelLeft").wind;
    expect(bare).toBeGreaterThan(covered);
  });

  test("a lead that is too short says by how much and costs the place its rank", () => {
    const short = candidateAt(planDress(input([layer("tee", "cotton")]), 0.3), "breastboneInside")!;
    expect(short.cable.spareM).toBeLessThan(0);
    expect(short.reasons.some((reason) => reason.says.includes("short"))).toBe(true);
  });
});

test("the level at a turn is the level in the ranking when the turn is the scene's own", () => {
  const each = input([layer("tee", "cotton")], { performance: performance({ faces: "right" }) });
  const candidate = planDress(each, 1.6).candidates[0]!;
  expect(levelAtTurnDb(candidate, each.heightM, 40)).toBeCloseTo(candidate.levelDb, 9);
});

test("colours between mid-chest and chin lie between them", () => {
  const middle = siteColourDb(SITES.tieKnot);
  siteColourDb(SITES.breastboneInside).forEach((low, band) => {
    const bounds = [low, [3, 3, 3, 0, -7, -13, -15][band]!].sort((a, b) => a - b);
    expect(middle[band]!).toBeGreaterThanOrEqual(bounds[0]!);
    expect(middle[band]!).toBeLessThanOrEqual(bounds[1]!);
  });
});
