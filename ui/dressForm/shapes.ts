import type { Side } from "@/core/dress";
import type { ViewName } from "./outline";
import { type Node, onSide, penPath } from "./pen";
import type { Piece } from "./piece";

/** Pieces of one path, by what they are made of. */
export const cloth = (d: string): Piece => ({ d, kind: "cloth" });
export const line = (d: string): Piece => ({ d, kind: "line" });
export const strap = (d: string): Piece => ({ d, kind: "strap" });
export const hard = (d: string): Piece => ({ d, kind: "button" });
export const open = (...nodes: Node[]): string => penPath(nodes, false);
export const closed = (...nodes: Node[]): string => penPath(nodes);
export const pair = (nodes: Node[], made: (d: string) => Piece, isClosed = false): Piece[] =>
  ([1, -1] as const).map((side) => made(penPath(onSide(nodes, side), isClosed)));
export const box = (fromAcross: number, toAcross: number, top: number, foot: number): string =>
  closed(
    [fromAcross, top, "corner"],
    [toAcross, top, "corner"],
    [toAcross, foot, "corner"],
    [fromAcross, foot, "corner"],
  );

/** On which side of the picture the wearer's side is. */
export const towards = (side: Side, view: ViewName): 1 | -1 => ((side === "left") === (view !== "back") ? 1 : -1);
