import type { CleaningEngine } from "./engine";

/** Figures of a second-order section, a0 being 1. */
export type Section = readonly [b0: number, b1: number, b2: number, a1: number, a2: number];

/**
 * Butterworth high-pass of an even `order` (2…8), 3 dB down at `cornerHz` (under 0.45 of the sample rate, else RangeError).
 * Sent there and back it is 6 dB down there, and keeps its phase. Source: bilinear transform, prewarped.
 */
export function highPass(order: number, cornerHz: number, sampleRateHz: number): Section[] {
  return sectionsOf(order, cornerHz, sampleRateHz, true);
}

/** Butterworth low-pass; as {@link highPass}. */
export function lowPass(order: number, cornerHz: number, sampleRateHz: number): Section[] {
  return sectionsOf(order, cornerHz, sampleRateHz, false);
}

function sectionsOf(order: number, cornerHz: number, sampleRateHz: number, isHigh: boolean): Section[] {
  if (!(cornerHz > 0 && cornerHz < 0.45 * sampleRateHz)) throw new RangeError(`cornerHz ${cornerHz}`);
  const k = Math.tan((Math.PI * cornerHz) / sampleRateHz);
  return Array.from({ length: order / 2 }, (_, index): Section => {
    const damping = 2 * Math.sin((Math.PI * (2 * index + 1)) / (2 * order));
    const scale = 1 / (1 + damping * k + k * k);
    const [a1, a2] = [2 * (k * k - 1) * scale, (1 - damping * k + k * k) * scale];
    return isHigh ? [scale, -2 * scale, scale, a1, a2] : [k * k * scale, 2 * k * k * scale, k * k * scale, a1, a2];
  });
}

/** Takes out one frequency; `widthHz` is where it is 3 dB down. Source: Orfanidis, "Introduction to signal processing" (1996), ch. 11. */
export function notch(hz: number, widthHz: number, sampleRateHz: number): Section {
  const gain = 1 / (1 + Math.tan((Math.PI * widthHz) / sampleRateHz));
  const turn = -2 * gain * Math.cos((2 * Math.PI * hz) / sampleRateHz);
  return [gain, turn, gain, turn, 2 * gain - 1];
}

/** Sections that are ready to be used by an engine, with memories of their own. */
export interface Filter {
  /** Filters a line of the engine's memory in place and remembers how it ended. */
  run(line: number, count: number): void;
  /** Filters it there and back, each from rest: what comes out is not late. */
  bothWays(line: number, count: number): void;
}

export function filterOf(engine: CleaningEngine, sections: readonly Section[]): Filter {
  const figures = engine.roomFor(40 * sections.length);
  const states = engine.roomFor(16 * sections.length);
  new Float64Array(engine.memory.buffer, figures, 5 * sections.length).set(sections.flat());
  const forget = () => new Float64Array(engine.memory.buffer, states, 2 * sections.length).fill(0);
  const send = (line: number, count: number, isBackward: 0 | 1) =>
    engine.filterLine(line, count, figures, sections.length, states, isBackward);
  return {
    run: (line, count) => send(line, count, 0),
    bothWays(line, count) {
      forget();
      send(line, count, 0);
      forget();
      send(line, count, 1);
    },
  };
}
