import { say } from "../../messages";
import fc from "fast-check";
import { contradictionsOf } from "./contradictions";
import { ACCESSORIES, type Accessory } from "./accessories";
import { CRITERIA, FIRST_AIMS, PRESETS, PRESET_IDS } from "./aims";
import { findAnchors } from "./anchors";
import { certaintyOf, certaintyWord, unknownsOf } from "./certainty";
import { choiceOf, isChoice, sameChoice } from "./choice";
import { EXAMPLE_QUAY, exampleInput } from "./exampleInput";
import { explain, schoolReasons, whyNotNext, worseThan } from "./explain";
import { CLOTH_LOSS_DB, FABRICS, FABRIC_IDS } from "./fabrics";
import { GARMENT_IDS, GARMENTS } from "./garments";
import { DIRECTIONS, directionsBetween, headDirections, sceneDirections } from "./headDirections";
import { hearSite, underCover } from "./hearing";
import { costOf, judge, stepOf, sumSteps } from "./judgement";
import { MOUNTS, PORTS } from "./mounts";
import type { DressInput } from "./dressInput";
import { FACINGS, FITS, OPENINGS, PATTERNS, SHADES, usualLayer, type Layer } from "./outfit";
import { dominates, paretoFront } from "./pareto";
import {
  bestAt,
  candidateOf,
  costAt,
  levelAtTurn,
  planDress,
  ranksUnder,
  rulesOf,
  byRank,
  type RankedPlace,
} from "./planDress";
import { ideaOf } from "./ideas";
import { sceneFacts } from "./sceneFacts";
import { SITES, SITE_IDS, siteColourDb } from "./sites";
import { SUPPLY_IDS } from "./supplies";
import { windNoiseGrowthDb } from "./weather";
import { changesOf, whatWouldHelp } from "./whatIf";

const layers: fc.Arbitrary<Layer> = fc
  .record({
    garment: fc.constantFrom(...GARMENT_IDS),
    fabric: fc.constantFrom(...FABRIC_IDS),
    fit: fc.constantFrom(...FITS),
    opening: fc.constantFrom(...OPENINGS),
    pattern: fc.constantFrom(...PATTERNS),
    shade: fc.constantFrom(...SHADES),
  })
  .map(({ garment, ...worn }) =>
    usualLayer(garment, { ...worn, opening: GARMENTS[garment].opens ? worn.opening : "closed" }),
  );

const inputs: fc.Arbitrary<DressInput> = fc
  .record({
    worn: fc.array(layers, { minLength: 1, maxLength: 5 }),
    accessories: fc.uniqueArray(fc.constantFrom(...ACCESSORIES), { maxLength: 4 }),
    heightM: fc.double({ min: 0.8, max: 2.3, noNaN: true }),
    faces: fc.constantFrom(...FACINGS),
    mayBeSeen: fc.boolean(),
    action: fc.constantFrom("sitting", "walking", "running", "stunt"),
    supplies: fc.subarray([...SUPPLY_IDS]),
  })
  .map(({ worn, accessories, heightM, faces, mayBeSeen, action, supplies }) =>
    exampleInput(worn, accessories, {
      person: { heightM },
      performance: { faces, mayBeSeen, action },
      aims: { ...FIRST_AIMS, supplies },
    }),
  );

const FIVE_LAYERS = [
  usualLayer("tee"),
  usualLayer("shirt"),
  usualLayer("waistcoat"),
  usualLayer("blazer", { opening: "partlyOpen" }),
  usualLayer("coat", { opening: "open" }),
];

describe("planDress", () => {
  test("ranks or rules out every site, whatever is worn", () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const plan = planDress(input);
        const named = new Set([...plan.places, ...plan.ruledOut].map(({ site }) => site.id));
        expect([...named].sort()).toEqual([...SITE_IDS].sort());
        for (const { reason } of plan.ruledOut) expect(say(reason)).toMatch(/\.$/);
      }),
      { numRuns: 60 },
    );
  });

  test("every cost is 0…3, points are their weighted sum, and the order is by consent, last resorts, what strikes, front and points, kinds of answer ahead", () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const plan = planDress(input);
        const mayLead = ({ best }: RankedPlace) => !best.isBeyondConsent && !best.isLastResort && !best.isStruck;
        const kinds = new Set(plan.places.filter(mayLead).map(({ site, placement }) => ideaOf(site, placement)));
        const ahead = plan.places.slice(0, Math.min(5, kinds.size));
        expect(new Set(ahead.map(({ site, placement }) => ideaOf(site, placement))).size).toBe(ahead.length);
        for (const place of plan.places.slice(1)) expect(byRank(plan.places[0]!.best, place.best)).toBeLessThan(0);
        let last = -Infinity;
        let before = 0;
        for (const [at, { best, ways }] of plan.places.entries()) {
          if (at === ahead.length) [last, before] = [-Infinity, 0];
          for (const way of ways) {
            for (const cost of way.costs) expect(cost >= 0 && cost <= 3).toBe(true);
            const sum = way.costs.reduce((total, cost, at) => total + cost * input.aims.weights[CRITERIA[at]!], 0);
            expect(way.points).toBeCloseTo(sum + way.schoolSteps * 12, 6);
            expect(Number.isFinite(way.levelDb) && way.swingDb >= 0).toBe(true);
          }
          const group = 4 * Number(best.isBeyondConsent) + 2 * Number(best.isLastResort) + Number(best.isStruck);
          expect(group).toBeGreaterThanOrEqual(before);
          if (group === before && best.isOnFront) {
            expect(best.points).toBeGreaterThanOrEqual(last);
            last = best.points;
          } else last = -Infinity;
          before = group;
        }
      }),
      { numRuns: 40 },
    );
  });

  test("uses nothing that is not in the bag", () => {
    fc.assert(
      fc.property(inputs, (input) => {
        for (const { ways } of planDress(input).places)
          for (const { mount } of ways) for (const supply of mount.needs) expect(input.aims.supplies).toContain(supply);
      }),
      { numRuns: 40 },
    );
  });

  test("adding a layer over a capsule never raises 8 kHz", () => {
    fc.assert(
      fc.property(fc.array(layers, { minLength: 1, maxLength: 4 }), layers, (worn, added) => {
        const input = exampleInput(worn, [], { performance: { mayBeSeen: true } });
        const before = planDress(input);
        const after = planDress({ ...input, outfit: { layers: [...worn, added], accessories: [] } });
        for (const { ways } of before.places)
          for (const way of ways) {
            const same = candidateOf(after, choiceOf(way));
            if (same) expect(same.colourDb[6]).toBeLessThanOrEqual(way.colourDb[6] + 1e-9);
          }
      }),
      { numRuns: 60 },
    );
  });

  test("adding jewellery never lowers rustle", () => {
    const jewellery: Accessory[] = ["necklace", "lanyard", "brooch"];
    fc.assert(
      fc.property(fc.array(layers, { minLength: 1, maxLength: 3 }), fc.constantFrom(...jewellery), (worn, added) => {
        const input = exampleInput(worn, [], { performance: { mayBeSeen: true } });
        const before = planDress(input);
        const after = planDress({ ...input, outfit: { layers: worn, accessories: [added] } });
        for (const { ways } of before.places)
          for (const way of ways) {
            const same = candidateOf(after, choiceOf(way));
            if (same) expect(costAt(same, "rustle")).toBeGreaterThanOrEqual(costAt(way, "rustle") - 1e-9);
          }
      }),
      { numRuns: 60 },
    );
  });

  test("a five-layer outfit gives hundreds of candidates, each with mount and port", () => {
    const plan = planDress(
      exampleInput(FIVE_LAYERS, ["tie", "brooch", "spectacles"], { performance: { mayBeSeen: true } }),
    );
    expect(plan.evaluated).toBeGreaterThanOrEqual(200);
    expect(plan.places.reduce((sum, place) => sum + place.ways.length, 0)).toBe(plan.evaluated);
    for (const { ways } of plan.places) expect(new Set(ways.map(({ port }) => port)).size).toBe(PORTS.length);
  });
});

describe("hearing", () => {
  const facts = sceneFacts(exampleInput([usualLayer("tee")], [], { performance: { faces: "round" } }));
  const at = (dropM: number) => hearSite({ site: SITES.neckline, necklineDropM: dropM, isInHood: false }, facts);

  test("a farther site is never louder with all else equal", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0.001, max: 0.1, noNaN: true }),
        (dropM, furtherM) => {
          const near = at(dropM);
          const far = at(dropM + furtherM);
          expect(far.straightDistanceM).toBeGreaterThan(near.straightDistanceM);
          const bare = [0, 0, 0, 0, 0, 0, 0] as const;
          expect(underCover(far, bare).levelDb).toBeLessThan(underCover(near, bare).levelDb);
        },
      ),
    );
  });

  test("cloth takes from the level and never from the swing's sign", () => {
    for (const loss of Object.values(CLOTH_LOSS_DB)) {
      const covered = underCover(at(0.05), loss);
      expect(covered.levelDb).toBeLessThanOrEqual(underCover(at(0.05), CLOTH_LOSS_DB.none).levelDb);
      expect(covered.swingDb).toBeGreaterThanOrEqual(0);
    }
  });

  test("a closed hood raises the level at the forehead", () => {
    const level = (isInHood: boolean) =>
      underCover(hearSite({ site: SITES.helmetLiner, necklineDropM: 0, isInHood }, facts), CLOTH_LOSS_DB.none).levelDb;
    expect(level(true) - level(false)).toBeGreaterThan(8);
  });

  test("the level at a turn is the level in the ranking when the turn is the scene's own", () => {
    const plan = planDress(exampleInput([usualLayer("tee")], [], { performance: { faces: "right" } }));
    const { best } = plan.places[0]!;
    expect(levelAtTurn(best, plan.facts, 40).levelDb).toBeCloseTo(best.levelDb, 9);
  });
});

describe("rules", () => {
  const stepsOf = (
    input: DressInput,
    site: "breastbone" | "tieFront" | "lapelLeft",
    of: "rustle" | "unseen" | "weather",
  ) => {
    const plan = planDress(input);
    return judge(rulesOf({ ...bestAt(plan, site)!, facts: plan.facts })[of]).rules.reduce(
      (sum, rule) => sum + rule.steps,
      0,
    );
  };
  const tee = (fabric: Layer["fabric"], worn: Partial<Layer> = {}) => [usualLayer("tee", { fabric, ...worn })];

  test("silk rubs more than cotton, running more than sitting, a necklace knocks", () => {
    const cotton = stepsOf(exampleInput(tee("cotton")), "breastbone", "rustle");
    expect(stepsOf(exampleInput(tee("silk")), "breastbone", "rustle")).toBeGreaterThan(cotton);
    const running = exampleInput(tee("cotton"), [], { performance: { action: "running" } });
    expect(stepsOf(running, "breastbone", "rustle")).toBeGreaterThan(cotton);
    expect(stepsOf(exampleInput(tee("cotton"), ["necklace"]), "breastbone", "rustle")).toBeGreaterThan(cotton);
  });

  test("half the capsule is less rustle", () => {
    const silk = exampleInput(tee("silk"));
    const small = { ...silk, capsule: { ...silk.capsule, diameterMm: 2.5 } };
    expect(stepsOf(small, "breastbone", "rustle")).toBeLessThan(stepsOf(silk, "breastbone", "rustle"));
  });

  test("a tight plain shirt shows more than a loose patterned one, a close shot more than a wide one", () => {
    const tight = stepsOf(exampleInput(tee("cotton", { fit: "tight" })), "breastbone", "unseen");
    const loose = stepsOf(exampleInput(tee("cotton", { fit: "loose", pattern: "patterned" })), "breastbone", "unseen");
    expect(tight).toBeGreaterThan(loose);
    const suit = (shot: "close" | "wide") =>
      stepsOf(
        exampleInput([usualLayer("shirt"), usualLayer("blazer")], [], { performance: { shot, mayBeSeen: true } }),
        "lapelLeft",
        "unseen",
      );
    expect(suit("close")).toBeGreaterThan(suit("wide"));
  });

  test("wind grows 60 dB a decade, and fur takes 24 dB of it", () => {
    expect(windNoiseGrowthDb(10) - windNoiseGrowthDb(1)).toBeCloseTo(60, 9);
    const windy = exampleInput(tee("cotton"), [], { place: EXAMPLE_QUAY });
    const bare = {
      ...windy,
      aims: { ...FIRST_AIMS, supplies: FIRST_AIMS.supplies.filter((one) => one !== "fur" && one !== "foam") },
    };
    expect(stepsOf(windy, "breastbone", "weather")).toBeLessThan(stepsOf(bare, "breastbone", "weather"));
  });

  test("sums and explanations of one candidate are the same", () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const plan = planDress(input);
        const best = plan.places[0]?.best;
        if (!best) return;
        const rules = rulesOf({ ...best, facts: plan.facts });
        for (const rule of Object.values(rules)) expect(costOf(sumSteps(rule))).toBeCloseTo(judge(rule).cost, 9);
        const reasons = explain(best, plan);
        expect(reasons.reduce((sum, reason) => sum + reason.points, 0) + best.schoolSteps * 12).toBeCloseTo(
          best.points,
          6,
        );
      }),
      { numRuns: 30 },
    );
  });

  test("judgement: sums into four steps and never beyond them", () => {
    const of = (...steps: number[]) =>
      judge((fire) => steps.forEach((one) => fire(one, () => ({ code: "why.walking" }))));
    expect(of()).toMatchObject({ step: 0, cost: 0 });
    expect(of(-1)).toMatchObject({ step: 0, cost: 0 });
    expect(of(0.6)).toMatchObject({ step: 1 });
    expect(of(1.2, 1.1)).toMatchObject({ step: 2 });
    expect(of(9)).toMatchObject({ step: 3, cost: 3 });
    expect(stepOf(1.5)).toBe(2);
  });
});

describe("anchors", () => {
  test("a buttoned front has an inside, an open one does not", () => {
    const worn = (opening: Layer["opening"]) => ({ layers: [usualLayer("shirt", { opening })], accessories: [] });
    expect(findAnchors(SITES.placket, worn("closed")).placements.map(({ surface }) => surface)).toContain("inside");
    expect(findAnchors(SITES.placket, worn("open"))).toMatchObject({
      placements: [],
      reasons: [{ code: "no.hangsOpen" }],
    });
  });

  test("a tie needs a collar", () => {
    expect(findAnchors(SITES.tieKnot, { layers: [usualLayer("tee")], accessories: ["tie"] }).placements).toEqual([]);
  });

  test("layers over the capsule are those that close over its part of the body", () => {
    const outfit = { layers: [usualLayer("shirt"), usualLayer("jumper"), usualLayer("apron")], accessories: [] };
    const placements = findAnchors(SITES.breastbone, outfit).placements;
    expect(placements.find(({ layer }) => layer === 1)?.covers).toEqual([1, 2]);
    expect(placements.find(({ surface }) => surface === "skin")?.covers).toEqual([0, 1, 2]);
    expect(findAnchors(SITES.bibEdge, outfit).placements.find(({ surface }) => surface === "inside")?.covers).toEqual([
      2,
    ]);
  });

  test("no hole in a watertight suit, nothing on what saves lives, only the hood hears a voice shut in", () => {
    const dry = planDress(exampleInput([usualLayer("tee"), usualLayer("drySuit")]));
    expect(dry.refusals.some(({ reason }) => reason.code === "no.watertight")).toBe(true);
    const harness = planDress(
      exampleInput([usualLayer("tee"), usualLayer("harness")], [], { performance: { mayBeSeen: true } }),
    );
    expect(harness.ruledOut.find(({ site }) => site.id === "strapLeft")?.reason.code).toBe("no.protective");
    const hood = planDress(exampleInput([usualLayer("overall")], ["sealedHood"]));
    expect(hood.places.map(({ site }) => site.id)).toEqual(["helmetLiner"]);
    const helmet = planDress(exampleInput([usualLayer("tee")], ["hardHat"]));
    expect(helmet.ruledOut.find(({ site }) => site.id === "helmetLiner")?.reason.code).toBe("no.safetyHelmet");
  });
});

describe("head directions", () => {
  test("thirteen a scene, from one end of the arc to the other", () => {
    for (const faces of FACINGS) {
      const { fromDeg, toDeg, mainDeg } = headDirections(faces);
      const turns = sceneDirections(faces);
      expect(turns).toHaveLength(DIRECTIONS);
      expect([turns[0], turns.at(-1)]).toEqual([fromDeg, toDeg]);
      expect(mainDeg >= fromDeg && mainDeg <= toDeg).toBe(true);
    }
    expect(directionsBetween(0, 10, 3)).toEqual([0, 5, 10]);
  });
});

describe("the Pareto front", () => {
  const costSets = fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 3, maxLength: 3 }), {
    minLength: 1,
    maxLength: 40,
  });

  test("nothing on it is beaten, everything off it is", () => {
    fc.assert(
      fc.property(costSets, (sets) => {
        const costs = sets.map((set) => set.map((value) => value / 10));
        const front = paretoFront(costs);
        costs.forEach((cost, index) => {
          const beaten = costs.some((other) => dominates(other, cost));
          expect(front[index]).toBe(!beaten);
        });
      }),
    );
  });
});

describe("what people can steer", () => {
  const suit = exampleInput([usualLayer("shirt"), usualLayer("blazer", { opening: "open" })], [], {
    performance: { mayBeSeen: true, faces: "right" },
  });

  test("weights change the order, and each preset names all criteria", () => {
    for (const id of PRESET_IDS) expect(Object.keys(PRESETS[id].weights)).toEqual([...CRITERIA]);
    const first = (weights: typeof FIRST_AIMS.weights) =>
      planDress({ ...suit, aims: { ...FIRST_AIMS, weights } }).places[0]!.best;
    const nothing = Object.fromEntries(CRITERIA.map((one) => [one, 0])) as typeof FIRST_AIMS.weights;
    const steady = first({ ...nothing, steady: 10 });
    const easy = first({ ...nothing, ease: 10 });
    expect(costAt(steady, "steady")).toBeLessThan(costAt(easy, "steady"));
    expect(costAt(easy, "ease")).toBeLessThan(costAt(steady, "ease"));
  });

  test("ranks under other weights are those of a plan with these weights, where the best ways stay the same", () => {
    const plan = planDress(suit);
    const natural = plan.places.map((_, index) => index + 1);
    const under = (weights: typeof FIRST_AIMS.weights) => {
      const ranks = ranksUnder(plan, weights);
      return plan.places.map((place) => ranks.get(place)!);
    };
    expect(under(suit.aims.weights)).toEqual(natural);
    const moved = under(PRESETS.hiddenDrama.weights);
    expect([...moved].sort((a, b) => a - b)).toEqual(natural);
    expect(moved).not.toEqual(natural);
  });

  test("schools move the order and say so", () => {
    const plan = (schools: Partial<typeof FIRST_AIMS.schools>) =>
      planDress({ ...suit, aims: { ...FIRST_AIMS, schools: { ...FIRST_AIMS.schools, ...schools } } });
    const collarAt = (schools: Parameters<typeof plan>[0]) =>
      plan(schools).places.findIndex(({ site }) => site.anchor === "collar");
    expect(collarAt({ collar: "welcome" })).toBeLessThan(collarAt({ collar: "avoid" }));
    const avoided = plan({ collar: "avoid" });
    expect(schoolReasons(bestAt(avoided, "collarLeft")!, avoided)[0]?.says).toEqual({ code: "why.schoolNoCollar" });
    const pads = plan({ mount: "pads", stickTo: "garment" });
    expect(bestAt(pads, "breastbone")!.mount.id).toBe("pad");
    expect(plan({ port: "mouth" }).places[0]!.best.port).toBe("up");
  });

  test("consent: what goes further than agreed is never first while something else is possible", () => {
    const plan = planDress({ ...suit, agreedTo: 0 });
    expect(plan.places[0]!.best.isBeyondConsent).toBe(false);
    expect(plan.places.at(-1)!.best.isBeyondConsent).toBe(true);
  });

  test("a choice is found again, and gone when its mount is not in the bag", () => {
    const plan = planDress(suit);
    const { best } = plan.places[0]!;
    const choice = choiceOf(best);
    expect(candidateOf(plan, choice)).toBe(best);
    expect(isChoice(best, choice) && sameChoice(choice, { ...choice })).toBe(true);
    expect(sameChoice(choice, { ...choice, port: choice.port === "up" ? "down" : "up" })).toBe(false);
    expect(sameChoice(null, choice)).toBe(false);
    const empty = planDress({ ...suit, aims: { ...FIRST_AIMS, supplies: [] } });
    expect(candidateOf(empty, choice)).toBeNull();
    expect(empty.refusals.some(({ reason }) => reason.code === "no.supply")).toBe(true);
  });

  test("why not that: where another is worse, heaviest first", () => {
    const plan = planDress(suit);
    const collar = bestAt(plan, "collarLeft")!;
    const worse = worseThan(collar, plan.places[0]!.best, plan);
    expect(worse.length).toBeGreaterThan(0);
    for (const reason of worse) expect(reason.rules.length).toBeGreaterThan(0);
  });

  test("what would make it possible: close a button, take the necklace off, let it be seen", () => {
    const open = exampleInput([usualLayer("shirt", { opening: "open" })]);
    expect(whatWouldHelp(open, "placket").map(({ says }) => says)).toContainEqual({
      ...{ code: "help.close", garment: "button shirt" },
    });
    const seen = whatWouldHelp(exampleInput([usualLayer("shirt"), usualLayer("blazer")], ["tie"]), "tieFront");
    expect(seen.map(({ says }) => says.code)).toContain("help.show");
    const necklace = whatWouldHelp(exampleInput([usualLayer("tee")], ["necklace"]), "breastbone");
    expect(necklace.map(({ says }) => says.code)).toContain("help.necklaceOff");
    const white = exampleInput([usualLayer("shirt", { shade: "white" })], [], {
      performance: { mayBeSeen: true },
      capsule: { ...open.capsule, colours: ["black"] },
    });
    expect(changesOf(white).map(({ says }) => says)).toContainEqual({ code: "help.capsule", colour: "white" });
  });

  test("missing facts lower the certainty and never block", () => {
    const known = planDress({ ...suit, place: { ...EXAMPLE_QUAY, windMps: 0 } });
    const unknown = planDress({
      ...suit,
      person: { heightM: 1.75, voice: "unknown", tapeAllergy: "unknown", hairyChest: "unknown" },
    });
    expect(unknownsOf(unknown)).toHaveLength(4);
    expect(certaintyOf(unknown)).toBeLessThan(certaintyOf(known));
    expect(certaintyWord(0.95)).toBe("sure");
    expect(certaintyWord(0.3)).toBe("a guess");
    expect(certaintyOf(planDress({ ...suit, aims: { ...FIRST_AIMS, supplies: [] } }))).toBe(0);
  });
});

describe("contradictions", () => {
  const sayings = (worn: Layer[], accessories: Accessory[] = []) =>
    contradictionsOf({ layers: worn, accessories })
      .map(({ says }) => say(says))
      .join(" ");

  test("are named with their reason", () => {
    expect(sayings([usualLayer("tee")], ["tie"])).toContain("needs a shirt with a collar");
    expect(sayings([usualLayer("straplessDress", { hasLapels: true })])).toContain("no lapels");
    expect(sayings([usualLayer("tee", { opening: "open" })])).toContain("does not open");
    expect(sayings([usualLayer("tee", { neckline: "collar" })])).toContain("no collar");
    expect(sayings([usualLayer("shirt")], ["hat", "hardHat"])).toContain("One thing on the head");
    expect(sayings([usualLayer("shirt")], ["tie", "bowTie"])).toContain("not both");
    expect(sayings([usualLayer("waders"), usualLayer("drySuit")])).toContain("Two closed suits");
  });

  test.each(GARMENT_IDS)("%s as it is usually worn is none", (garment) => {
    expect(sayings([usualLayer(garment)])).toBe("");
  });
});

describe("tables", () => {
  test("thirty kinds of garment, twenty fabrics, twenty-four sites, and every cloth loss falls toward the highs", () => {
    expect(GARMENT_IDS.length).toBeGreaterThanOrEqual(30);
    expect(FABRIC_IDS.length).toBeGreaterThanOrEqual(20);
    expect(SITE_IDS.length).toBeGreaterThanOrEqual(24);
    for (const loss of Object.values(CLOTH_LOSS_DB))
      loss.slice(1).forEach((value, band) => expect(value).toBeLessThanOrEqual(loss[band]!));
    for (const id of FABRIC_IDS) expect(FABRICS[id].gramsPerM2).toBeGreaterThan(20);
  });

  test("colours between mid-chest and chin lie between them", () => {
    const middle = siteColourDb(SITES.tieKnot);
    siteColourDb(SITES.breastbone).forEach((low, band) => {
      const bounds = [low, [3, 3, 3, 0, -7, -13, -15][band]!].sort((a, b) => a - b);
      expect(middle[band]!).toBeGreaterThanOrEqual(bounds[0]!);
      expect(middle[band]!).toBeLessThanOrEqual(bounds[1]!);
    });
  });

  test("every mount can be made from supplies and holds on some surface", () => {
    for (const mount of Object.values(MOUNTS)) {
      expect(mount.needs.length).toBeGreaterThan(0);
      expect(mount.surfaces.length).toBeGreaterThan(0);
      expect(mount.isolation >= 0 && mount.isolation < 1).toBe(true);
    }
  });
});

describe("why not the next one", () => {
  test("is one sentence, and names the second place (property)", () => {
    fc.assert(
      fc.property(inputs, (input) => {
        const plan = planDress(input);
        const why = whyNotNext(plan);
        if (plan.places.length < 2) expect(why).toBeNull();
        else {
          expect(say(why!)).toContain(plan.places[1]!.site.name);
          expect(say(why!)).toMatch(/^[A-Z].*\.$/);
        }
      }),
      { numRuns: 60 },
    );
  });
});
