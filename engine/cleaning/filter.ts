/** Figures of a section: b0, b1, b2, a1, a2 (f64). */
const SECTION_BYTES: usize = 40;

/**
 * A second-order section whose next memories need nothing but the last ones and the sample: y = b0·x + s₁, s₁ ← c₁·x − a₁·s₁ +
 * s₂, s₂ ← c₂·x − a₂·s₁ with c = b − a·b0 (direct form II transposed, with y put in).
 */
function oneSection(line: usize, count: i32, own: usize, state: usize, step: isize): void {
  const b0 = load<f64>(own);
  const a1 = load<f64>(own, 24);
  const a2 = load<f64>(own, 32);
  const c1 = load<f64>(own, 8) - a1 * b0;
  const c2 = load<f64>(own, 16) - a2 * b0;
  let one = load<f64>(state);
  let two = load<f64>(state, 8);
  let at = line;
  for (let index = 0; index < count; index += 1) {
    const x = <f64>load<f32>(at);
    store<f32>(at, <f32>(b0 * x + one));
    const next = c1 * x + two - a1 * one;
    two = c2 * x - a2 * one;
    one = next;
    at += step;
  }
  store<f64>(state, one);
  store<f64>(state, two, 8);
}

/** Four sections in one pass: while one waits for its memories, the others go on. */
function fourSections(line: usize, count: i32, own: usize, state: usize, step: isize): void {
  const b0 = load<f64>(own);
  const a1 = load<f64>(own, 24);
  const a2 = load<f64>(own, 32);
  const c1 = load<f64>(own, 8) - a1 * b0;
  const c2 = load<f64>(own, 16) - a2 * b0;
  const d0 = load<f64>(own, 40);
  const d3 = load<f64>(own, 64);
  const d4 = load<f64>(own, 72);
  const d1 = load<f64>(own, 48) - d3 * d0;
  const d2 = load<f64>(own, 56) - d4 * d0;
  const e0 = load<f64>(own, 80);
  const e3 = load<f64>(own, 104);
  const e4 = load<f64>(own, 112);
  const e1 = load<f64>(own, 88) - e3 * e0;
  const e2 = load<f64>(own, 96) - e4 * e0;
  const f0 = load<f64>(own, 120);
  const f3 = load<f64>(own, 144);
  const f4 = load<f64>(own, 152);
  const f1 = load<f64>(own, 128) - f3 * f0;
  const f2 = load<f64>(own, 136) - f4 * f0;
  let s1 = load<f64>(state);
  let s2 = load<f64>(state, 8);
  let t1 = load<f64>(state, 16);
  let t2 = load<f64>(state, 24);
  let u1 = load<f64>(state, 32);
  let u2 = load<f64>(state, 40);
  let v1 = load<f64>(state, 48);
  let v2 = load<f64>(state, 56);
  let at = line;
  for (let index = 0; index < count; index += 1) {
    const x = <f64>load<f32>(at);
    const y = b0 * x + s1;
    const s = c1 * x + s2 - a1 * s1;
    s2 = c2 * x - a2 * s1;
    s1 = s;
    const z = d0 * y + t1;
    const t = d1 * y + t2 - d3 * t1;
    t2 = d2 * y - d4 * t1;
    t1 = t;
    const w = e0 * z + u1;
    const u = e1 * z + u2 - e3 * u1;
    u2 = e2 * z - e4 * u1;
    u1 = u;
    store<f32>(at, <f32>(f0 * w + v1));
    const v = f1 * w + v2 - f3 * v1;
    v2 = f2 * w - f4 * v1;
    v1 = v;
    at += step;
  }
  store<f64>(state, s1);
  store<f64>(state, s2, 8);
  store<f64>(state, t1, 16);
  store<f64>(state, t2, 24);
  store<f64>(state, u1, 32);
  store<f64>(state, u2, 40);
  store<f64>(state, v1, 48);
  store<f64>(state, v2, 56);
}

/** Sends samples through sections, in place, forwards or from the end; a section's two memories (f64) stand at `states`. */
export function filterLine(
  line: usize,
  count: i32,
  sections: usize,
  sectionCount: i32,
  states: usize,
  isBackward: bool,
): void {
  const from = isBackward ? line + ((<usize>(count - 1)) << 2) : line;
  const step: isize = isBackward ? -4 : 4;
  let section: usize = 0;
  for (; section + 4 <= <usize>sectionCount; section += 4)
    fourSections(from, count, sections + section * SECTION_BYTES, states + (section << 4), step);
  for (; section < <usize>sectionCount; section += 1)
    oneSection(from, count, sections + section * SECTION_BYTES, states + (section << 4), step);
}
