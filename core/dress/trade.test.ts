import type { FabricId } from "./fabrics";
import type { GarmentId } from "./garments";
import { headDirections, directionsBetween } from "./headDirections";
import { judge } from "./judgement";
import type { Accessory, Action, DressInput, Layer, Performance } from "./outfit";
import { candidateAt, planDress } from "./planDress";
import type { SiteId } from "./sites";

/** The trade's own preferences as a ranking. Common practice: no publication stands behind them. */

const layer = (garment: GarmentId, fabric: FabricId, worn: Partial<Layer> = {}): Layer => ({
  garment,
  fabric,
  fit: "fitted",
  opening: "closed",
  pattern: "plain",
  ...worn,
});

function input(layers: Layer[], accessories: Accessory[], own: Partial<Performance> = {}, windMps = 0): DressInput {
  return {
    heightM: 1.75,
    windMps,
    outfit: { layers, accessories },
    performance: {
      faces: "camera",
      action: "sitting",
      shot: "medium",
      mayBeSeen: true,
      softest: "soft",
      loudest: "raised",
      ...own,
    },
  };
}

function rankOf(each: DressInput, site: SiteId): number {
  return planDress(each, 1.6).candidates.findIndex((candidate) => candidate.site.id === site);
}

const SUIT = [layer("shirt", "cotton"), layer("blazer", "wool", { opening: "open" })];

test("interview to the right: the right lapel before the left one, and first of the clip places", () => {
  const each = input(SUIT, [], { faces: "right" });
  expect(rankOf(each, "lapelRight")).toBeLessThan(rankOf(each, "lapelLeft"));
  expect(rankOf(each, "lapelRight")).toBeLessThan(rankOf(each, "collarRight"));
});

test("interview to the left: the left lapel", () => {
  const each = input(SUIT, [], { faces: "left" });
  expect(rankOf(each, "lapelLeft")).toBeLessThan(rankOf(each, "lapelRight"));
});

test("several partners: the centre before the sides", () => {
  const each = input(SUIT, ["tie"], { faces: "round" });
  for (const side of ["lapelLeft", "lapelRight", "collarLeft", "collarRight"] as const)
    expect(rankOf(each, "tieBehind")).toBeLessThan(rankOf(each, side));
});

test("hidden under a suit: behind the tie or under its knot before the collar", () => {
  const each = input(SUIT, ["tie"], { mayBeSeen: false, shot: "close", faces: "round" });
  expect(Math.min(rankOf(each, "tieBehind"), rankOf(each, "tieKnot"))).toBe(0);
  expect(rankOf(each, "collarLeft")).toBeGreaterThan(rankOf(each, "tieKnot"));
  expect(rankOf(each, "lapelLeft")).toBe(-1);
});

test("a bib over a thick jumper: behind the bib's edge before under the jumper", () => {
  const each = input([layer("shirt", "cotton"), layer("jumper", "knit"), layer("apron", "denim")], [], {
    mayBeSeen: false,
  });
  expect(rankOf(each, "bibEdge")).toBe(0);
  expect(rankOf(each, "bibEdge")).toBeLessThan(rankOf(each, "breastboneSkin"));
});

test("quiet cotton is kept, a rustling top sends it elsewhere", () => {
  const points = (fabric: FabricId) =>
    candidateAt(planDress(input([layer("shirt", fabric)], []), 1.6), "placketInside")!.points;
  expect(points("polyester")).toBeGreaterThan(points("cotton"));
  expect(points("starched")).toBeGreaterThan(points("linen"));
});

test("hair and beard drive it down from the neck", () => {
  const gap = (accessories: Accessory[]) => {
    const plan = planDress(input([layer("shirt", "cotton")], accessories), 1.6);
    return candidateAt(plan, "collarLeft")!.points - candidateAt(plan, "placketInside")!.points;
  };
  expect(gap(["longHair"])).toBeGreaterThan(gap([]));
  expect(gap(["beard"])).toBeGreaterThan(gap([]));
  expect(gap(["scarf"])).toBeGreaterThan(gap([]));
});

test("harness straps are the last resort", () => {
  const each = input([layer("tee", "cotton"), layer("harness", "polyester")], [], { action: "walking" });
  const { candidates } = planDress(each, 1.6);
  expect(candidates.slice(-2).map((candidate) => candidate.site.host)).toEqual(["strap", "strap"]);
});

test("in wind what is covered gains on what is bare", () => {
  const gap = (windMps: number) => {
    const plan = planDress(input([layer("shirt", "cotton")], [], {}, windMps), 1.6);
    return candidateAt(plan, "placketEdge")!.points - candidateAt(plan, "placketInside")!.points;
  };
  expect(gap(10)).toBeGreaterThan(gap(0));
});

test.each<[Action, Action]>([
  ["sitting", "walking"],
  ["walking", "running"],
])("from %s to %s nothing on the body gets quieter", (calm, wild) => {
  const at = (action: Action) => planDress(input(SUIT, ["tie"], { action }), 1.6);
  for (const candidate of at(calm).candidates) {
    const later = candidateAt(at(wild), candidate.site.id);
    if (later) expect(later.rustle.step).toBeGreaterThanOrEqual(candidate.rustle.step);
  }
});

test("head directions: ahead for the camera, to the side for a partner, symmetrical all round", () => {
  expect(headDirections("camera").mainDeg).toBe(0);
  expect(headDirections("left").mainDeg).toBe(-headDirections("right").mainDeg);
  expect(headDirections("round").fromDeg).toBe(-headDirections("round").toDeg);
  expect(directionsBetween(-10, 10)).toEqual([-10, -5, 0, 5, 10]);
});

test("four steps, whatever adds up", () => {
  expect(judge([]).step).toBe(0);
  expect(judge([{ steps: -3, says: "a" }]).step).toBe(0);
  expect(
    judge([
      { steps: 1.4, says: "a" },
      { steps: 0.2, says: "b" },
    ]).step,
  ).toBe(2);
  expect(judge([{ steps: 9, says: "a" }]).step).toBe(3);
});
