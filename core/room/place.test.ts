import { say } from "../../messages";
import fc from "fast-check";
import { FURNISHING_IDS } from "./furnishings";
import { isHard, MATERIAL_IDS, MATERIALS, type MaterialId } from "./materials";
import { forecastPlace, midOf, partsOf, plannedEcho } from "./place";
import { fitted, PlaceModel, placeFaults } from "./placeModel";
import { CAR, LIVING_ROOM } from "./usualPlaces";
import { fits } from "../schema";
import { isInside, planAreaM2, surfaceAreaM2, SURFACE_IDS, surfacesOf, volumeM3, wallsOf, type Shape } from "./shape";
import { piecesOf, planTreatments, rankTreatments, withTreatment } from "./treat";
import { TREATMENT_IDS, TREATMENTS } from "./treatmentKinds";

const GRANARY: PlaceModel = {
  ...LIVING_ROOM,
  lengthM: 9,
  widthM: 6,
  heightM: 3.6,
  floor: "woodFloor",
  ceiling: "woodFloor",
  walls: "stone",
  patches: [{ surface: "south", material: "windowGlass", areaM2: 6 }],
};

const shapes = fc
  .record({
    lengthM: fc.double({ min: 1.5, max: 60, noNaN: true }),
    widthM: fc.double({ min: 1.5, max: 60, noNaN: true }),
    heightM: fc.double({ min: 1, max: 20, noNaN: true }),
    cut: fc.tuple(fc.double({ min: 0.1, max: 0.9, noNaN: true }), fc.double({ min: 0.1, max: 0.9, noNaN: true })),
    setting: fc.constantFrom("box" as const, "lShape" as const, "vehicle" as const),
  })
  .map(({ cut, ...outer }): Shape => ({
    ...outer,
    cutLengthM: outer.lengthM * cut[0],
    cutWidthM: outer.widthM * cut[1],
  }));

describe("shape", () => {
  test("an L's plan, volume and walls by hand", () => {
    const shape: Shape = { setting: "lShape", lengthM: 6, widthM: 4, heightM: 3, cutLengthM: 2, cutWidthM: 1 };
    expect(planAreaM2(shape)).toBe(22);
    expect(volumeM3(shape)).toBe(66);
    expect(surfaceAreaM2(shape, "east")).toBe(9);
    expect(surfaceAreaM2(shape, "innerNorth")).toBe(6);
    expect(surfaceAreaM2({ ...shape, setting: "box" }, "innerNorth")).toBe(0);
    expect([isInside(shape, [5, 3.5]), isInside(shape, [5, 2]), isInside(shape, [-1, 2])]).toEqual([
      false,
      true,
      false,
    ]);
  });

  test("walls close, and enclose the plan's area (shoelace formula)", () => {
    fc.assert(
      fc.property(shapes, (shape) => {
        const walls = wallsOf(shape);
        walls.forEach(({ to }, index) => expect(walls[(index + 1) % walls.length]!.from).toEqual(to));
        const area = walls.reduce((sum, { from, to }) => sum + (from[0] * to[1] - to[0] * from[1]) / 2, 0);
        expect(area).toBeCloseTo(planAreaM2(shape), 6);
        // An L has as much wall as the box round it.
        const wallM2 = walls.reduce((sum, { surface }) => sum + surfaceAreaM2(shape, surface), 0);
        expect(wallM2).toBeCloseTo(2 * (shape.lengthM + shape.widthM) * shape.heightM, 6);
      }),
    );
  });
});

describe("materials", () => {
  test("at least forty rows, each with figures that can be and a source", () => {
    expect(MATERIAL_IDS.length).toBeGreaterThanOrEqual(40);
    for (const id of MATERIAL_IDS) {
      expect(MATERIALS[id].absorption.every((share) => share > 0 && share <= 1)).toBe(true);
      expect(MATERIALS[id].source.length).toBeGreaterThan(10);
    }
    expect(new Set(MATERIAL_IDS.map((id) => MATERIALS[id].name)).size).toBe(MATERIAL_IDS.length);
  });

  test("timber, tile, glass, metal, plaster, concrete and stone are hard; cloth, books and grass are not (common practice)", () => {
    const hard: MaterialId[] = ["woodFloor", "tile", "plateGlass", "sheetMetal", "plaster", "concrete", "stone"];
    const soft: MaterialId[] = ["carpetOnPad", "heavyCurtain", "blankets", "books", "grass", "clothSeats"];
    expect(hard.filter((id) => !isHard(id))).toEqual([]);
    expect(soft.filter(isHard)).toEqual([]);
  });
});

describe("parts", () => {
  test("all parts together are all sides, whatever is hung", () => {
    fc.assert(
      fc.property(
        shapes,
        fc.array(
          fc.record({
            kind: fc.constantFrom(...TREATMENT_IDS),
            surface: fc.constantFrom("floor" as const, "north" as const, "west" as const, null),
            over: fc.constantFrom("stone" as const, "woodFloor" as const, null),
            count: fc.integer({ min: 1, max: 9 }),
          }),
          { maxLength: 4 },
        ),
        (shape, treatments) => {
          const place: PlaceModel = { ...GRANARY, ...shape, treatments };
          const whole = surfacesOf(place).reduce((sum, surface) => sum + surfaceAreaM2(place, surface), 0);
          expect(partsOf(place).reduce((sum, { areaM2 }) => sum + areaM2, 0)).toBeCloseTo(whole, 6);
        },
      ),
    );
  });

  test("a blanket over the glass takes from the glass alone", () => {
    const hung = withTreatment(GRANARY, { kind: "blanket", surface: "south", over: "windowGlass" });
    const glass = (place: PlaceModel) => partsOf(place).find(({ material }) => material === "windowGlass")!.areaM2;
    expect([glass(GRANARY), glass(hung)]).toEqual([6, 3]);
    expect(withTreatment(hung, { kind: "blanket", surface: "south", over: "windowGlass" }).treatments).toEqual([
      { kind: "blanket", surface: "south", over: "windowGlass", count: 2 },
    ]);
  });
});

describe("echo", () => {
  test("people, furniture and treatments never lengthen it (conservation of energy)", () => {
    fc.assert(
      fc.property(
        shapes,
        fc.constantFrom(...FURNISHING_IDS),
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom(...TREATMENT_IDS),
        (shape, kind, count, treatment) => {
          const bare: PlaceModel = { ...GRANARY, patches: [], ...shape };
          const before = plannedEcho(bare)!;
          const peopled = plannedEcho({ ...bare, furnishings: [{ kind, count }] })!;
          const on = TREATMENTS[treatment].covers?.on;
          const surface = on === "floor" ? "floor" : on === "wall" ? "north" : null;
          const treated = plannedEcho(withTreatment(bare, { kind: treatment, surface, over: null }))!;
          for (const formula of ["sabineS", "eyringS"] as const)
            for (const band of [2, 3, 4, 5]) {
              expect(peopled[formula][band]!).toBeLessThan(before[formula][band]!);
              expect(treated[formula][band]!).toBeLessThanOrEqual(before[formula][band]! + 1e-12);
            }
        },
      ),
      { numRuns: 300 },
    );
  });

  test("Eyring is never above Sabine (−ln(1 − ᾱ) ≥ ᾱ)", () => {
    fc.assert(
      fc.property(shapes, fc.constantFrom(...MATERIAL_IDS), (shape, walls) => {
        const { eyringS, sabineS } = plannedEcho({ ...GRANARY, patches: [], ...shape, walls })!;
        eyringS.forEach((timeS, band) => expect(timeS).toBeLessThanOrEqual(sabineS[band]! + 1e-12));
      }),
    );
  });

  test("a car is dry but its lows ring on; a granary swallows the voice (common practice)", () => {
    expect(forecastPlace(CAR).verdict.echo).toBe("good");
    expect(forecastPlace(CAR).midS).toBeLessThan(0.2);
    expect(forecastPlace(GRANARY).verdict).toMatchObject({ echo: "poor" });
  });
});

describe("treatments", () => {
  test("rugs and blankets on hard sides come first, each better than nothing", () => {
    const gains = rankTreatments(GRANARY);
    expect(gains.length).toBeGreaterThan(6);
    const perCarry = gains.map(({ savedPerCarryS }) => savedPerCarryS);
    expect([...perCarry].sort((one, other) => other - one)).toEqual(perCarry);
    const onStone = gains.find(({ kind, over }) => kind === "blanket" && over === "stone")!;
    const onGlass = gains.find(({ kind, over }) => kind === "blanket" && over === "windowGlass")!;
    expect(onStone.savedS).toBeGreaterThan(onGlass.savedS);
    expect(
      gains.every(({ midS, savedS }) => Math.abs(midOf(plannedEcho(GRANARY)!.chosenS) - midS - savedS) < 1e-9),
    ).toBe(true);
  });

  test("a plan says how many give most of it, and each step helps", () => {
    const { steps, beforeS, afterS, says } = planTreatments(GRANARY);
    expect(says).toMatchObject({ code: "room.treatments", beforeS });
    expect(afterS).toBeLessThan(beforeS * 0.75);
    steps.forEach((step, index) => expect(step.afterS).toBeLessThan(index === 0 ? beforeS : steps[index - 1]!.afterS));
  });

  test("a dry room and the open need nothing; a huge hall is not helped by hand luggage", () => {
    const soft: PlaceModel = { ...LIVING_ROOM, floor: "carpetOnPad", walls: "heavyCurtain" };
    expect(planTreatments(soft).says).toEqual({ code: "room.dryEnough" });
    expect(planTreatments({ ...GRANARY, setting: "open" }).steps).toEqual([]);
    const cathedral: PlaceModel = { ...GRANARY, lengthM: 100, widthM: 60, heightM: 30, patches: [] };
    expect(planTreatments(cathedral).says).toEqual({ code: "room.nothingHelps" });
  });

  test("pieces by name, on what and over what", () => {
    expect(piecesOf({ kind: "blanket", surface: "south", over: "windowGlass" })).toEqual({
      ...{ name: "blanket", plural: "blankets", count: 1, surface: "south wall", over: "window glass" },
    });
    expect(piecesOf({ kind: "listeners", surface: null, over: null }, 3)).toMatchObject({ count: 3, surface: null });
  });
});

describe("impossible rooms", () => {
  test.each<[string, Partial<PlaceModel>, string]>([
    ["an L without a corner", { setting: "lShape" }, "missing corner"],
    [
      "a corner longer than the room",
      { setting: "lShape", cutLengthM: 9, cutWidthM: 1 },
      "shorter than the room's length",
    ],
    ["more glass than wall", { patches: [{ surface: "west", material: "windowGlass", areaM2: 40 }] }, "take 40 m²"],
    [
      "a part of a wall that is not there",
      { patches: [{ surface: "innerEast", material: "brick", areaM2: 1 }] },
      "has no",
    ],
  ])("%s is refused with what to do", (_, change, says) => {
    expect(placeFaults({ ...GRANARY, ...change }).some((fault) => say(fault.says).includes(says))).toBe(true);
  });

  test("whatever is changed, a fitted room is a possible one, and a possible one stays as it is", () => {
    const patch = fc.record({
      surface: fc.constantFrom(...SURFACE_IDS),
      material: fc.constantFrom("brick" as const, "windowGlass" as const),
      areaM2: fc.double({ min: 0.1, max: 400, noNaN: true }),
    });
    fc.assert(
      fc.property(shapes, fc.array(patch, { maxLength: 6 }), fc.constantFrom(0, 0.5, 2), (shape, patches, cut) => {
        const model: PlaceModel = { ...GRANARY, ...shape, patches, cutLengthM: shape.cutLengthM * cut };
        const fit = fitted(model);
        expect(placeFaults(fit)).toEqual([]);
        expect(fit.patches.length).toBeLessThanOrEqual(patches.length);
        fitted(fit).patches.forEach(({ areaM2 }, index) => expect(areaM2).toBeCloseTo(fit.patches[index]!.areaM2, 6));
      }),
    );
    expect(fitted(GRANARY)).toEqual(GRANARY);
  });

  test("in the open nothing of it matters, and the defaults are sound", () => {
    expect(
      placeFaults({ ...GRANARY, setting: "open", patches: [{ surface: "west", material: "brick", areaM2: 999 }] }),
    ).toEqual([]);
    for (const model of [LIVING_ROOM, CAR, GRANARY]) {
      expect(fits(PlaceModel, model)).toBe(true);
      expect(placeFaults(model)).toEqual([]);
    }
  });
});
