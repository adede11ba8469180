import type { Accessory, Outfit, Side } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, onSide, penPath, ring } from "./pen";
import { type Piece } from "./piece";
import { box, closed, cloth, hard, line, open, pair, strap, towards } from "./shapes";

import { headPieces } from "./headPieces";
/** A strap from one shoulder to the other hip. */
function acrossChest(side: Side, view: ViewName): Piece[] {
  if (view === "side") return [];
  return [
    strap(
      penPath(
        onSide(
          [
            [0.066, 0.838],
            [0.01, 0.74],
            [-0.1, 0.59],
          ],
          towards(side, view),
        ),
        false,
      ),
    ),
  ];
}

const OVER_SHOULDERS = (): Piece[] =>
  pair(
    [
      [0.07, 0.838],
      [0.082, 0.77],
      [0.09, 0.68],
    ],
    strap,
  );
const ACROSS = (up: number): Piece => strap(open([-0.084, up], [0.084, up]));

/** What is worn beside clothes. Drawing only. */
export function wornPieces(accessory: Accessory, view: ViewName, sides: Outfit["sides"] = {}): Piece[] {
  const centre = view === "side" ? 0.01 : 0;
  const isFront = view === "front";
  const at = (nodes: Node[]): Node[] =>
    nodes.map(([across, up, turn]): Node => (turn ? [across + centre, up, turn] : [across + centre, up]));
  switch (accessory) {
    case "tie":
      return isFront
        ? [
            cloth(
              closed(
                [-0.013, 0.84, "corner"],
                [0.013, 0.84, "corner"],
                [0.007, 0.818, "corner"],
                [-0.007, 0.818, "corner"],
              ),
            ),
            cloth(
              closed(
                [-0.007, 0.818, "corner"],
                [0.007, 0.818, "corner"],
                [0.018, 0.675, "corner"],
                [0, 0.652, "corner"],
                [-0.018, 0.675, "corner"],
              ),
            ),
          ]
        : [];
    case "bowTie":
      return isFront
        ? [
            ...pair(
              [
                [0.004, 0.833, "corner"],
                [0.036, 0.846, "corner"],
                [0.036, 0.818, "corner"],
              ],
              cloth,
              true,
            ),
            hard(ring(0, 0.833, 0.006)),
          ]
        : [];
    case "cravat":
      return isFront
        ? [
            cloth(
              closed(
                [-0.038, 0.852, "corner"],
                [0, 0.838],
                [0.038, 0.852, "corner"],
                [0.03, 0.8],
                [0, 0.782],
                [-0.03, 0.8],
              ),
            ),
          ]
        : [];
    case "scarf":
      return [
        cloth(
          penPath(
            at([
              [-0.05, 0.862],
              [0, 0.846],
              [0.05, 0.862],
              [0.062, 0.836],
              [0.03, 0.808],
              [-0.03, 0.808],
              [-0.062, 0.836],
            ]),
          ),
        ),
        ...(isFront
          ? [
              cloth(
                closed(
                  [0.006, 0.818, "corner"],
                  [0.036, 0.818, "corner"],
                  [0.044, 0.7, "corner"],
                  [0.008, 0.7, "corner"],
                ),
              ),
            ]
          : []),
      ];
    case "necklace":
      return !isFront ? [] : [line(open([-0.042, 0.846], [0, 0.772], [0.042, 0.846])), hard(ring(0, 0.77, 0.006))];
    case "lanyard":
      return isFront
        ? [
            line(open([-0.042, 0.844], [0, 0.69])),
            line(open([0.042, 0.844], [0, 0.69])),
            hard(box(-0.022, 0.022, 0.69, 0.64)),
          ]
        : [];
    case "brooch":
      return isFront ? [hard(ring(0.06 * towards(sides.brooch ?? "left", view), 0.79, 0.011))] : [];
    case "seatBelt":
      return [
        ...acrossChest(sides.seatBelt ?? "left", view),
        ...(view === "side" ? [] : [strap(open([-0.1, 0.572], [0.1, 0.572]))]),
      ];
    case "bagStrap": {
      const side = towards(sides.bagStrap ?? "left", view);
      return view === "side"
        ? []
        : [
            ...acrossChest(sides.bagStrap ?? "left", view),
            hard(
              penPath(
                onSide(
                  [
                    [-0.085, 0.592, "corner"],
                    [-0.15, 0.585, "corner"],
                    [-0.15, 0.51, "corner"],
                    [-0.082, 0.515, "corner"],
                  ],
                  side,
                ),
              ),
            ),
          ];
    }
    case "toolBelt":
      return [
        strap(view === "side" ? open([-0.056, 0.604], [0.05, 0.604]) : open([-0.1, 0.605], [0, 0.6], [0.1, 0.605])),
        ...(view === "side"
          ? []
          : pair(
              [
                [0.05, 0.6, "corner"],
                [0.098, 0.602, "corner"],
                [0.096, 0.545],
                [0.056, 0.54],
              ],
              hard,
              true,
            )),
      ];
    case "rucksack":
    case "rucksackChest": {
      const pack = cloth(closed([-0.085, 0.83], [0.085, 0.83], [0.098, 0.7], [0.09, 0.6], [-0.09, 0.6], [-0.098, 0.7]));
      if (view === "side")
        return [
          cloth(closed([-0.05, 0.82, "corner"], [-0.12, 0.81], [-0.13, 0.68], [-0.12, 0.6], [-0.05, 0.605, "corner"])),
        ];
      return view === "back"
        ? [pack, line(open([-0.08, 0.72], [0, 0.714], [0.08, 0.72]))]
        : [...OVER_SHOULDERS(), ...(accessory === "rucksackChest" ? [ACROSS(0.735)] : [])];
    }
    case "chairHarness":
      return isFront ? [...OVER_SHOULDERS(), ACROSS(0.735), ACROSS(0.6)] : [];
    case "babyCarrier":
      return isFront
        ? [
            ...OVER_SHOULDERS(),
            cloth(closed([-0.072, 0.77], [0, 0.8], [0.072, 0.77], [0.074, 0.64], [0, 0.59], [-0.074, 0.64])),
            cloth(ring(0, 0.808, 0.036)),
          ]
        : view === "back"
          ? [strap(open([0.07, 0.838], [-0.09, 0.64])), strap(open([-0.07, 0.838], [0.09, 0.64]))]
          : [];
    case "stethoscope":
      return isFront
        ? [
            line(open([-0.044, 0.848], [-0.062, 0.78], [-0.03, 0.73])),
            line(open([0.044, 0.848], [0.06, 0.76], [0.03, 0.695])),
            hard(ring(0.03, 0.688, 0.01)),
            hard(ring(-0.03, 0.726, 0.005)),
          ]
        : [];
    case "braces":
      return view === "side"
        ? []
        : view === "front"
          ? pair(
              [
                [0.06, 0.838],
                [0.056, 0.612],
              ],
              strap,
            )
          : [strap(open([0.056, 0.838], [0, 0.72], [0, 0.612])), strap(open([-0.056, 0.838], [0, 0.72]))];
    case "medals": {
      const side = towards(sides.medals ?? "left", view);
      return isFront
        ? [
            hard(
              penPath(
                onSide(
                  [
                    [0.036, 0.772, "corner"],
                    [0.088, 0.772, "corner"],
                    [0.088, 0.758, "corner"],
                    [0.036, 0.758, "corner"],
                  ],
                  side,
                ),
              ),
            ),
            ...[0.044, 0.062, 0.08].map((across) => hard(ring(across * side, 0.742, 0.008))),
          ]
        : [];
    }
    case "bodyRadio": {
      const side = towards(sides.bodyRadio ?? "left", view);
      return isFront
        ? [
            hard(
              penPath(
                onSide(
                  [
                    [0.064, 0.806, "corner"],
                    [0.092, 0.806, "corner"],
                    [0.092, 0.756, "corner"],
                    [0.064, 0.756, "corner"],
                  ],
                  side,
                ),
              ),
            ),
            line(
              penPath(
                onSide(
                  [
                    [0.086, 0.806],
                    [0.088, 0.85],
                  ],
                  side,
                ),
                false,
              ),
            ),
          ]
        : [];
    }
    case "sipStraw":
      return isFront ? [line(open([0.1, 0.86], [0.04, 0.9], [0.014, 0.9]))] : [];
    default:
      return headPieces(accessory, view, sides);
  }
}
