import type { Accessory, Hair, Lower, Outfit, Side } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, onSide, penPath, ring, whole } from "./pen";
import { LOWEST, type Piece } from "./piece";

const cloth = (d: string): Piece => ({ d, kind: "cloth" });
const line = (d: string): Piece => ({ d, kind: "line" });
const strap = (d: string): Piece => ({ d, kind: "strap" });
const hard = (d: string): Piece => ({ d, kind: "button" });
const open = (...nodes: Node[]): string => penPath(nodes, false);
const closed = (...nodes: Node[]): string => penPath(nodes);
const pair = (nodes: Node[], made: (d: string) => Piece, isClosed = false): Piece[] =>
  ([1, -1] as const).map((side) => made(penPath(onSide(nodes, side), isClosed)));
const box = (fromAcross: number, toAcross: number, top: number, foot: number): string =>
  closed(
    [fromAcross, top, "corner"],
    [toAcross, top, "corner"],
    [toAcross, foot, "corner"],
    [fromAcross, foot, "corner"],
  );

/** On which side of the picture the wearer's side is. */
const towards = (side: Side, view: ViewName): 1 | -1 => ((side === "left") === (view !== "back") ? 1 : -1);

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

/** Hair on a head seen from the side, down to a height at the nape. */
const sideHair = (nape: number): string =>
  closed(
    [0.052, 0.982, "corner"],
    [0.02, 1.01],
    [-0.03, 0.998],
    [-0.054, 0.945],
    [-0.05, nape + 0.02],
    [-0.036, nape, "corner"],
    [-0.016, nape + 0.02],
    [-0.012, 0.952],
    [0.026, 0.968],
  );

/** The same from the front or the back, with its foot at a height. */
const faceHair = (foot: number, width: number, isBack: boolean): string =>
  closed(
    [-width, foot, "corner"],
    [-width, 0.965],
    [0, 1.012],
    [width, 0.965],
    [width, foot, "corner"],
    ...(isBack
      ? ([[0, foot - 0.012]] as Node[])
      : ([
          [width * 0.76, 0.962],
          [0, 0.982],
          [-width * 0.76, 0.962],
        ] as Node[])),
  );

/** Hair on the head. Drawing only. */
export function hairPieces(hair: Hair, view: ViewName): Piece[] {
  const isBack = view === "back";
  const tail =
    view === "side"
      ? closed([-0.048, 0.955, "corner"], [-0.085, 0.93], [-0.088, 0.87], [-0.074, 0.84, "corner"], [-0.062, 0.89])
      : closed([-0.01, 0.95, "corner"], [-0.022, 0.9], [-0.006, 0.84, "corner"], [0.02, 0.9], [0.012, 0.95, "corner"]);
  switch (hair) {
    case "short":
      return [cloth(view === "side" ? sideHair(0.905) : faceHair(0.935, 0.05, isBack))];
    case "wig":
      return [cloth(view === "side" ? sideHair(0.87) : faceHair(0.895, 0.058, isBack))];
    case "tied":
      return [
        cloth(view === "side" ? sideHair(0.92) : faceHair(0.94, 0.05, isBack)),
        ...(view === "front" ? [] : [cloth(tail)]),
      ];
    case "loose":
      return [cloth(view === "side" ? sideHair(0.84) : faceHair(0.85, 0.058, isBack))];
    case "bald":
    case "unknown":
      return [];
  }
}

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
  const headShape = (nodes: Node[]): Piece => cloth(penPath(at(nodes)));
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
  }
}
