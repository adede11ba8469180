import type { Lower } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, penPath, whole } from "./pen";
import { LOWEST, type Piece } from "./piece";
import { cloth, line, open, pair } from "./shapes";

/** What is worn below the waist. Drawing only. */
export function lowerPieces(lower: Lower | null, view: ViewName): Piece[] {
  const half = view === "side" ? 0.58 : 1;
  const legs = (foot: number, width: number, inner: number): Piece[] => [
    cloth(
      penPath(
        whole([
          [0, 0.612],
          [0.093 * half, 0.615, "corner"],
          [0.106 * half, 0.53],
          [width * half, foot, "corner"],
          ...(view === "side"
            ? ([[0, foot]] as Node[])
            : ([
                [inner, foot, "corner"],
                [0, 0.478, "corner"],
              ] as Node[])),
        ]),
      ),
    ),
    line(open([-0.094 * half, 0.594], [0, 0.59], [0.094 * half, 0.594])),
    ...(view === "front" && width > 0.1
      ? [{ d: open([0.004, 0.59], [0.006, 0.52], [0, 0.49]), kind: "seam" as const }]
      : []),
  ];
  const skirt = (foot: number, width: number): Piece[] => [
    cloth(
      penPath(
        whole([
          [0, 0.612],
          [0.092 * half, 0.615, "corner"],
          [0.106 * half, 0.54],
          [width * half, foot, "corner"],
          [0, foot - 0.004],
        ]),
      ),
    ),
    line(open([-0.094 * half, 0.594], [0, 0.59], [0.094 * half, 0.594])),
  ];
  switch (lower) {
    case "trousers":
      return legs(LOWEST, 0.106, 0.012);
    case "tights":
      return legs(LOWEST, 0.094, 0.014);
    case "shorts":
      return legs(0.43, 0.116, 0.01);
    case "trunks":
      return legs(0.462, 0.11, 0.01);
    case "skirt":
      return skirt(LOWEST, 0.13);
    case "kilt":
      return [
        ...skirt(LOWEST, 0.126),
        ...(view === "side" ? [] : [0.05, 0.075, 0.1]).flatMap((across) =>
          pair(
            [
              [across * 0.86, 0.594],
              [across * 1.15, LOWEST],
            ],
            (d) => ({ d, kind: "seam" }),
          ),
        ),
      ];
    case "bare":
    case null:
      return [];
  }
}
