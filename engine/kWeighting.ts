/** The two filters of K-weighting for two channels side by side. Source: ITU-R BS.1770-4 annex 1, for any rate. */
export class KWeighting {
  private b0: v128 = f64x2.splat(0);
  private b1: v128 = f64x2.splat(0);
  private b2: v128 = f64x2.splat(0);
  private a1: v128 = f64x2.splat(0);
  private a2: v128 = f64x2.splat(0);
  private c1: v128 = f64x2.splat(0);
  private c2: v128 = f64x2.splat(0);
  private s1: v128 = f64x2.splat(0);
  private s2: v128 = f64x2.splat(0);
  private s3: v128 = f64x2.splat(0);
  private s4: v128 = f64x2.splat(0);

  constructor(rate: f64) {
    // The shelf that stands for the head (table 1) and the high pass (table 2), from their analogue prototypes.
    const gain = Math.pow(10, 3.999843853973347 / 20);
    const middle = Math.pow(gain, 0.4996667741545416);
    const shelfQ = 0.7071752369554196;
    const shelf = Math.tan((Math.PI * 1681.974450955533) / rate);
    const shelfScale = 1 + shelf / shelfQ + shelf * shelf;
    this.b0 = f64x2.splat((gain + (middle * shelf) / shelfQ + shelf * shelf) / shelfScale);
    this.b1 = f64x2.splat((2 * (shelf * shelf - gain)) / shelfScale);
    this.b2 = f64x2.splat((gain - (middle * shelf) / shelfQ + shelf * shelf) / shelfScale);
    this.a1 = f64x2.splat((2 * (shelf * shelf - 1)) / shelfScale);
    this.a2 = f64x2.splat((1 - shelf / shelfQ + shelf * shelf) / shelfScale);
    const cutQ = 0.5003270373238773;
    const cut = Math.tan((Math.PI * 38.13547087602444) / rate);
    const cutScale = 1 + cut / cutQ + cut * cut;
    this.c1 = f64x2.splat((2 * (cut * cut - 1)) / cutScale);
    this.c2 = f64x2.splat((1 - cut / cutQ + cut * cut) / cutScale);
  }

  reset(): void {
    this.s1 = this.s2 = this.s3 = this.s4 = f64x2.splat(0);
  }

  /** Weighted sums of squares of one hop of two channels. */
  hop(left: usize, right: usize, frames: i32, toLeft: usize, toRight: usize): void {
    const b0 = this.b0;
    const b1 = this.b1;
    const b2 = this.b2;
    const a1 = this.a1;
    const a2 = this.a2;
    const c1 = this.c1;
    const c2 = this.c2;
    const minusTwo = f64x2.splat(-2);
    let s1 = this.s1;
    let s2 = this.s2;
    let s3 = this.s3;
    let s4 = this.s4;
    let energy = f64x2.splat(0);
    const end = left + ((<usize>frames) << 2);
    for (; left < end; left += 4, right += 4) {
      const x = f64x2.replace_lane(f64x2.splat(<f64>load<f32>(left)), 1, <f64>load<f32>(right));
      const y = f64x2.add(f64x2.mul(b0, x), s1);
      s1 = f64x2.sub(f64x2.add(f64x2.mul(b1, x), s2), f64x2.mul(a1, y));
      s2 = f64x2.sub(f64x2.mul(b2, x), f64x2.mul(a2, y));
      const z = f64x2.add(y, s3);
      s3 = f64x2.sub(f64x2.add(f64x2.mul(minusTwo, y), s4), f64x2.mul(c1, z));
      s4 = f64x2.sub(y, f64x2.mul(c2, z));
      energy = f64x2.add(energy, f64x2.mul(z, z));
    }
    // Denormal numbers after silence would slow the filter a hundredfold.
    this.s1 = awake(s1);
    this.s2 = awake(s2);
    this.s3 = awake(s3);
    this.s4 = awake(s4);
    store<f32>(toLeft, <f32>f64x2.extract_lane(energy, 0));
    store<f32>(toRight, <f32>f64x2.extract_lane(energy, 1));
  }
}

function awake(state: v128): v128 {
  return v128.and(state, f64x2.gt(f64x2.abs(state), f64x2.splat(1e-30)));
}
