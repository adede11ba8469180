/** How flat the half-wave round a hop's highest sample is: how long it stays over the upper of these shares of its height, as a part of how long over the lower. */
const UPPER: f32 = 0.85;
const LOWER: f32 = 0.5;
/** Half-waves narrower than this over the lower share have too few samples to tell. */
const NARROWEST: i32 = 10;
/** Hops that reach so much of what was lately the highest are looked at; it is forgotten by so much a hop. */
const REACHES: f32 = 0.3;
const FORGETS: f32 = 0.998;
const LOWEST: f32 = 0.01;

/** Looks at the tops of the loudest half-waves of one channel: a stage that overloads flattens them, a gain does not. */
export class Tops {
  private lately: f32 = 0;

  reset(): void {
    this.lately = 0;
  }

  /** Flatness of the top of a hop's highest half-wave, 0 to 1 (a sine: 0.53; a square wave: 1); 0 where it does not tell. */
  of(from: usize, frames: i32, lowest: f32, highest: f32): f32 {
    const size = max(highest, -lowest);
    this.lately = max(this.lately * FORGETS, size);
    if (size < LOWEST || size < REACHES * this.lately) return 0;
    const peak = highest >= -lowest ? highest : lowest;
    const end = from + ((<usize>frames) << 2);
    const whole = from + ((<usize>frames & ~3) << 2);
    const same = f32x4.splat(peak);
    let at = from;
    while (at < whole && !v128.any_true(f32x4.eq(v128.load(at), same))) at += 16;
    while (at < end && load<f32>(at) != peak) at += 4;
    const sign: f32 = peak < 0 ? -1 : 1;
    const upper = UPPER * size;
    const lower = LOWER * size;
    let wide = 0;
    let narrow = 0;
    // What was before stands in the line; what follows may not have come yet.
    const first = from - ((<usize>frames) << 2);
    for (let before = at; before > first; before -= 4) {
      const value = load<f32>(before) * sign;
      if (value < lower) break;
      wide += 1;
      if (value >= upper) narrow += 1;
    }
    let after = at + 4;
    for (; after < end; after += 4) {
      const value = load<f32>(after) * sign;
      if (value < lower) break;
      wide += 1;
      if (value >= upper) narrow += 1;
    }
    return after >= end || wide < NARROWEST ? 0 : <f32>narrow / <f32>wide;
  }
}
