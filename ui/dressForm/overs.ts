import { HEIGHT_SHARE } from "@/core/body";
import type { Layer } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, onSide, penPath, ring, whole } from "./pen";
import { clothWidth, LOWEST, type Piece } from "./piece";
import { dropShare } from "./topShape";

const straight = (...nodes: Node[]): string => penPath(nodes, false);
const pair = (nodes: Node[], kind: Piece["kind"], isClosed = false): Piece[] =>
  ([1, -1] as const).map((side) => ({ d: penPath(onSide(nodes, side), isClosed), kind }));

const BIB_TOP = HEIGHT_SHARE.shoulder - dropShare(0.1);

/** An apron: a bib on a neck strap, tied at the waist. */
function apron(view: ViewName): Piece[] {
  if (view === "back")
    return [
      { d: straight([-0.046, 0.842], [0, 0.85], [0.046, 0.842]), kind: "strap" },
      { d: straight([-0.098, 0.62], [0, 0.612], [0.098, 0.62]), kind: "strap" },
      { d: straight([-0.006, 0.612], [-0.024, 0.545]), kind: "strap" },
      { d: straight([0.006, 0.612], [0.02, 0.552]), kind: "strap" },
    ];
  return [
    ...pair(
      [
        [0.056, BIB_TOP],
        [0.052, 0.81],
        [0.044, 0.846],
      ],
      "strap",
    ),
    {
      d: penPath(
        whole([
          [0, BIB_TOP - 0.004],
          [0.062, BIB_TOP, "corner"],
          [0.066, 0.68],
          [0.104, 0.615, "corner"],
          [0.116, 0.5],
          [0.122, LOWEST, "corner"],
          [0, LOWEST],
        ]),
      ),
      kind: "cloth",
    },
    { d: straight([-0.06, BIB_TOP - 0.014], [0, BIB_TOP - 0.018], [0.06, BIB_TOP - 0.014]), kind: "seam" },
    { d: straight([-0.104, 0.615], [0, 0.607], [0.104, 0.615]), kind: "line" },
    {
      d: penPath([
        [-0.06, 0.56, "corner"],
        [0.06, 0.56, "corner"],
        [0.06, 0.475],
        [0, 0.462],
        [-0.06, 0.475],
      ]),
      kind: "line",
    },
    { d: straight([0, 0.56], [0, 0.463]), kind: "seam" },
  ];
}

/** Dungarees and waders: a bib with legs, held by straps with buckles. */
function bibbed(layer: Layer, view: ViewName): Piece[] {
  const { fit } = layer;
  const width = (up: number) => clothWidth(up, fit, false);
  const legs: Node[] = [
    [width(0.61) + 0.004, 0.61],
    [width(0.53) + 0.004, 0.53],
    [width(LOWEST) + 0.004, LOWEST, "corner"],
    [0.012, LOWEST, "corner"],
    [0, 0.475, "corner"],
  ];
  if (view === "back")
    return [
      { d: straight([-0.034, 0.72], [0.052, 0.838]), kind: "strap" },
      { d: straight([0.034, 0.72], [-0.052, 0.838]), kind: "strap" },
      { d: penPath(whole([[0, 0.725], [0.036, 0.722, "corner"], [0.09, 0.64, "corner"], ...legs])), kind: "cloth" },
    ];
  return [
    ...pair(
      [
        [0.052, BIB_TOP - 0.012],
        [0.06, 0.8],
        [0.054, 0.838],
      ],
      "strap",
    ),
    {
      d: penPath(
        whole([[0, BIB_TOP - 0.003], [0.06, BIB_TOP, "corner"], [0.064, 0.7], [0.098, 0.66, "corner"], ...legs]),
      ),
      kind: "cloth",
    },
    {
      d: penPath([
        [-0.036, 0.735, "corner"],
        [0.036, 0.735, "corner"],
        [0.034, 0.675, "corner"],
        [-0.034, 0.675, "corner"],
      ]),
      kind: "line",
    },
    { d: straight([-0.098, 0.618], [0, 0.612], [0.098, 0.618]), kind: "seam" },
    ...([0.052, -0.052] as const).map((across): Piece => ({ d: ring(across, BIB_TOP - 0.014, 0.009), kind: "button" })),
  ];
}

const buckle = (across: number, up: number): Piece => ({
  d: penPath([
    [across - 0.014, up + 0.011, "corner"],
    [across + 0.014, up + 0.011, "corner"],
    [across + 0.014, up - 0.011, "corner"],
    [across - 0.014, up - 0.011, "corner"],
  ]),
  kind: "button",
});

/** A safety harness: webbing over the shoulders, across the chest and round the legs, with its buckle and ring. */
function harness(view: ViewName): Piece[] {
  const legs = pair(
    [
      [0.098, 0.545],
      [0.06, 0.5],
      [0.016, 0.482],
    ],
    "strap",
  );
  const waist: Piece = { d: straight([-0.1, 0.585], [0, 0.578], [0.1, 0.585]), kind: "strap" };
  if (view === "back")
    return [
      { d: straight([0.056, 0.838], [0, 0.745], [-0.06, 0.6]), kind: "strap" },
      { d: straight([-0.056, 0.838], [0, 0.745], [0.06, 0.6]), kind: "strap" },
      waist,
      ...legs,
      { d: ring(0, 0.745, 0.017), kind: "button" },
    ];
  return [
    ...pair(
      [
        [0.056, 0.838],
        [0.062, 0.73],
        [0.056, 0.58],
      ],
      "strap",
    ),
    { d: straight([-0.062, 0.73], [0.062, 0.73]), kind: "strap" },
    waist,
    ...legs,
    buckle(0, 0.73),
    buckle(0, 0.578),
  ];
}

/** What is worn over clothes and hangs from straps. */
export function overPieces(layer: Layer, view: ViewName): Piece[] {
  if (view === "side") return [];
  if (layer.garment === "harness") return harness(view);
  return layer.garment === "apron" ? apron(view) : bibbed(layer, view);
}
