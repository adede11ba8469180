import { ACCESSORIES, FITS, GARMENT_IDS, GARMENTS, LOWERS, type Layer, OPENINGS, usualLayer } from "@/core/dress";
import { garmentPieces } from "./garmentPieces";
import { lowerPieces, wornPieces } from "./wornPieces";
import { bodyOutline, halfWidthAt, smoothPath, type ViewName } from "./outline";

const VIEWS: ViewName[] = ["front", "back", "side"];

const layers: Layer[] = GARMENT_IDS.flatMap((garment) =>
  FITS.flatMap((fit) => OPENINGS.map((opening) => usualLayer(garment, { fit, opening }))),
);

const numbersOf = (path: string) => [...path.matchAll(/-?\d+(\.\d+)?(e-?\d+)?/g)].map((match) => Number(match[0]));

test.each(VIEWS)("every garment's pieces are whole paths within the %s view", (view) => {
  for (const layer of layers)
    for (const { d } of garmentPieces(layer, view)) {
      expect(d.startsWith("M")).toBe(true);
      expect(d).not.toMatch(/NaN|undefined|Infinity/);
      for (const number of numbersOf(d)) expect(Math.abs(number)).toBeLessThan(1100);
    }
});

test.each(VIEWS)("what is worn beside clothes, and below the waist, is whole paths within the %s view", (view) => {
  const paths = [
    ...ACCESSORIES.flatMap((worn) => wornPieces(worn, view)),
    ...LOWERS.flatMap((lower) => lowerPieces(lower, view)),
  ];
  for (const path of paths) {
    expect(path.startsWith("M")).toBe(true);
    expect(path).not.toMatch(/NaN|undefined|Infinity/);
    for (const number of numbersOf(path)) expect(Math.abs(number)).toBeLessThan(1100);
  }
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
    const [cloth] = garmentPieces(usualLayer("jumper", { fit }), "front");
    return Math.max(...numbersOf(cloth!.d));
  };
  expect(widthOf("loose")).toBeGreaterThan(widthOf("fitted"));
  expect(widthOf("fitted")).toBeGreaterThan(widthOf("tight"));
});

test("an open front is two pieces of cloth, a closed one is one with a seam", () => {
  const cloths = (opening: Layer["opening"]) => garmentPieces(usualLayer("blazer", { opening }), "front");
  const bodies = (pieces: ReturnType<typeof cloths>) => pieces.filter((piece) => piece.kind === "cloth").length;
  expect(bodies(cloths("open"))).toBe(bodies(cloths("closed")) + 1);
  expect(cloths("closed").filter((piece) => piece.kind === "seam").length).toBeGreaterThan(
    cloths("open").filter((piece) => piece.kind === "seam").length,
  );
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

test("the torso is narrowest at the waist", () => {
  const waist = halfWidthAt(0.625, 1);
  for (const up of [0.8, 0.765, 0.73, 0.68, 0.53, 0.5]) expect(halfWidthAt(up, 1)).toBeGreaterThan(waist);
  expect(halfWidthAt(0.3, 1)).toBe(halfWidthAt(0.5, 1));
});
