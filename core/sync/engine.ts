import { instancesOf } from "../audio";
import { ENGINE_CODE } from "./engineCode";

/** What the compiled engine for lining up offers; addresses are bytes in its memory. See engine/lining/index.ts. */
export interface LiningEngine {
  readonly memory: { readonly buffer: ArrayBuffer };
  roomFor(bytes: number): number;
  setUpLandmarks(step: number, tapCount: number, hop: number, bins: number, mostIn: number): void;
  tapsAt(): number;
  placesAt(): number;
  nextAt(): number;
  push(count: number): number;
  peaksAt(): number;
  loudest(): number;
  setUpResampler(phases: number, taps: number): number;
  setUpCross(size: number): void;
  crossOf(one: number, other: number, length: number, lastBin: number): number;
  sumsAt(): number;
  resample(from: number, place: number, step: number, count: number, to: number): void;
}

export const newLiningEngine = instancesOf<LiningEngine>(ENGINE_CODE);
