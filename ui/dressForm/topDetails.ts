import { GARMENTS, type Layer } from "@/core/dress";
import { mirrored, type Node, onSide, penPath, ring, whole } from "./pen";
import { clothWidth, LOWEST, type Piece } from "./piece";
import {
  BELTED,
  BRIEF,
  DRAPED,
  LEGGED,
  QUILTED,
  SHORT_PLACKET,
  hemOf,
  isSkirt,
  isSplit,
  neckBottom,
  neckline,
} from "./topShape";

export const both = (nodes: Node[], kind: Piece["kind"], isClosed = true): Piece[] =>
  ([1, -1] as const).map((side) => ({ d: penPath(onSide(nodes, side), isClosed), kind }));

/** The leaves of a collar; an open one lies flatter. */
function collar(layer: Layer, neck: number): Piece[] {
  const isShut = layer.opening === "closed";
  const front: Node = isShut ? [0.002, Math.min(neck, 0.82), "corner"] : [0.012, neck + 0.012, "corner"];
  return both(
    [
      front,
      [0.024, 0.843],
      [0.04, 0.868, "corner"],
      [0.05, 0.85],
      [isShut ? 0.05 : 0.066, isShut ? 0.8 : 0.806, "corner"],
    ],
    "cloth",
  );
}

/** Lapels with a notch, down to where the front closes. */
function lapels(layer: Layer, neck: number): Piece[] {
  const breaks = isSplit(layer) ? 0.66 : neck;
  const x = isSplit(layer) ? 0.04 : 0.004;
  return both(
    [
      [x, breaks, "corner"],
      [0.03, (breaks + 0.85) / 2],
      [0.043, 0.858, "corner"],
      [0.064, 0.835, "corner"],
      [0.055, 0.808, "corner"],
      [0.082, 0.805, "corner"],
      [0.062, (breaks + 0.8) / 2],
    ],
    "cloth",
  );
}

/** A hood that lies round the neck in front. */
const hoodInFront = (): Piece[] =>
  both(
    [
      [0.016, 0.818, "corner"],
      [0.034, 0.852],
      [0.034, 0.884, "corner"],
      [0.07, 0.872],
      [0.088, 0.842],
      [0.06, 0.822],
    ],
    "cloth",
  );

export const straight = (...nodes: Node[]): string => penPath(nodes, false);

/** What closes a front, drawn where it is shut. */
function closure(layer: Layer, neck: number): Piece[] {
  const { closure: closes, features } = GARMENTS[layer.garment];
  const hem = hemOf(layer);
  // A polo's placket is short.
  const foot = SHORT_PLACKET.has(layer.garment) ? 0.735 : Math.max(hem, 0.43);
  const from = Math.min(neck, 0.862);
  const ups = (step: number): number[] => {
    const found: number[] = [];
    for (let up = from - 0.016; up > foot + 0.02; up -= step) found.push(up);
    return found;
  };
  switch (closes) {
    case "zip":
      return [
        { d: straight([0, from], [0, foot]), kind: "seam" },
        { d: straight([0.004, from], [0.004, foot]), kind: "line" },
        { d: ring(0, from - 0.012, 0.006), kind: "button" },
      ];
    case "ties":
      return [{ d: straight([0.012, from], [0.012, hem]), kind: "line" }];
    case "hooks":
      return [
        { d: straight([0.01, from], [0.01, foot]), kind: "line" },
        ...ups(0.075).map((up): Piece => ({ d: straight([-0.012, up], [0.024, up]), kind: "line" })),
      ];
    case "buckles":
      return ups(0.07).flatMap((up): Piece[] => [
        { d: straight([-0.09, up], [0.09, up]), kind: "strap" },
        {
          d: penPath([
            [-0.016, up + 0.011, "corner"],
            [0.016, up + 0.011, "corner"],
            [0.016, up - 0.011, "corner"],
            [-0.016, up - 0.011, "corner"],
          ]),
          kind: "button",
        },
      ]);
    case "buttons":
      return [
        ...(features.includes("placket") || GARMENTS[layer.garment].hasLapels
          ? [{ d: straight([0.011, from], [0.011, foot]), kind: "line" as const }]
          : []),
        ...ups(layer.hasLapels ? 0.06 : 0.042).map((up): Piece => ({ d: ring(0, up, 0.0052), kind: "button" })),
      ];
  }
}

function pocket(layer: Layer): Piece[] {
  const box = (from: number, to: number, top: number, foot: number): Node[] => [
    [from, top, "corner"],
    [to, top, "corner"],
    [to, foot + 0.008, "corner"],
    [(from + to) / 2, foot, "corner"],
    [from, foot + 0.008, "corner"],
  ];
  const isPair = ["uniform", "uniformShirt", "pocketShirt", "denimJacket", "overall"].includes(layer.garment);
  const flap = straight([0.04, 0.737], [0.082, 0.737]);
  const pieces: Piece[] = [
    { d: penPath(box(0.04, 0.082, 0.748, 0.692)), kind: "line" },
    { d: flap, kind: "line" },
  ];
  if (isPair) {
    pieces.push({ d: penPath(mirrored(box(0.04, 0.082, 0.748, 0.692))), kind: "line" });
    pieces.push({ d: straight([-0.04, 0.737], [-0.082, 0.737]), kind: "line" });
  }
  return pieces;
}

/** The line of a hem, a little over it. */
export function hemSeam(layer: Layer): Piece[] {
  if (BRIEF.has(layer.garment) || LEGGED.has(layer.garment) || DRAPED.has(layer.garment)) return [];
  const up = hemOf(layer) + 0.012;
  if (up < LOWEST + 0.02) return [];
  const width = clothWidth(up, layer.fit, isSkirt(layer));
  const inner = isSplit(layer) ? 0.048 : 0;
  return inner > 0
    ? both(
        [
          [inner, up],
          [width, up],
        ],
        "seam",
        false,
      )
    : [{ d: straight([-width, up], [0, up - 0.006], [width, up]), kind: "seam" }];
}

export function belt(layer: Layer): Piece[] {
  if (!BELTED.has(layer.garment) || isSplit(layer)) return [];
  const width = clothWidth(0.62, layer.fit, false);
  return [
    {
      d: penPath([
        [-width, 0.636, "corner"],
        [0, 0.631],
        [width, 0.636, "corner"],
        [width, 0.606, "corner"],
        [0, 0.601],
        [-width, 0.606, "corner"],
      ]),
      kind: "cloth",
    },
  ];
}

/** What a front has on it beside its cloth. */
export function details(layer: Layer): Piece[] {
  const { features, opens, shape } = GARMENTS[layer.garment];
  const neck = neckBottom(layer);
  const pieces: Piece[] = [];
  if (opens && !isSplit(layer) && shape !== "wrap") pieces.push(...closure(layer, neck));
  if (features.includes("breastPocket")) pieces.push(...pocket(layer));
  if (layer.hasLapels) pieces.push(...lapels(layer, neck));
  else if (features.includes("collar")) pieces.push(...collar(layer, neck));
  if (features.includes("hood")) pieces.push(...hoodInFront());
  if (features.includes("cord"))
    for (const side of [1, -1])
      pieces.push(
        { d: straight([0.018 * side, 0.82], [0.021 * side, 0.775]), kind: "line" },
        { d: ring(0.021 * side, 0.772, 0.004), kind: "button" },
      );
  if (layer.neckline === "high" && !features.includes("hood"))
    pieces.push({ d: straight([-0.036, 0.846], [0, 0.838], [0.036, 0.846]), kind: "seam" });
  if (layer.neckline === "crew" || layer.neckline === "scoop")
    pieces.push({
      d: penPath(
        whole(neckline(layer.neckline, neck).map(([across, up]): Node => [across * 1.16, up - 0.008])).toSorted(
          ([one], [other]) => one - other,
        ),
        false,
      ),
      kind: "seam",
    });
  if (QUILTED.has(layer.garment))
    for (const up of [0.74, 0.69, 0.64])
      pieces.push({ d: straight([-0.1, up], [0, up - 0.004], [0.1, up]), kind: "seam" });
  return pieces;
}
