import { newLiningEngine } from "./engine";

/**
 * Samples between samples: band-limited interpolation by a windowed sinc (Smith, "Digital audio resampling", 1984; window after
 * Kaiser 1974). Flat to 0.91 of the lower Nyquist frequency, from it on at least 100 dB down.
 */
interface SincTable {
  /** A row of 2 × `reach` taps for each phase between two samples, one more at the end. */
  rows: Float32Array;
  /** Samples to either side that count. */
  reach: number;
}

/** Phases between two samples; between phases it is straight, 116 dB under what there is. */
const PHASES = 512;
/** Zero crossings to either side at a cutoff of the Nyquist frequency. */
const CROSSINGS = 72;
/** Kaiser's shape for 106 dB: 0.1102 (A − 8.7). */
const BETA = 0.1102 * (106 - 8.7);
/** Where the kernel is 6 dB down, of the lower Nyquist frequency. */
const CUTOFF = 0.955;

/** Modified Bessel function of the first kind, order 0, by its series; Abramowitz and Stegun 9.6.12. */
function bessel0(x: number): number {
  let [sum, term] = [1, 1];
  for (let k = 1; term > 1e-12 * sum; k += 1) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

const tables = new Map<string, SincTable>();

/** A kernel for steps of `ratio` samples (rate in over rate out, 1/8…8); fewer `crossings` are quicker and less steep. */
function sincTable(ratio: number, crossings = CROSSINGS): SincTable {
  if (!(ratio >= 1 / 8 && ratio <= 8)) throw new RangeError(`ratio ${ratio}: 1/8…8`);
  // Drifts of clocks share one table.
  const scale = Math.round(Math.max(1, ratio) * 1000) / 1000;
  const name = `${scale} ${crossings}`;
  const known = tables.get(name);
  if (known) return known;
  const cutoff = (1 - ((1 - CUTOFF) * CROSSINGS) / crossings) / scale;
  // Rows are whole vectors.
  const reach = 2 * Math.ceil((crossings * scale) / 2);
  const kernel = (x: number): number => {
    if (x >= reach) return 0;
    const sinc = x === 0 ? cutoff : Math.sin(Math.PI * cutoff * x) / (Math.PI * x);
    return (sinc * bessel0(BETA * Math.sqrt(1 - (x / reach) ** 2))) / bessel0(BETA);
  };
  const taps = 2 * reach;
  const rows = Float32Array.from({ length: (PHASES + 1) * taps }, (_, at) => {
    const phase = Math.floor(at / taps) / PHASES;
    return kernel(Math.abs((at % taps) - (reach - 1) - phase));
  });
  const table = { rows, reach };
  tables.set(name, table);
  return table;
}

/** Interpolates at one ratio, by the engine. */
export interface Resampling {
  /** `count` samples from place `from` on, `step` samples apart; what is outside counts as silence. */
  run(samples: Float32Array, from: number, step: number, count: number): Float32Array;
}

/** For steps of about `ratio` samples (1/8…8): a clock that drifts needs no other. */
export function resampling(ratio: number, crossings = CROSSINGS): Resampling {
  const { rows, reach } = sincTable(ratio, crossings);
  const engine = newLiningEngine();
  const taps = 2 * reach;
  const rowsAt = engine.setUpResampler(PHASES, taps);
  new Float32Array(engine.memory.buffer, rowsAt, rows.length).set(rows);
  let room = { from: 0, samples: 0, to: 0, count: 0 };
  return {
    run(samples, from, step, count) {
      const first = Math.floor(from) - reach + 1;
      const needed = Math.ceil((count - 1) * step) + taps + 2;
      if (room.samples < needed) room = { ...room, from: engine.roomFor(4 * needed), samples: needed };
      if (room.count < count) room = { ...room, to: engine.roomFor(4 * count), count };
      const line = new Float32Array(engine.memory.buffer, room.from, needed);
      line.fill(0);
      const [begin, end] = [Math.max(0, first), Math.min(samples.length, first + needed)];
      if (end > begin) line.set(samples.subarray(begin, end), begin - first);
      engine.resample(room.from, from - first, step, count, room.to);
      return new Float32Array(engine.memory.buffer, room.to, count).slice();
    },
  };
}
