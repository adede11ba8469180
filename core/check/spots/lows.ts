import type { Heard } from "../heard";

interface LowPass {
  b: number;
  a1: number;
  a2: number;
}

function lowPass(cornerHz: number, rateHz: number, q: number): LowPass {
  const warped = Math.tan((Math.PI * cornerHz) / rateHz);
  const scale = 1 / (1 + warped / q + warped * warped);
  return {
    b: warped * warped * scale,
    a1: 2 * (warped * warped - 1) * scale,
    a2: (1 - warped / q + warped * warped) * scale,
  };
}

/** Power under a corner by hop, mean square: two Butterworth sections on the slow signal. */
export function lowPowers(heard: Heard, cornerHz: number): Float32Array {
  const { slowRateHz, hops, hopS } = heard;
  const { slow } = heard.figures;
  const one = lowPass(cornerHz, slowRateHz, 0.5412);
  const two = lowPass(cornerHz, slowRateHz, 1.3066);
  const perHop = hopS * slowRateHz;
  const powers = new Float32Array(hops);
  let [s1, s2, t1, t2] = [0, 0, 0, 0];
  for (let hop = 0; hop < hops; hop += 1) {
    const from = Math.floor(hop * perHop);
    const to = Math.min(slow.length, Math.floor((hop + 1) * perHop));
    let sum = 0;
    for (let at = from; at < to; at += 1) {
      const x = slow[at]!;
      const bx = one.b * x;
      const y = bx + s1;
      s1 = 2 * bx - one.a1 * y + s2;
      s2 = bx - one.a2 * y;
      const by = two.b * y;
      const z = by + t1;
      t1 = 2 * by - two.a1 * z + t2;
      t2 = by - two.a2 * z;
      sum += z * z;
    }
    // Denormal numbers after silence would slow the filter a hundredfold.
    if (sum < 1e-40) [s1, s2, t1, t2] = [0, 0, 0, 0];
    powers[hop] = sum / Math.max(1, to - from);
  }
  return powers;
}
