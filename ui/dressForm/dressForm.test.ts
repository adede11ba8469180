import { ACCESSORIES, FITS, GARMENT_IDS, GARMENTS, LOWERS, type Layer, OPENINGS, usualLayer } from "@/core/dress";
import fc from "fast-check";
import { APART, CHEST, RADIUS, spread, WHOLE } from "./callouts";
import { garmentPieces } from "./garmentPieces";
import { penPath } from "./pen";
import { lowerPieces } from "./lowerPieces";
import { wornPieces } from "./wornPieces";
import { bodyOutline, halfWidthAt, smoothPath, type ViewName } from "./outline";

const VIEWS: ViewName[] = ["front", "back", "side"];

const layers: Layer[] = GARMENT_IDS.flatMap((garment) =>
  FITS.flatMap((fit) => OPENINGS.map((opening) => usualLayer(garment, { fit, opening }))),
);

const numbersOf = (path: string) => [...path.matchAll(/-?\d+(\.\d+)?(e-?\d+)?/g)].map((match) => Number(match[0]));

/** What is no path, or leaves the picture; a hundred thousand figures, so that each is not asked for by an expectation. */
const brokenOf = (paths: readonly string[]) =>
  paths.filter(
    (path) =>
      !path.startsWith("M") ||
      /NaN|undefined|Infinity/.test(path) ||
      numbersOf(path).some((figure) => Math.abs(figure) >= 1100),
  );

test.each(VIEWS)("every garment's pieces are whole paths within the %s view", (view) => {
  const paths = layers.flatMap((layer) => garmentPieces(layer, view).map(({ d }) => d));
  expect(paths.length).toBeGreaterThan(layers.length);
  expect(brokenOf(paths)).toEqual([]);
});

test.each(VIEWS)("what is worn beside clothes, and below the waist, is whole paths within the %s view", (view) => {
  const worn = ACCESSORIES.flatMap((each) => wornPieces(each, view));
  const lower = LOWERS.flatMap((each) => lowerPieces(each, view));
  expect(worn.length).toBeGreaterThan(0);
  expect(brokenOf([...worn, ...lower].map(({ d }) => d))).toEqual([]);
});

test("a path that is none is found", () => {
  expect(brokenOf(["M0,0 L1,NaN", "L0,0", "M0,0 L2000,1", "M0,0 L1,1Z"])).toHaveLength(3);
});

test("a belt over the left shoulder is the mirror of one over the right, and from behind it is the other way round", () => {
  const belt = (side: "left" | "right", view: ViewName) => wornPieces("seatBelt", view, { seatBelt: side });
  expect(belt("left", "front")).toEqual(belt("right", "back"));
  expect(belt("left", "front")).not.toEqual(belt("right", "front"));
});

test("every garment shows from the front, and a loose one is wider than a tight one", () => {
  for (const layer of layers)
    expect(garmentPieces(layer, "front").length > 0).toBe(GARMENTS[layer.garment].shape !== "none");
  const widthOf = (fit: Layer["fit"]) => {
    const cloth = garmentPieces(usualLayer("undershirt", { fit }), "front").find(({ kind }) => kind === "cloth");
    return Math.max(...numbersOf(cloth!.d));
  };
  expect(widthOf("loose")).toBeGreaterThan(widthOf("fitted"));
  expect(widthOf("fitted")).toBeGreaterThan(widthOf("tight"));
});

test("an open front is two pieces of cloth, a closed one is one with a seam", () => {
  const cloths = (opening: Layer["opening"]) => garmentPieces(usualLayer("blazer", { opening }), "front");
  const count = (opening: Layer["opening"], kind: string) =>
    cloths(opening).filter((piece) => piece.kind === kind).length;
  expect(count("open", "cloth")).toBe(count("closed", "cloth") + 1);
  expect(count("closed", "button")).toBeGreaterThan(count("open", "button"));
});

test("the front outline mirrors itself", () => {
  const outline = bodyOutline("front");
  const half = outline.length / 2;
  for (let index = 0; index < half; index += 1) {
    const [across, up] = outline[index]!;
    expect(outline[outline.length - 1 - index]).toEqual([-across, up]);
  }
  expect(smoothPath(outline)).toMatch(/^M.*Z$/);
});

test("a smooth path passes through its points and is closed", () => {
  const square = [
    [0, 0],
    [0.1, 0],
    [0.1, 0.1],
    [0, 0.1],
  ] as const;
  const path = smoothPath(square);
  for (const [across, up] of square) expect(path).toContain(`${(across * 1000).toFixed(2)},${(-up * 1000).toFixed(2)}`);
  expect(path.match(/C/g)).toHaveLength(4);
  expect(smoothPath([square[0], square[0], square[1]])).not.toMatch(/NaN|Infinity/);
});

test("what a garment has is drawn: buttons, zips, lapels, hoods, pockets, belts", () => {
  const kindsOf = (garment: Layer["garment"], kind: string, view: ViewName = "front") =>
    garmentPieces(usualLayer(garment), view).filter((piece) => piece.kind === kind).length;
  expect(kindsOf("shirt", "button")).toBeGreaterThan(5);
  expect(kindsOf("tee", "button")).toBe(0);
  // A hood beside a jumper, in front and behind; lapels beside a tailcoat without.
  expect(kindsOf("hoodie", "cloth")).toBe(kindsOf("jumper", "cloth") + 2);
  expect(kindsOf("hoodie", "cloth", "back")).toBe(kindsOf("jumper", "cloth", "back") + 1);
  expect(garmentPieces(usualLayer("blazer", { hasLapels: false }), "front").length).toBeLessThan(
    garmentPieces(usualLayer("blazer"), "front").length,
  );
  expect(kindsOf("harness", "strap")).toBeGreaterThan(4);
  expect(kindsOf("pocketShirt", "line")).toBeGreaterThan(kindsOf("shirt", "line"));
});

test("sleeves go to the wrist, or to the upper arm, or are none", () => {
  const pointsOf = (d: string) =>
    [...d.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map(([, across, down]) => [Number(across), Number(down)] as const);
  /** How far down the sleeve on the right of the picture goes, in thousandths of the height; null: there is none. */
  const footOf = (garment: Layer["garment"]) => {
    const sleeves = garmentPieces(usualLayer(garment), "front")
      .filter(({ d, kind }) => kind === "cloth" && pointsOf(d).every(([across]) => across > 90))
      .map(({ d }) => -Math.max(...pointsOf(d).map(([, down]) => down)));
    return sleeves[0] ?? null;
  };
  expect(footOf("jumper")).toBeCloseTo(496, 0);
  expect(footOf("tee")).toBeCloseTo(705, 0);
  expect(footOf("waistcoat")).toBeNull();
});

test("numbers beside the form never cover each other, whatever is ranked and wherever one looks (property)", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -1100, max: -300, noNaN: true }), { maxLength: 11 }),
      fc.constantFrom(WHOLE, CHEST),
      (heights, frame) => {
        const apart = APART * frame.size;
        const [top, bottom] = [frame.top + RADIUS * frame.size, frame.bottom - RADIUS * frame.size];
        const most = Math.floor((bottom - top) / apart) + 1;
        const placed = spread(heights.toSorted((one, other) => one - other).slice(0, most), apart, top, bottom);
        placed.forEach((each, index) => {
          expect(each).toBeLessThanOrEqual(bottom + 1e-9);
          expect(each).toBeGreaterThanOrEqual(top - 1e-9);
          if (index > 0) expect(each - placed[index - 1]!).toBeGreaterThanOrEqual(apart - 1e-9);
        });
      },
    ),
  );
});

test("an edge turns at its corners and is smooth between them", () => {
  const path = penPath([
    [0, 0, "corner"],
    [0.1, 0],
    [0.1, 0.1, "corner"],
    [0, 0.1],
  ]);
  expect(path).toMatch(/^M0\.00,/);
  expect(path.match(/C/g)).toHaveLength(4);
  expect(
    penPath(
      [
        [0, 0],
        [0.1, 0.1],
      ],
      false,
    ),
  ).toBe("M0.00,0.00L100.00,-100.00");
  expect(
    penPath([
      [0, 0],
      [0.1, 0],
      [0, 0.1],
    ]),
  ).toMatch(/Z$/);
});

test("the torso is narrowest at the waist", () => {
  const waist = halfWidthAt(0.625, 1);
  for (const up of [0.8, 0.765, 0.73, 0.68, 0.53, 0.5]) expect(halfWidthAt(up, 1)).toBeGreaterThan(waist);
  expect(halfWidthAt(0.3, 1)).toBe(halfWidthAt(0.5, 1));
});
