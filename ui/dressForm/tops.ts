import { GARMENTS, type Layer, NECKLINES } from "@/core/dress";
import { type ViewName } from "./outline";
import { type Node, penPath, whole } from "./pen";
import { clothWidth, type Piece } from "./piece";
import {
  NOTCH,
  dropShare,
  frontHalf,
  hemOf,
  isSkirt,
  isSplit,
  neckBottom,
  neckline,
  openFront,
  sideAndHem,
  sleevesOf,
} from "./topShape";
import { belt, both, details, hemSeam, straight } from "./topDetails";

/** A cloth that is laid across the front, left over right. */
function wrapEdge(layer: Layer): Piece[] {
  const width = clothWidth(0.62, layer.fit, false);
  return [
    { d: straight([0.046, 0.846], [-0.012, 0.745], [-width, 0.615]), kind: "line" },
    { d: straight([0.056, 0.843], [0, 0.74], [-width + 0.004, 0.598]), kind: "seam" },
    { d: straight([-0.046, 0.846], [-0.012, 0.775]), kind: "line" },
  ];
}

/** A top, coat, suit or dress from the front. */
export function topFront(layer: Layer): Piece[] {
  const isWrap = GARMENTS[layer.garment].shape === "wrap";
  const bottom = neckBottom(layer);
  const body: Piece[] = isSplit(layer)
    ? both(openFront(layer), "cloth")
    : [{ d: penPath(whole(frontHalf(layer, neckline(layer.neckline, bottom)))), kind: "cloth" }];
  return [
    ...sleevesOf(layer),
    ...body,
    ...hemSeam(layer),
    ...(isWrap ? wrapEdge(layer) : []),
    ...details(layer),
    ...belt(layer),
  ];
}

/** The same from the back. */
export function topBack(layer: Layer): Piece[] {
  const { features } = GARMENTS[layer.garment];
  const neck: Node[] = [
    [0, 0.85],
    [0.03, 0.852],
    [0.047, 0.85, "corner"],
  ];
  const pieces: Piece[] = [
    ...sleevesOf(layer),
    { d: penPath(whole(frontHalf(layer, neck))), kind: "cloth" },
    ...hemSeam({ ...layer, opening: "closed" }),
    ...belt({ ...layer, opening: "closed" }),
  ];
  if (features.includes("hood"))
    pieces.push({
      d: penPath(
        whole([
          [0, 0.872],
          [0.04, 0.868],
          [0.07, 0.83],
          [0.05, 0.775],
          [0, 0.745],
        ]),
      ),
      kind: "cloth",
    });
  else if (features.includes("collar"))
    pieces.push({
      d: penPath(
        whole([
          [0, 0.87],
          [0.038, 0.868, "corner"],
          [0.052, 0.842, "corner"],
          [0, 0.836],
        ]),
      ),
      kind: "cloth",
    });
  if (features.includes("placket") && !features.includes("hood"))
    pieces.push({ d: straight([-0.104, 0.797], [0, 0.79], [0.104, 0.797]), kind: "seam" });
  if (layer.hasLapels) pieces.push({ d: straight([0, 0.84], [0, hemOf(layer)]), kind: "seam" });
  return pieces;
}

/** What ends above the chest: strapless dresses, corsets, bras, swimwear. */
export function tube(layer: Layer, view: ViewName): Piece[] {
  const { garment, fit, neckline: cut } = layer;
  const { features, hemShare } = GARMENTS[garment];
  const top = NOTCH - dropShare(NECKLINES[cut].dropM);
  const isBra = features.includes("bra") && hemShare > 0.6;
  const foot: Node[] = isBra
    ? [
        [0.104, 0.705, "corner"],
        [0.04, 0.7],
        [0, 0.708],
      ]
    : sideAndHem(layer);
  const edge: Node[] =
    view === "back"
      ? [
          [0, 0.725],
          [clothWidth(0.735, fit, false), 0.735, "corner"],
        ]
      : [
          [0, top - 0.014, "corner"],
          [0.045, top + 0.012],
          [0.085, top + 0.002],
          [clothWidth(0.74, fit, false), 0.742, "corner"],
        ];
  const pieces: Piece[] = [{ d: penPath(whole([...edge, ...foot])), kind: "cloth" }, ...(isBra ? [] : hemSeam(layer))];
  if (isBra || features.includes("bra"))
    pieces.push(
      ...both(
        [
          [0.062, top + 0.01],
          [0.06, 0.79],
          [0.052, 0.84],
        ],
        "line",
        false,
      ),
    );
  if (view === "front" && (garment === "corset" || garment === "weddingDress"))
    pieces.push(
      ...both(
        [
          [0.03, top],
          [0.024, 0.63],
          [0.034, Math.max(hemOf(layer), 0.57)],
        ],
        "seam",
        false,
      ),
    );
  if (view === "front" && garment === "corset")
    for (let up = top - 0.03; up > 0.58; up -= 0.03)
      pieces.push(
        { d: straight([-0.012, up], [0.012, up - 0.014]), kind: "line" },
        { d: straight([0.012, up], [-0.012, up - 0.014]), kind: "line" },
      );
  if (isSkirt(layer)) pieces.push({ d: straight([-0.088, 0.622], [0, 0.612], [0.088, 0.622]), kind: "seam" });
  return pieces;
}
