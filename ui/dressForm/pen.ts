import { ARM_ROOT, controlPoint, inPicture, smoothPath, type ViewPoint } from "./outline";

/** A point of a drawn edge, and whether the edge turns sharply there; between corners it is a smooth curve. */
export type Node = readonly [across: number, up: number, turn?: "corner"];

const reflected = (about: Node, other: Node): ViewPoint => [2 * about[0] - other[0], 2 * about[1] - other[1]];
const point = ([across, up]: Node): ViewPoint => [across, up];

/** A smooth curve through a run of nodes, from the first, where the pen is already. */
function curveOn(run: readonly Node[]): string {
  if (run.length === 2) return `L${inPicture(point(run[1]!))}`;
  let path = "";
  for (let index = 0; index + 1 < run.length; index += 1) {
    const [here, next] = [run[index]!, run[index + 1]!];
    const before = index > 0 ? point(run[index - 1]!) : reflected(here, next);
    const after = index + 2 < run.length ? point(run[index + 2]!) : reflected(next, here);
    const leave = controlPoint(before, point(here), point(next));
    const arrive = controlPoint(after, point(next), point(here));
    path += `C${inPicture(leave)} ${inPicture(arrive)} ${inPicture(point(next))}`;
  }
  return path;
}

/** The path of an edge through nodes, in thousandths of the height; an open one begins and ends at its ends. */
export function penPath(nodes: readonly Node[], isClosed = true): string {
  const first = isClosed ? nodes.findIndex(([, , turn]) => turn) : 0;
  if (first < 0) return smoothPath(nodes.map(point));
  const round = isClosed ? [...nodes.slice(first), ...nodes.slice(0, first + 1)] : nodes;
  let path = `M${inPicture(point(round[0]!))}`;
  let run: Node[] = [round[0]!];
  round.slice(1).forEach((node, index) => {
    run.push(node);
    if (!node[2] && index < round.length - 2) return;
    path += curveOn(run);
    run = [node];
  });
  return `${path}${isClosed ? "Z" : ""}`;
}

/** The same on the other side. */
export const mirrored = (nodes: readonly Node[]): Node[] =>
  nodes.map(([across, up, turn]): Node => (turn ? [-across, up, turn] : [-across, up]));

/** Both halves of what is drawn from the middle of its top to the middle of its foot. */
export const whole = (half: readonly Node[]): Node[] => [
  ...half,
  ...mirrored(half.filter(([across]) => across !== 0)).reverse(),
];

/** On the right of the picture, or on the left. */
export const onSide = (nodes: readonly Node[], side: 1 | -1): Node[] => (side === 1 ? [...nodes] : mirrored(nodes));

/** The edges of an arm or a sleeve as one piece, with corners at shoulder, wrist and armpit. */
export function armNodes(outer: readonly ViewPoint[], inner: readonly ViewPoint[]): Node[] {
  const edge = (points: readonly ViewPoint[]): Node[] =>
    points.map(([across, up], index): Node =>
      index === 0 || index === points.length - 1 ? [across, up, "corner"] : [across, up],
    );
  return [...edge(outer), ...edge(inner), ARM_ROOT];
}

/** A small circle, of the form that paths have. */
export function ring(across: number, up: number, radius: number): string {
  const [x, y, r] = [across * 1000, -up * 1000, radius * 1000].map((each) => Number(each.toFixed(2))) as [
    number,
    number,
    number,
  ];
  return `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
}
