/**
 * Natural logarithms of four positive normal numbers, within 10^−6 of the largest of 1 and the result.
 * The exponent, and the series of the area tangent for what is left, from √½ to √2.
 */
export function lnOf(values: v128): v128 {
  const bits = i32x4.sub(values, i32x4.splat(0x3f3504f3));
  const exponent = i32x4.shr_s(bits, 23);
  const part = i32x4.sub(values, i32x4.shl(exponent, 23));
  const one = f32x4.splat(1);
  const s = f32x4.div(f32x4.sub(part, one), f32x4.add(part, one));
  const s2 = f32x4.mul(s, s);
  const series = f32x4.add(
    one,
    f32x4.mul(
      s2,
      f32x4.add(
        f32x4.splat(<f32>(1.0 / 3.0)),
        f32x4.mul(s2, f32x4.add(f32x4.splat(0.2), f32x4.mul(s2, f32x4.splat(<f32>(1.0 / 7.0))))),
      ),
    ),
  );
  return f32x4.add(
    f32x4.mul(f32x4.convert_i32x4_s(exponent), f32x4.splat(<f32>0.6931471805599453)),
    f32x4.mul(f32x4.add(s, s), series),
  );
}
