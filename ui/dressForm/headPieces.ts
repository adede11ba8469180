import type { Accessory, Outfit } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, onSide, penPath, ring } from "./pen";
import { type Piece } from "./piece";
import { box, closed, cloth, hard, line, open, pair, strap, towards } from "./shapes";

/** What is worn on the head, its hair and face among it. */
export type HeadWear = Extract<
  Accessory,
  | "spectacles"
  | "hat"
  | "hardHat"
  | "beanie"
  | "sealedHood"
  | "openHelmet"
  | "earDefenders"
  | "headscarf"
  | "turban"
  | "crown"
  | "veil"
  | "faceMask"
  | "respirator"
  | "hearingAid"
  | "earpiece"
  | "earrings"
  | "longHair"
  | "beard"
>;

/** What is worn on the head. Drawing only. */
export function headPieces(accessory: HeadWear, view: ViewName, sides: Outfit["sides"] = {}): Piece[] {
  const centre = view === "side" ? 0.01 : 0;
  const isFront = view === "front";
  const at = (nodes: Node[]): Node[] =>
    nodes.map(([across, up, turn]): Node => (turn ? [across + centre, up, turn] : [across + centre, up]));
  const headShape = (nodes: Node[]): Piece => cloth(penPath(at(nodes)));
  switch (accessory) {
    case "spectacles":
      return isFront
        ? [
            ...pair(
              [
                [0.005, 0.95],
                [0.02, 0.957],
                [0.036, 0.95],
                [0.03, 0.934],
                [0.01, 0.934],
              ],
              line,
              true,
            ),
            line(open([-0.005, 0.95], [0.005, 0.95])),
          ]
        : view === "side"
          ? [line(open([0.056, 0.948], [0.012, 0.952], [0.004, 0.938]))]
          : [];
    case "hat":
      return [
        headShape([
          [-0.05, 0.966, "corner"],
          [-0.044, 1.006],
          [0, 1.02],
          [0.044, 1.006],
          [0.05, 0.966, "corner"],
        ]),
        headShape([
          [-0.098, 0.964],
          [0, 0.976],
          [0.098, 0.964],
          [0, 0.954],
        ]),
      ];
    case "hardHat":
      return [
        headShape([
          [-0.06, 0.962, "corner"],
          [-0.05, 1.006],
          [0, 1.026],
          [0.05, 1.006],
          [0.06, 0.962, "corner"],
        ]),
        line(
          penPath(
            at([
              [-0.066, 0.962],
              [0, 0.957],
              [view === "side" ? 0.085 : 0.066, 0.962],
            ]),
            false,
          ),
        ),
        line(
          penPath(
            at([
              [0, 1.025],
              [0, 0.965],
            ]),
            false,
          ),
        ),
      ];
    case "beanie":
      return [
        headShape([
          [-0.052, 0.95, "corner"],
          [-0.046, 1.0],
          [0, 1.024],
          [0.046, 1.0],
          [0.052, 0.95, "corner"],
        ]),
        {
          d: penPath(
            at([
              [-0.051, 0.968],
              [0, 0.974],
              [0.051, 0.968],
            ]),
            false,
          ),
          kind: "seam",
        },
      ];
    case "sealedHood":
    case "openHelmet":
      return [
        headShape([
          [-0.068, 0.858, "corner"],
          [-0.076, 0.95],
          [-0.05, 1.015],
          [0, 1.028],
          [0.05, 1.015],
          [0.076, 0.95],
          [0.068, 0.858, "corner"],
        ]),
        ...(view === "back"
          ? []
          : [
              hard(
                accessory === "sealedHood"
                  ? box(centre - 0.036, centre + 0.036, 0.962, 0.926)
                  : penPath(
                      at([
                        [-0.044, 0.975],
                        [0.044, 0.975],
                        [0.042, 0.9],
                        [0, 0.882],
                        [-0.042, 0.9],
                      ]),
                    ),
              ),
            ]),
      ];
    case "earDefenders":
      return [
        line(
          penPath(
            at([
              [-0.05, 0.95],
              [-0.04, 1.01],
              [0, 1.026],
              [0.04, 1.01],
              [0.05, 0.95],
            ]),
            false,
          ),
        ),
        ...(view === "side"
          ? [hard(ring(0.004, 0.94, 0.024))]
          : pair(
              [
                [0.044, 0.965],
                [0.062, 0.958],
                [0.062, 0.918],
                [0.044, 0.912],
              ],
              hard,
              true,
            )),
      ];
    case "headscarf":
      return [
        headShape([
          [-0.06, 0.83, "corner"],
          [-0.066, 0.93],
          [-0.05, 1.0],
          [0, 1.018],
          [0.05, 1.0],
          [0.066, 0.93],
          [0.06, 0.83, "corner"],
          [0, 0.8],
        ]),
      ];
    case "turban":
      return [
        headShape([
          [-0.056, 0.955, "corner"],
          [-0.062, 1.005],
          [0, 1.034],
          [0.062, 1.005],
          [0.056, 0.955, "corner"],
          [0, 0.982],
        ]),
        ...(
          [
            [-0.05, 0.985],
            [-0.02, 1.005],
          ] as const
        ).map(([across, up]) =>
          line(
            penPath(
              at([
                [across, up - 0.02],
                [0.01, up + 0.012],
                [0.05, up],
              ]),
              false,
            ),
          ),
        ),
      ];
    case "crown":
      return [
        headShape([
          [-0.05, 0.965, "corner"],
          [-0.054, 1.01, "corner"],
          [-0.027, 0.988, "corner"],
          [0, 1.018, "corner"],
          [0.027, 0.988, "corner"],
          [0.054, 1.01, "corner"],
          [0.05, 0.965, "corner"],
        ]),
      ];
    case "veil":
      return view === "front"
        ? pair(
            [
              [0.03, 1.008, "corner"],
              [0.07, 0.95],
              [0.1, 0.82],
              [0.112, 0.7, "corner"],
              [0.088, 0.71],
              [0.07, 0.84],
              [0.05, 0.94],
            ],
            cloth,
            true,
          )
        : [
            cloth(
              penPath(
                at([
                  [-0.05, 0.99, "corner"],
                  [0, 1.014],
                  [0.05, 0.99, "corner"],
                  [0.11, 0.66, "corner"],
                  [-0.11, 0.66, "corner"],
                ]),
              ),
            ),
          ];
    case "faceMask":
      return view === "back"
        ? []
        : [
            cloth(
              penPath(
                at([
                  [-0.036, 0.925],
                  [0, 0.932],
                  [0.036, 0.925],
                  [0.03, 0.886],
                  [0, 0.876],
                  [-0.03, 0.886],
                ]),
              ),
            ),
            line(
              penPath(
                at([
                  [-0.034, 0.908],
                  [0.034, 0.908],
                ]),
                false,
              ),
            ),
          ];
    case "respirator":
      return view === "back"
        ? [strap(open([-0.04, 0.93], [0.04, 0.93]))]
        : [
            hard(
              penPath(
                at([
                  [-0.028, 0.92],
                  [0, 0.936],
                  [0.028, 0.92],
                  [0.022, 0.884],
                  [0, 0.874],
                  [-0.022, 0.884],
                ]),
              ),
            ),
            ...(isFront
              ? pair(
                  [
                    [0.026, 0.905],
                    [0.05, 0.9],
                    [0.044, 0.87],
                    [0.022, 0.878],
                  ],
                  hard,
                  true,
                )
              : []),
          ];
    case "hearingAid":
    case "earpiece": {
      const side = towards(sides[accessory as keyof typeof sides] ?? "left", view);
      return view === "side"
        ? [hard(ring(0.002, 0.944, 0.008))]
        : [
            hard(ring(0.047 * side, 0.946, 0.008)),
            ...(accessory === "earpiece"
              ? [line(open([0.047 * side, 0.938], [0.05 * side, 0.88], [0.04 * side, 0.842]))]
              : []),
          ];
    }
    case "earrings":
      return isFront ? [hard(ring(0.048, 0.912, 0.006)), hard(ring(-0.048, 0.912, 0.006))] : [];
    case "longHair":
      return isFront
        ? (sides.longHair ? [towards(sides.longHair, view)] : ([1, -1] as const)).map((side) =>
            cloth(
              penPath(
                onSide(
                  [
                    [0.04, 0.975, "corner"],
                    [0.058, 0.93],
                    [0.066, 0.84],
                    [0.06, 0.75, "corner"],
                    [0.034, 0.8],
                    [0.04, 0.9],
                  ],
                  side,
                ),
              ),
            ),
          )
        : view === "back"
          ? [
              cloth(
                closed(
                  [-0.05, 0.975, "corner"],
                  [0, 1.01],
                  [0.05, 0.975, "corner"],
                  [0.056, 0.79, "corner"],
                  [0, 0.77],
                  [-0.056, 0.79, "corner"],
                ),
              ),
            ]
          : [];
    case "beard":
      return view === "back"
        ? []
        : [
            cloth(
              penPath(
                at([
                  [-0.038, 0.915, "corner"],
                  [-0.012, 0.902],
                  [0.012, 0.902],
                  [0.038, 0.915, "corner"],
                  [0.03, 0.872],
                  [0, 0.846],
                  [-0.03, 0.872],
                ]),
              ),
            ),
          ];
  }
}
