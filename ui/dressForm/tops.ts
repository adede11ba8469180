import { GARMENTS, type Layer, NECKLINES } from "@/core/dress";
import { bodyScale, HEIGHT_SHARE } from "@/core/body";
import { armEdges, type ViewName, WRIST_UP } from "./outline";
import { armNodes, mirrored, type Node, onSide, penPath, ring, whole } from "./pen";
import { clothWidth, LOWEST, type Piece } from "./piece";

type GarmentId = Layer["garment"];
type NecklineId = Layer["neckline"];

const NOTCH = HEIGHT_SHARE.shoulder;
/** A drop below the notch, m at 1.75 m, as a share of height. */
export const dropShare = (metres: number): number => (metres * bodyScale(1.75)) / 1.75;

const setOf = (...ids: GarmentId[]): ReadonlySet<string> => new Set(ids);
/** Drawn with legs; cut high at the leg; with sleeves that widen; laid over the arms; belted at the waist. */
const LEGGED = setOf("drySuit", "wetsuit", "overall", "ridingSuit", "creatureSuit", "waders", "dungarees");
const BRIEF = setOf("leotard", "swimwear");
const WIDE_SLEEVED = setOf("kimono", "robe", "kaftan", "abaya", "cassock");
const DRAPED = setOf("poncho", "cape", "shawl");
const BELTED = setOf("robe", "kimono", "uniform");
const QUILTED = setOf("lifeJacket", "bodyArmour");
const SHORT_PLACKET = setOf("polo", "kurta");

/** The front edge of a neckline from its middle to where it meets the shoulder. */
function neckline(id: NecklineId, bottom: number): Node[] {
  switch (id) {
    case "high":
      return [
        [0, 0.864],
        [0.02, 0.866],
        [0.036, 0.87, "corner"],
        [0.038, 0.85],
        [0.056, 0.842, "corner"],
      ];
    case "boat":
      return [
        [0, bottom],
        [0.04, bottom + 0.006],
        [0.08, 0.836, "corner"],
      ];
    case "v":
    case "deepV":
      return [
        [0, bottom, "corner"],
        [0.03, (bottom + 0.846) / 2 - 0.004],
        [0.047, 0.848, "corner"],
      ];
    case "scoop":
      return [
        [0, bottom],
        [0.034, bottom + 0.008],
        [0.054, bottom + 0.034],
        [0.058, 0.843, "corner"],
      ];
    default:
      return [
        [0, bottom],
        [0.022, bottom + 0.005],
        [0.039, 0.832],
        [0.044, 0.848, "corner"],
      ];
  }
}

/** How deep the front is open: the neckline's lowest point. */
function neckBottom(layer: Layer): number {
  const own = NOTCH - dropShare(NECKLINES[layer.neckline].dropM);
  if (!GARMENTS[layer.garment].opens) return own;
  return layer.opening === "partlyOpen" ? Math.min(own, NOTCH - dropShare(0.09)) : own;
}

const isSplit = (layer: Layer): boolean => GARMENTS[layer.garment].opens && layer.opening === "open";
/** A skirt hangs from it. */
const isSkirt = ({ garment }: Layer): boolean =>
  GARMENTS[garment].hemShare < 0.45 && !LEGGED.has(garment) && !BRIEF.has(garment);
const hemOf = ({ garment }: Layer): number => Math.max(LOWEST, GARMENTS[garment].hemShare);

/** From the top of the shoulder by the armhole to the armpit. */
function armhole({ garment, fit }: Layer): Node[] {
  const armpit: Node = [clothWidth(0.75, fit, false), 0.75, "corner"];
  return GARMENTS[garment].sleeves === "none"
    ? [[0.102, 0.831, "corner"], [0.093, 0.795], armpit]
    : [[0.121, 0.825, "corner"], [0.107, 0.79], armpit];
}

/** From the armpit along the side to the middle of the hem. */
function sideAndHem(layer: Layer): Node[] {
  const { fit, garment } = layer;
  const hem = hemOf(layer);
  const side = [0.72, 0.68, 0.63, 0.58, 0.53, 0.48, 0.44]
    .filter((up) => up > hem + 0.012)
    .map((up): Node => [clothWidth(up, fit, isSkirt(layer)), up]);
  const foot: Node = [clothWidth(hem, fit, isSkirt(layer)), hem, "corner"];
  if (BRIEF.has(garment))
    return [...side.filter(([, up]) => up > 0.54), [0.104, 0.535, "corner"], [0.05, 0.49], [0.012, 0.474], [0, 0.472]];
  if (LEGGED.has(garment)) return [...side, foot, [0.012, hem, "corner"], [0, 0.475, "corner"]];
  return [...side, foot, [0, hem - 0.006]];
}

/** A cloth laid over shoulders and arms. */
function drapedHalf(layer: Layer, neck: Node[]): Node[] {
  const hem = Math.max(0.47, hemOf(layer));
  return [...neck, [0.112, 0.83], [0.152, 0.79], [0.184, 0.7], [0.205, 0.61, "corner"], [0.13, hem + 0.03], [0, hem]];
}

const frontHalf = (layer: Layer, neck: Node[]): Node[] =>
  DRAPED.has(layer.garment) ? drapedHalf(layer, neck) : [...neck, ...armhole(layer), ...sideAndHem(layer)];

/** One of two fronts that hang open. */
function openFront(layer: Layer): Node[] {
  const half = frontHalf(layer, neckline("collar", 0.83).slice(-1));
  const hem = hemOf(layer);
  const edge = DRAPED.has(layer.garment) ? 0.03 : 0.046;
  return [...half.filter(([across]) => across > 0), [edge, hem, "corner"], [edge * 0.86, 0.68], [0.036, 0.79]];
}

/** Sleeve on one side, with its cuff. */
function sleeve(layer: Layer, side: 1 | -1): Piece[] {
  const { garment, fit } = layer;
  const { sleeves } = GARMENTS[garment];
  if (sleeves === "none" || DRAPED.has(garment)) return [];
  const foot = sleeves === "long" ? WRIST_UP + 0.006 : 0.705;
  const ease = { tight: 0.002, fitted: 0.007, loose: 0.014 }[fit];
  const widens = WIDE_SLEEVED.has(garment) ? 0.1 : sleeves === "short" ? 0.05 : 0;
  const { outer, inner } = armEdges(foot, (up) => ease + Math.max(0, 0.78 - up) * widens);
  const nodes = armNodes(outer, inner);
  const cuffUp = foot + (sleeves === "long" ? 0.018 : 0.008);
  const cuff = armEdges(cuffUp, (up) => ease + Math.max(0, 0.78 - up) * widens);
  const [from, to] = [cuff.outer.at(-1)!, cuff.inner[0]!];
  return [
    { d: penPath(onSide(nodes, side)), kind: "cloth" },
    { d: penPath(onSide([from, to], side), false), kind: sleeves === "long" ? "line" : "seam" },
  ];
}

export const sleevesOf = (layer: Layer): Piece[] => [...sleeve(layer, 1), ...sleeve(layer, -1)];

const both = (nodes: Node[], kind: Piece["kind"], isClosed = true): Piece[] =>
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

const straight = (...nodes: Node[]): string => penPath(nodes, false);

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
function hemSeam(layer: Layer): Piece[] {
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

function belt(layer: Layer): Piece[] {
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
function details(layer: Layer): Piece[] {
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
