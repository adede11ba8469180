import { type Fit, GARMENTS, type Layer, NECKLINES } from "@/core/dress";
import { bodyScale, HEIGHT_SHARE } from "@/core/body";
import { bodyOutline, halfWidthAt, seamPath, smoothPath, type ViewName, type ViewPoint } from "./outline";

export interface Piece {
  d: string;
  /** Filled cloth, or a line on it. */
  kind: "cloth" | "seam" | "strap";
}

const EASE: Record<Fit, number> = { tight: 1.02, fitted: 1.07, loose: 1.15 };
const NOTCH = HEIGHT_SHARE.shoulder;
const LOWEST = 0.49;
/** A drop below the notch, m at 1.75 m, as a share of height. */
const drop = (metres: number) => (metres * bodyScale(1.75)) / 1.75;

function sidePoints(fromUp: number, toUp: number, ease: number): ViewPoint[] {
  const ups = [0.8, 0.765, 0.73, 0.68, 0.625, 0.58, 0.53, LOWEST].filter((up) => up < fromUp && up > toUp);
  return [...ups.map((up) => [halfWidthAt(up, ease), up] as const), [halfWidthAt(toUp, ease), toUp] as const];
}

function bothSides(half: readonly ViewPoint[]): ViewPoint[] {
  return [...half, ...half.map(([across, up]) => [-across, up] as const).reverse()];
}

/** How deep the front is open, as a height: the neckline's lowest point. */
function neckBottom(layer: Layer): number {
  const garment = GARMENTS[layer.garment];
  const own = NOTCH - drop(NECKLINES[layer.neckline].dropM);
  if (!garment.opens) return own;
  return layer.opening === "open" ? LOWEST : layer.opening === "partlyOpen" ? Math.min(own, NOTCH - drop(0.09)) : own;
}

function sleeve(layer: Layer, ease: number, side: 1 | -1): Piece[] {
  const { sleeves } = GARMENTS[layer.garment];
  if (sleeves === "none") return [];
  const length = sleeves === "long" ? 0.17 : 0.09;
  const points: ViewPoint[] = [
    [0.118 * ease, 0.822],
    [0.16 * ease, 0.8 - length * 0.75],
    [0.135 * ease, 0.79 - length],
    [0.105 * ease, 0.745],
  ];
  return [{ d: seamPath(points.map(([across, up]) => [across * side, up] as const)), kind: "cloth" }];
}

function topFront(layer: Layer): Piece[] {
  const garment = GARMENTS[layer.garment];
  const ease = EASE[layer.fit];
  const hem = Math.max(LOWEST, garment.hemShare);
  const neck = neckBottom(layer);
  const neckWidth = NECKLINES[layer.neckline].dropM > 0.05 ? 0.055 : 0.046;
  const half: ViewPoint[] = [
    [0, neck],
    [neckWidth * 0.7, (neck + 0.842) / 2],
    [neckWidth, 0.842],
    [0.108 * ease, 0.828],
    ...sidePoints(0.81, hem, ease),
    [0, hem],
  ];
  const opened: ViewPoint[] = half.map(([across, up]) =>
    layer.opening === "open" && garment.opens ? [Math.max(0.03, across), up] : [across, up],
  );
  const isSplit = layer.opening === "open" && garment.opens;
  const pieces: Piece[] = isSplit
    ? [
        { d: seamPath(opened), kind: "cloth" },
        { d: seamPath(opened.map(([across, up]) => [-across, up] as const)), kind: "cloth" },
      ]
    : [{ d: seamPath(bothSides(half)), kind: "cloth" }];
  if (garment.opens && !isSplit)
    pieces.push({
      d: seamPath(
        [
          [0, neck],
          [0, hem],
        ],
        false,
      ),
      kind: "seam",
    });
  if (garment.features.includes("collar"))
    for (const side of [1, -1])
      pieces.push({
        d: seamPath([
          [0.006 * side, Math.min(neck, 0.815)],
          [0.05 * side, 0.852],
          [0.056 * side, 0.82],
        ]),
        kind: "cloth",
      });
  if (layer.hasLapels)
    for (const side of [1, -1])
      pieces.push({
        d: seamPath([
          [0.004 * side, neck],
          [0.05 * side, 0.838],
          [0.082 * side, 0.79],
          [0.062 * side, 0.785],
        ]),
        kind: "seam",
      });
  return [...pieces, ...sleeve(layer, ease, 1), ...sleeve(layer, ease, -1)];
}

function apron(view: ViewName): Piece[] {
  const top = NOTCH - drop(0.1);
  if (view === "back")
    return [
      {
        d: seamPath(
          [
            [-0.1, 0.62],
            [0.1, 0.62],
          ],
          false,
        ),
        kind: "strap",
      },
      {
        d: seamPath(
          [
            [-0.05, 0.845],
            [0.05, 0.845],
          ],
          false,
        ),
        kind: "strap",
      },
    ];
  return [
    {
      d: seamPath(
        bothSides([
          [0, top],
          [0.062, top],
          [0.066, 0.64],
          [0.1, 0.62],
          [0.108, LOWEST],
          [0, LOWEST],
        ]),
      ),
      kind: "cloth",
    },
    {
      d: seamPath(
        [
          [0.058, top],
          [0.05, 0.845],
        ],
        false,
      ),
      kind: "strap",
    },
    {
      d: seamPath(
        [
          [-0.058, top],
          [-0.05, 0.845],
        ],
        false,
      ),
      kind: "strap",
    },
  ];
}

function harness(view: ViewName): Piece[] {
  const straps: ViewPoint[][] = [
    [
      [0.055, 0.84],
      [0.06, 0.7],
      [0.05, 0.5],
    ],
    [
      [-0.055, 0.84],
      [-0.06, 0.7],
      [-0.05, 0.5],
    ],
    view === "back"
      ? [
          [0.055, 0.8],
          [-0.055, 0.68],
        ]
      : [
          [0.059, 0.72],
          [-0.059, 0.72],
        ],
  ];
  if (view === "back")
    straps.push([
      [-0.055, 0.8],
      [0.055, 0.68],
    ]);
  return straps.map((points) => ({ d: seamPath(points, false), kind: "strap" }));
}

function strapless(layer: Layer): Piece[] {
  const ease = EASE[layer.fit];
  const top = NOTCH - drop(NECKLINES[layer.neckline].dropM);
  const half: ViewPoint[] = [
    [0, top - 0.008],
    [0.05, top + 0.012],
    [0.1 * ease, 0.745],
    ...sidePoints(0.74, LOWEST, ease),
    [0, LOWEST],
  ];
  return [{ d: seamPath(bothSides(half)), kind: "cloth" }];
}

function backOf(layer: Layer): Piece[] {
  const ease = EASE[layer.fit];
  const garment = GARMENTS[layer.garment];
  const hem = Math.max(LOWEST, garment.hemShare);
  const half: ViewPoint[] = [
    [0, 0.846],
    [0.046, 0.848],
    [0.108 * ease, 0.828],
    ...sidePoints(0.81, hem, ease),
    [0, hem],
  ];
  return [{ d: seamPath(bothSides(half)), kind: "cloth" }, ...sleeve(layer, ease, 1), ...sleeve(layer, ease, -1)];
}

function sideOf(layer: Layer): Piece[] {
  const ease = EASE[layer.fit];
  const garment = GARMENTS[layer.garment];
  const top = garment.shape === "tube" ? 0.755 : 0.85;
  const hem = Math.max(LOWEST + 0.01, garment.hemShare);
  const points = bodyOutline("side")
    .filter(([, up]) => up <= top)
    .map(([across, up]) => [across * ease, Math.max(up, hem)] as const);
  return [{ d: smoothPath(points), kind: "cloth" }];
}

/** The edge of a cloth that is laid across the front. */
const WRAP_EDGE: Piece = {
  d: seamPath(
    [
      [0.05, 0.838],
      [-0.02, 0.74],
      [-0.085, 0.62],
    ],
    false,
  ),
  kind: "seam",
};

/** The flat pieces of a garment as it is worn, seen from one side. Drawing only. */
export function garmentPieces(layer: Layer, view: ViewName): Piece[] {
  const { shape } = GARMENTS[layer.garment];
  if (shape === "none") return [];
  if (shape === "harness") return view === "side" ? [] : harness(view);
  if (shape === "bib") return view === "side" ? [] : apron(view);
  if (view === "side") return sideOf(layer);
  if (shape === "tube") return strapless(layer);
  if (view === "back") return backOf(layer);
  return shape === "wrap" ? [...topFront(layer), WRAP_EDGE] : topFront(layer);
}
