import { instancesOf } from "../audio";
import { ENGINE_CODE } from "./engineCode";

/** What the compiled engine for delivering offers; addresses are bytes in its memory. See engine/delivering/index.ts. */
export interface DeliveringEngine {
  readonly memory: { readonly buffer: ArrayBuffer };
  roomFor(bytes: number): number;
  peaksBetween(from: number, frames: number, rate: number, least: number, to: number): void;
}

export const newDeliveringEngine = instancesOf<DeliveringEngine>(ENGINE_CODE);
