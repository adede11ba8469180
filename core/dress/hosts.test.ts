import { CLOTH_LOSS_DB, FABRICS, type FabricId } from "./fabrics";
import type { GarmentId } from "./garments";
import { coverLosses, findHost, layerCovers } from "./hosts";
import type { Accessory, Layer, Opening, Outfit } from "./outfit";
import { SITES, type SiteId } from "./sites";

const layer = (garment: GarmentId, fabric: FabricId = "cotton", opening: Opening = "closed"): Layer => ({
  garment,
  fabric,
  opening,
  fit: "fitted",
  pattern: "plain",
});
const outfit = (layers: Layer[], ...accessories: Accessory[]): Outfit => ({ layers, accessories });

const SHIRT = layer("shirt");
const BLAZER = layer("blazer", "wool");
const JUMPER = layer("jumper", "knit");

interface Row {
  site: SiteId;
  worn: Outfit;
  surface: string;
  on: number | null;
  under: number[];
}

/** Where the trade puts it, outfit by outfit. Common practice. */
const POSSIBLE: [string, Row][] = [
  ["a tee's inside", { site: "breastboneInside", worn: outfit([layer("tee")]), surface: "inside", on: 0, under: [0] }],
  [
    "a tee under an open jacket",
    { site: "breastboneInside", worn: outfit([layer("tee"), BLAZER]), surface: "inside", on: 0, under: [0] },
  ],
  [
    "skin under shirt and jumper",
    { site: "breastboneSkin", worn: outfit([SHIRT, JUMPER]), surface: "skin", on: null, under: [0, 1] },
  ],
  [
    "the tie's front over a shirt",
    { site: "tieFront", worn: outfit([SHIRT], "tie"), surface: "outside", on: 0, under: [] },
  ],
  [
    "behind the tie under a jumper",
    { site: "tieBehind", worn: outfit([SHIRT, JUMPER], "tie"), surface: "outside", on: 0, under: [1] },
  ],
  [
    "under the knot with a jacket",
    { site: "tieKnot", worn: outfit([SHIRT, BLAZER], "tie"), surface: "outside", on: 0, under: [] },
  ],
  ["a shirt's front edge", { site: "placketEdge", worn: outfit([SHIRT]), surface: "outside", on: 0, under: [] }],
  [
    "a coat's front edge, not the shirt's",
    { site: "placketEdge", worn: outfit([SHIRT, layer("coat", "wool")]), surface: "outside", on: 1, under: [] },
  ],
  ["inside a shirt's front", { site: "placketInside", worn: outfit([SHIRT]), surface: "inside", on: 0, under: [0] }],
  ["a jumper's neckline", { site: "neckline", worn: outfit([SHIRT, JUMPER]), surface: "outside", on: 1, under: [] }],
  [
    "a tee's neckline under a closed coat",
    { site: "neckline", worn: outfit([layer("tee"), layer("coat", "wool")]), surface: "outside", on: 0, under: [1] },
  ],
  ["a lapel", { site: "lapelLeft", worn: outfit([SHIRT, BLAZER]), surface: "outside", on: 1, under: [] }],
  [
    "a lapel under a coat",
    { site: "lapelRight", worn: outfit([SHIRT, BLAZER, layer("coat", "wool")]), surface: "outside", on: 1, under: [2] },
  ],
  [
    "a collar under a closed coat",
    { site: "collarLeft", worn: outfit([SHIRT, layer("coat", "wool")]), surface: "outside", on: 0, under: [1] },
  ],
  [
    "the bib's edge",
    { site: "bibEdge", worn: outfit([layer("tee"), layer("apron", "denim")]), surface: "inside", on: 1, under: [1] },
  ],
  [
    "a harness strap",
    {
      site: "strapLeft",
      worn: outfit([layer("tee"), layer("harness", "polyester")]),
      surface: "outside",
      on: 1,
      under: [],
    },
  ],
  [
    "the top of a strapless dress",
    { site: "dressTop", worn: outfit([layer("straplessDress", "silk")]), surface: "inside", on: 0, under: [0] },
  ],
  ["the hairline", { site: "hairline", worn: outfit([layer("tee")]), surface: "head", on: null, under: [] }],
  ["a hat's brim", { site: "hatBrim", worn: outfit([layer("tee")], "hat"), surface: "head", on: null, under: [] }],
  [
    "spectacles",
    { site: "spectacles", worn: outfit([layer("tee")], "spectacles"), surface: "head", on: null, under: [] },
  ],
];

test.each(POSSIBLE)("%s is there", (_, { site, worn, surface, on, under }) => {
  expect(findHost(SITES[site], worn)).toMatchObject({
    possible: true,
    placement: { surface, layer: on, covers: under },
  });
});

const IMPOSSIBLE: [string, SiteId, Outfit, RegExp][] = [
  ["no top over the breastbone", "breastboneSkin", outfit([layer("blazer", "wool", "open")]), /Nothing covers/],
  ["only a sealed coat", "breastboneInside", outfit([layer("coat", "waterproof")]), /sealed or sleeveless/],
  ["an open shirt", "breastboneInside", outfit([layer("shirt", "cotton", "open")]), /close it/],
  ["a tie without a collar", "tieBehind", outfit([layer("tee")], "tie"), /no collar/],
  ["no tie", "tieFront", outfit([SHIRT]), /no tie/],
  ["no front", "placketEdge", outfit([layer("tee")]), /button or zip/],
  ["no lapels", "lapelLeft", outfit([SHIRT]), /lapels/],
  ["no collar", "collarRight", outfit([layer("tee")]), /collar/],
  ["no apron", "bibEdge", outfit([SHIRT]), /apron/],
  ["no harness", "strapRight", outfit([SHIRT]), /strap/],
  ["no dress", "dressTop", outfit([SHIRT]), /dress/],
  ["a hat on the hairline", "hairline", outfit([SHIRT], "hat"), /brim/],
  ["no hat", "hatBrim", outfit([SHIRT]), /No hat/],
  ["no spectacles", "spectacles", outfit([SHIRT]), /spectacles/],
];

test.each(IMPOSSIBLE)("%s is a reason", (_, site, worn, says) => {
  const host = findHost(SITES[site], worn);
  expect(host.possible).toBe(false);
  expect(host).toMatchObject({ reason: expect.stringMatching(says) as string });
});

describe("what lies over the capsule", () => {
  const lossAt = (site: SiteId, worn: Outfit, band: number) => {
    const host = findHost(SITES[site], worn);
    if (!host.possible) throw new Error(host.reason);
    return coverLosses(worn, host.placement, SITES[site]).reduce((sum, loss) => sum + loss[band]!, 0);
  };

  test("each cover takes its own share of the highs", () => {
    expect(lossAt("breastboneInside", outfit([layer("tee")]), 5)).toBe(-1);
    expect(lossAt("breastboneSkin", outfit([layer("tee"), JUMPER]), 5)).toBe(-1 + CLOTH_LOSS_DB.heavy[5]);
    expect(lossAt("placketEdge", outfit([SHIRT]), 6)).toBe(0);
  });

  test("a scarf covers the neck, not the chest; a tie covers what is behind it", () => {
    const scarfed = outfit([SHIRT], "scarf");
    expect(lossAt("collarLeft", scarfed, 6)).toBe(CLOTH_LOSS_DB.knit[6]);
    expect(lossAt("placketEdge", scarfed, 6)).toBe(0);
    expect(lossAt("tieBehind", outfit([SHIRT], "tie"), 6)).toBe(CLOTH_LOSS_DB.sheer[6]);
    expect(lossAt("tieFront", outfit([SHIRT], "tie"), 6)).toBe(0);
  });

  test("a waterproof takes most", () => {
    const ids = Object.keys(FABRICS) as FabricId[];
    const loss = (id: FabricId) => CLOTH_LOSS_DB[FABRICS[id].loss][6];
    expect(Math.min(...ids.map(loss))).toBe(loss("waterproof"));
  });

  test("opening a front takes it off the chest", () => {
    expect(layerCovers(layer("coat", "wool"), "midChest")).toBe(true);
    expect(layerCovers(layer("coat", "wool", "open"), "midChest")).toBe(false);
    expect(layerCovers(layer("tee", "cotton", "open"), "midChest")).toBe(true);
  });
});
