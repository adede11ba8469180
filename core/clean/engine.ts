import { instancesOf } from "../audio";
import { ENGINE_CODE } from "./engineCode";

/** What the compiled engine for cleaning offers; addresses are bytes in its memory. See engine/cleaning/index.ts. */
export interface CleaningEngine {
  readonly memory: { readonly buffer: ArrayBuffer };
  roomFor(bytes: number): number;
  setUpDenoiser(size: number, sampleRateHz: number): void;
  noisyAt(): number;
  denoise(floor: number, isLearning: 0 | 1): void;
  cleanAt(): number;
  noiseAt(): number;
  startAgain(): void;
  filterLine(
    line: number,
    count: number,
    sections: number,
    sectionCount: number,
    states: number,
    isBackward: 0 | 1,
  ): void;
}

export const newCleaningEngine = instancesOf<CleaningEngine>(ENGINE_CODE);
