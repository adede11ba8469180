import { say } from "../../messages";
import type { Accessory } from "./accessories";
import { FIRST_AIMS, PRESETS, type PresetId } from "./aims";
import { EXAMPLE_QUAY, exampleInput, type ExampleChange } from "./exampleInput";
import type { DressInput } from "./dressInput";
import { usualLayer, type Layer } from "./outfit";
import { bestAt, costAt, planDress, type DressPlan } from "./planDress";
import { recipeFor } from "./recipe";
import type { SiteId } from "./sites";
import { SUPPLIES, SUPPLY_IDS } from "./supplies";

/** What the trade knows, as scenarios. Common practice throughout: no publication stands behind them. */

const plan = (layers: Layer[], accessories: Accessory[] = [], change: ExampleChange = {}) =>
  planDress(exampleInput(layers, accessories, change));
const SEEN = { mayBeSeen: true } as const;

const first = (of: DressPlan) => of.places[0]!.best;
const rankOf = (of: DressPlan, site: SiteId) => {
  const at = of.places.findIndex((place) => place.site.id === site);
  return at < 0 ? Infinity : at;
};
const recipeText = (of: DressPlan, candidate = first(of)) => recipeFor(candidate, of).steps.map(say).join(" ");
const suppliesOf = (of: DressPlan, candidate = first(of)) =>
  recipeFor(candidate, of).materials.map(({ supply }) => supply);
const preset = (id: PresetId) => ({ aims: { ...FIRST_AIMS, preset: id, weights: PRESETS[id].weights } });

const shirt = usualLayer("shirt");
const tee = usualLayer("tee");
const blazer = usualLayer("blazer");
const thickPatterned = usualLayer("pocketShirt", { pattern: "patterned" });
const strapless = usualLayer("straplessDress", { shade: "white" });

describe("sides (common practice)", () => {
  test("1: partner on the left → left lapel", () => {
    expect(first(plan([shirt, blazer], [], { performance: { ...SEEN, faces: "left" } })).site.id).toBe("lapelLeft");
  });

  test("2: partner on the right → right lapel", () => {
    expect(first(plan([shirt, blazer], [], { performance: { ...SEEN, faces: "right" } })).site.id).toBe("lapelRight");
  });

  test("3: several partners → the centre before the sides", () => {
    const all = plan([shirt, blazer], ["tie"], { performance: { ...SEEN, faces: "round" } });
    expect(first(all).site.side).toBe(0);
    for (const side of ["lapelLeft", "lapelRight", "collarLeft", "collarRight"] as const)
      expect(rankOf(all, "tieBehind")).toBeLessThan(rankOf(all, side));
  });

  test("4: straight to camera → the centre", () => {
    expect(first(plan([shirt], ["tie"], { performance: SEEN })).site.side).toBe(0);
  });

  test("5: the lapel away from the partner swings more", () => {
    const all = plan([shirt, blazer], [], { performance: { ...SEEN, faces: "right" } });
    expect(bestAt(all, "lapelLeft")!.swingDb).toBeGreaterThan(bestAt(all, "lapelRight")!.swingDb);
  });
});

describe("voice and distance (common practice)", () => {
  test("6: a deep voice moves off mid-chest", () => {
    const at = (voice: DressInput["person"]["voice"]) => {
      const all = plan([thickPatterned], [], { person: { voice } });
      return rankOf(all, "highBreastbone") - rankOf(all, "breastbone");
    };
    expect(at("deep")).toBeLessThan(at("middle"));
    expect(costAt(bestAt(plan([tee], [], { person: { voice: "deep" } }), "breastbone")!, "tone")).toBeGreaterThan(1);
  });

  test("7: the chest is steadiest below the head, the collar most uneven", () => {
    const all = plan([shirt, blazer], [], { performance: { ...SEEN, faces: "round" } });
    const swing = (site: SiteId) => bestAt(all, site)!.swingDb;
    expect(swing("breastbone")).toBeLessThan(swing("lapelLeft"));
    expect(swing("lapelLeft")).toBeLessThan(swing("collarLeft"));
  });

  test("8: hairline and forehead are evenest of all", () => {
    const all = plan([shirt], [], { performance: { faces: "round" } });
    expect(bestAt(all, "hairline")!.swingDb).toBeLessThan(0.01);
  });

  test("9: too near the throat is boomy and dull", () => {
    const all = plan([shirt]);
    expect(costAt(bestAt(all, "collarLeft")!, "tone")).toBeGreaterThan(costAt(bestAt(all, "breastbone")!, "tone"));
  });

  test("10: too far brings the noise up", () => {
    const noisy = plan([shirt], [], { place: { ...EXAMPLE_QUAY, windMps: 0 } });
    expect(bestAt(noisy, "collarGap")!.sound.snrDb).toBeGreaterThan(bestAt(noisy, "breastbone")!.sound.snrDb);
  });

  test("11: a capsule deep in its pad hisses", () => {
    const { ways } = plan([thickPatterned]).places.find((place) => place.site.id === "breastbone")!;
    const tone = (mount: string) =>
      costAt(
        ways.find((way) => way.mount.id === mount)!,
        "tone",
      );
    expect(tone("pad")).toBeGreaterThan(tone("triangles"));
  });
});

describe("what it is stuck to (common practice)", () => {
  test("12: a plain thin tee, hidden → the skin and medical tape", () => {
    const all = plan([tee]);
    expect(first(all)).toMatchObject({ placement: { surface: "skin" }, mount: { id: "medical" } });
    expect(suppliesOf(all)).toEqual(expect.arrayContaining(["medicalTape", "stretchTape", "wipe"]));
  });

  test("13: a thick patterned shirt → the garment", () => {
    expect(first(plan([thickPatterned])).placement.surface).toBe("inside");
  });

  test("14: sweating → the garment, not the skin", () => {
    const all = plan([tee], [], { performance: { sweats: true } });
    expect(first(all).placement.surface).not.toBe("skin");
    expect(all.refusals.some(({ reason }) => reason.code === "no.sweatingSkin")).toBe(true);
  });

  test("15: a hairy chest → the garment first", () => {
    expect(first(plan([tee], [], { person: { hairyChest: "yes" } })).placement.surface).not.toBe("skin");
  });

  test("16: allergic to tape → nothing is stuck to the skin", () => {
    for (const { ways } of plan([tee], [], { person: { tapeAllergy: "yes" } }).places)
      for (const way of ways) expect(way.mount.usesAdhesive).not.toBe("skin");
  });

  test("17: heavy movement → pin or wrap hold better than tape alone", () => {
    const { ways } = plan([tee, shirt], [], { performance: { action: "stunt" } }).places.find(
      (place) => place.site.id === "breastbone" && place.placement.layer === 1,
    )!;
    const holding = (mount: string) =>
      costAt(
        ways.find((way) => way.mount.id === mount)!,
        "holding",
      );
    expect(holding("pinned")).toBeLessThan(holding("triangles"));
  });

  test("18: pins never where the cloth lies on the skin", () => {
    const all = plan([tee]);
    for (const { ways } of all.places) for (const way of ways) expect(way.mount.id).not.toBe("pinned");
    expect(all.refusals.some(({ reason }) => reason.code === "no.pinThrough" || reason.code === "no.pinOnSkin")).toBe(
      true,
    );
  });

  test("19: wading → a wrap holds where tape does not", () => {
    const all = plan([usualLayer("tee"), usualLayer("oilskin")], [], { performance: { water: "wading" } });
    const onSkin = all.places.filter((place) => place.placement.surface === "skin").flatMap((place) => place.ways);
    for (const way of onSkin) expect(way.mount.id).toBe("wrap");
  });
});

describe("necklines, ties and dresses (common practice)", () => {
  test("20: a soft tee at the neckline gets its cable over the shoulder", () => {
    const all = plan([tee], [], { performance: SEEN });
    expect(first(all).site.id).toBe("neckline");
    expect(recipeText(all)).toContain("over the shoulder and down the back");
  });

  test("21: a tie, hidden → behind it or under its knot", () => {
    expect(first(plan([shirt, blazer], ["tie"])).site.anchor).toBe("tieBehind");
  });

  test("22: a tie → its inside stuck down, with slack", () => {
    expect(recipeText(plan([shirt, blazer], ["tie"]))).toContain("Stick the inside of the tie down");
  });

  test("23: walking, the tie swings and knocks", () => {
    const at = (action: "sitting" | "walking") =>
      costAt(bestAt(plan([shirt], ["tie"], { performance: { ...SEEN, action } }), "tieFront")!, "rustle");
    expect(at("walking")).toBeGreaterThan(at("sitting"));
  });

  test("24: strapless → centre of the top edge, thigh band, white capsule", () => {
    const all = plan([strapless], [], preset("stage"));
    expect(first(all)).toMatchObject({ site: { id: "topEdge" }, pack: { place: "thigh" } });
    expect(recipeFor(first(all), all).capsule.colour).toBe("white");
    expect(suppliesOf(all)).toContain("band");
  });

  test("25: jacket over a tee → the jacket's edge must not cross it", () => {
    const rules = plan([usualLayer("shirt"), blazer], [], { performance: SEEN });
    const bare = plan([usualLayer("shirt")], [], { performance: SEEN });
    expect(costAt(bestAt(rules, "placket")!, "rustle")).toBeGreaterThanOrEqual(
      costAt(bestAt(bare, "placket")!, "rustle"),
    );
  });

  test("26: bra and underwear only when agreed to", () => {
    const all = plan([usualLayer("bra"), tee]);
    const under = all.places.find((place) => place.site.anchor === "bra")!;
    expect(under.best.isBeyondConsent).toBe(true);
    expect(first(all).site.anchor).not.toBe("bra");
  });
});

describe("weather (common practice)", () => {
  test("27: windy → a fur cave; indoors bare", () => {
    const windy = plan([tee, usualLayer("oilskin", { opening: "partlyOpen" })], [], { place: EXAMPLE_QUAY });
    expect(first(windy).windCover).toBe("fur");
    expect(suppliesOf(windy)).toContain("fur");
    expect(first(plan([tee])).windCover).toBe("none");
  });

  test("28: a light air → a small cap only", () => {
    expect(first(plan([tee], [], { place: { ...EXAMPLE_QUAY, windMps: 3 } })).windCover).toBe("foam");
  });

  test("29: rain → the port looks down and the pack goes into a bag", () => {
    const wet = plan([shirt, usualLayer("coat")], [], { performance: { water: "rain", action: "walking" } });
    expect(first(wet).port).toBe("down");
    expect(suppliesOf(wet)).toContain("bag");
  });

  test("30: near the breath → down", () => {
    const { ways } = plan([shirt], ["bowTie"], { performance: SEEN }).places.find(
      (place) => place.site.id === "bowTie",
    )!;
    expect(ways[0]!.port).toBe("down");
  });
});

describe("headgear and protective wear (common practice)", () => {
  const welder = plan([tee, usualLayer("overall")], ["sealedHood"], {
    performance: { action: "walking", loudest: "shout" },
    voiceOffsetDb: 3,
  });

  test("31: sealed headgear → the forehead, and nowhere else", () => {
    expect(welder.places.map((place) => place.site.id)).toEqual(["helmetLiner"]);
  });

  test("32: … least sensitive capsule, since a shout overloads it", () => {
    expect(first(welder).overloadDb).toBeGreaterThan(0);
    expect(recipeText(welder)).toContain("the least sensitive capsule");
  });

  test("33: … pack on the arm, by an extension from a pigtail at the base", () => {
    expect(first(welder).pack?.place).toBe("upperArm");
    expect(suppliesOf(welder)).toEqual(expect.arrayContaining(["extension", "pouch"]));
    expect(recipeText(welder)).toContain("pigtail");
  });

  test("34: … and the safety officer decides", () => {
    expect(recipeFor(first(welder), welder).cautions.map(say).join(" ")).toContain("safety officer");
  });

  test("35: nothing is fixed to a harness or a safety helmet", () => {
    const all = plan([tee, usualLayer("vest"), usualLayer("harness")], ["hardHat"], { performance: SEEN });
    for (const site of ["strapLeft", "strapRight", "helmetLiner", "hatBrim", "hairline"] as const)
      expect(rankOf(all, site)).toBe(Infinity);
  });

  test("36: a dry suit → no hole for a lead", () => {
    const all = plan([tee, usualLayer("drySuit")]);
    for (const place of all.places)
      expect(place.placement.layer === 1 && place.placement.surface === "inside").toBe(false);
  });
});

describe("what rubs (common practice)", () => {
  const rustleAt = (layers: Layer[], accessories: Accessory[] = [], site: SiteId = "breastbone") =>
    costAt(bestAt(plan(layers, accessories, { performance: SEEN }), site)!, "rustle");

  test("37: silk, polyester and waterproofs are loud, washed cotton and wool quiet", () => {
    const under = (fabric: Layer["fabric"]) => rustleAt([tee, usualLayer("shirt", { fabric })]);
    expect(under("silk")).toBeGreaterThan(under("cotton"));
    expect(under("polyester")).toBeGreaterThan(under("wool"));
    expect(under("nylon")).toBeGreaterThan(under("silk"));
  });

  test("38: necklace, lanyard, seat belt, bag strap, beard and hair each add", () => {
    const bare = rustleAt([tee]);
    for (const accessory of ["necklace", "lanyard", "seatBelt", "bagStrap"] as const)
      expect(rustleAt([tee], [accessory])).toBeGreaterThan(bare);
    const neck = rustleAt([tee], [], "neckline");
    for (const accessory of ["beard", "longHair", "scarf"] as const)
      expect(rustleAt([tee], [accessory], "neckline")).toBeGreaterThan(neck);
  });

  test("39: hands that come to the chest are heard", () => {
    const of = (handsOnChest: boolean) =>
      costAt(bestAt(plan([tee], [], { performance: { handsOnChest } }), "breastbone")!, "rustle");
    expect(of(true)).toBeGreaterThan(of(false));
  });
});

describe("recipes (common practice)", () => {
  const outfits: [Layer[], Accessory[]][] = [
    [[tee], []],
    [[shirt, blazer], ["tie"]],
    [[strapless], ["necklace"]],
    [[tee, usualLayer("overall")], ["sealedHood"]],
    [[shirt, usualLayer("jumper"), usualLayer("apron")], ["beard"]],
    [[usualLayer("jumper"), usualLayer("waders"), usualLayer("oilskin")], ["hat"]],
  ];
  const recipes = outfits.flatMap(([layers, accessories]) => {
    const all = plan(layers, accessories, { performance: SEEN });
    return all.places.flatMap((place) => place.ways.map((way) => ({ way, recipe: recipeFor(way, all) })));
  });

  test("40: no paper, masking, duct or packing tape anywhere", () => {
    const words = [
      ...recipes.flatMap(({ recipe }) => [...recipe.steps, ...recipe.takingOff].map(say)),
      ...SUPPLY_IDS.map((id) => SUPPLIES[id].name),
    ]
      .join(" ")
      .toLowerCase();
    for (const forbidden of ["paper tape", "masking tape", "duct tape", "packing tape"])
      expect(words).not.toContain(forbidden);
  });

  test("41: a triangle sandwich is two strips of 7–8 cm", () => {
    const { recipe } = recipes.find(({ way }) => way.mount.id === "triangles")!;
    expect(recipe.materials.find(({ supply }) => supply === "clothTape")!.as).toContain("2 strips × 7.5 cm");
  });

  test("42: every recipe takes off what strikes, asks, frees the port, loops the lead and says how to take it off", () => {
    for (const { recipe, way } of recipes) {
      // What strikes comes off before anything else.
      expect(recipe.steps.find(({ code }) => !code.startsWith("help."))!.code).toBe("step.ask");
      expect(recipe.steps.map(say).join(" ")).toContain("Tape never covers the port");
      expect(recipe.steps.map(say).join(" ").toLowerCase()).toContain("loop");
      expect(recipe.takingOff.at(-1)!.code).toBe("off.throwAway");
      expect(recipe.minutes).toBeGreaterThan(0);
      if (way.placement.surface === "skin" && way.mount.usesAdhesive !== "none")
        expect(recipe.takingOff.map(say).join(" ")).toContain("along the skin");
      for (const material of recipe.materials) expect(material.isInBag && material.amount > 0).toBe(true);
    }
  });

  test("43: the lead is never straight down the front", () => {
    for (const { recipe } of recipes)
      expect(recipe.steps.map(say).join(" ")).not.toMatch(/(?<!never )straight down the front/);
  });

  test("44: pads or folded tape, by what is in the bag", () => {
    const with_ = (supplies: (typeof SUPPLY_IDS)[number][]) =>
      plan([thickPatterned], [], { aims: { ...FIRST_AIMS, supplies } });
    expect(first(with_(["pad", "stretchTape"])).mount.id).toBe("pad");
    expect(first(with_(["clothTape"])).mount.id).toBe("triangles");
  });
});
