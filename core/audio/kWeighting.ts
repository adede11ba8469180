interface Biquad {
  b0: number;
  b1: number;
  b2: number;
  a1: number;
  a2: number;
}

/** The shelf that stands for the head. Source: ITU-R BS.1770-4 table 1, as an analogue prototype for any rate. */
function headShelf(sampleRateHz: number): Biquad {
  const gainDb = 3.999843853973347;
  const q = 0.7071752369554196;
  const k = Math.tan((Math.PI * 1681.974450955533) / sampleRateHz);
  const vh = 10 ** (gainDb / 20);
  const vb = vh ** 0.4996667741545416;
  const a0 = 1 + k / q + k * k;
  return {
    b0: (vh + (vb * k) / q + k * k) / a0,
    b1: (2 * (k * k - vh)) / a0,
    b2: (vh - (vb * k) / q + k * k) / a0,
    a1: (2 * (k * k - 1)) / a0,
    a2: (1 - k / q + k * k) / a0,
  };
}

/** The high pass (RLB curve). Source: ITU-R BS.1770-4 table 2, as an analogue prototype for any rate. */
function lowCut(sampleRateHz: number): Biquad {
  const q = 0.5003270373238773;
  const k = Math.tan((Math.PI * 38.13547087602444) / sampleRateHz);
  const a0 = 1 + k / q + k * k;
  return { b0: 1, b1: -2, b2: 1, a1: (2 * (k * k - 1)) / a0, a2: (1 - k / q + k * k) / a0 };
}

/** Gathers the K-weighted mean square of every 100 ms of one channel. */
export interface KWeightedSteps {
  push(samples: Float32Array, from: number, to: number): void;
  /** Sum of squares of the step under way; resets it. */
  closeStep(): number;
}

/** A K-weighting filter with its running sum of squares, for 8–192 kHz. Source: ITU-R BS.1770-4 annex 1. */
export function kWeightedSteps(sampleRateHz: number): KWeightedSteps {
  const shelf = headShelf(sampleRateHz);
  const cut = lowCut(sampleRateHz);
  let s1 = 0;
  let s2 = 0;
  let c1 = 0;
  let c2 = 0;
  let energy = 0;
  return {
    push(samples, from, to) {
      const { b0, b1, b2, a1, a2 } = shelf;
      const ca1 = cut.a1;
      const ca2 = cut.a2;
      let u1 = s1;
      let u2 = s2;
      let v1 = c1;
      let v2 = c2;
      let sum = energy;
      for (let index = from; index < to; index += 1) {
        const x = samples[index]!;
        const y = b0 * x + u1;
        u1 = b1 * x - a1 * y + u2;
        u2 = b2 * x - a2 * y;
        const z = y + v1;
        v1 = -2 * y - ca1 * z + v2;
        v2 = y - ca2 * z;
        sum += z * z;
      }
      // Denormal numbers after silence would slow the filter a hundredfold.
      s1 = Math.abs(u1) < 1e-30 ? 0 : u1;
      s2 = Math.abs(u2) < 1e-30 ? 0 : u2;
      c1 = Math.abs(v1) < 1e-30 ? 0 : v1;
      c2 = Math.abs(v2) < 1e-30 ? 0 : v2;
      energy = sum;
    },
    closeStep() {
      const sum = energy;
      energy = 0;
      return sum;
    },
  };
}
