/** Solves B x = y for a symmetric positive definite B of which only `width` diagonals below the main one are not zero; in place. */
function solveBanded(size: number, width: number, band: Float64Array, y: Float64Array): void {
  const stride = width + 1;
  const at = (row: number, column: number) => row * stride + (row - column);
  for (let row = 0; row < size; row += 1) {
    const first = Math.max(0, row - width);
    for (let column = first; column <= row; column += 1) {
      let sum = band[at(row, column)]!;
      for (let before = Math.max(first, column - width); before < column; before += 1)
        sum -= band[at(row, before)]! * band[at(column, before)]!;
      band[at(row, column)] = column === row ? Math.sqrt(Math.max(1e-30, sum)) : sum / band[at(column, column)]!;
    }
  }
  for (let row = 0; row < size; row += 1) {
    let sum = y[row]!;
    for (let column = Math.max(0, row - width); column < row; column += 1) sum -= band[at(row, column)]! * y[column]!;
    y[row] = sum / band[at(row, row)]!;
  }
  for (let row = size - 1; row >= 0; row -= 1) {
    let sum = y[row]!;
    const last = Math.min(size - 1, row + width);
    for (let below = row + 1; below <= last; below += 1) sum -= band[at(below, row)]! * y[below]!;
    y[row] = sum / band[at(row, row)]!;
  }
}

/** Sums of products of samples up to `order` apart, over those that are predicted: all but the first, or those that fit. */
function covariance(samples: Float64Array, order: number, isFit: Uint8Array | null): Float64Array {
  const stride = order + 1;
  const sums = new Float64Array(stride * stride);
  const count = samples.length;
  const rows = isFit ? order : 0;
  for (let place = order; place < count; place += 1) {
    if (isFit && !isFit[place]) continue;
    for (let row = 0; row <= rows; row += 1) {
      const value = samples[place - row]!;
      for (let column = row; column <= order; column += 1)
        sums[row * stride + column]! += value * samples[place - column]!;
    }
  }
  // Of all there are, each row is the one above less its last product and with one more before its first.
  if (!isFit)
    for (let row = 0; row < order; row += 1)
      for (let column = row; column < order; column += 1)
        sums[(row + 1) * stride + column + 1] =
          sums[row * stride + column]! +
          samples[order - 1 - row]! * samples[order - 1 - column]! -
          samples[count - 1 - row]! * samples[count - 1 - column]!;
  return sums;
}

/**
 * Coefficients 1, a₁…a_p that predict samples with the least error, by the covariance method: nothing is taken to be zero outside.
 * `isFit` tells which samples may be predicted, null all. Null where there is nothing to predict. Source: Makhoul, "Linear
 * prediction: a tutorial review", Proc. IEEE 63 (1975).
 */
function predictor(samples: Float64Array, order: number, isFit: Uint8Array | null): Float64Array | null {
  const stride = order + 1;
  const sums = covariance(samples, order, isFit);
  if (sums[0]! <= 1e-20) return null;
  const band = new Float64Array(order * order);
  const wanted = new Float64Array(order);
  for (let row = 0; row < order; row += 1) {
    for (let column = 0; column <= row; column += 1)
      band[row * order + (row - column)] = sums[(column + 1) * stride + row + 1]!;
    // Few tones leave more than one way to predict them.
    band[row * order]! += 1e-9 * sums[0]!;
    wanted[row] = -sums[row + 1]!;
  }
  solveBanded(order, order - 1, band, wanted);
  return Float64Array.from([1, ...wanted]);
}

/** Samples that are known themselves and all before them that predict them; null, which is all, where these are few. */
function fitOnes(isMissing: Uint8Array, order: number): Uint8Array | null {
  const isFit = new Uint8Array(isMissing.length);
  let [known, fit] = [0, 0];
  for (let at = 0; at < isMissing.length; at += 1) {
    known = isMissing[at] ? 0 : known + 1;
    if (known <= order) continue;
    isFit[at] = 1;
    fit += 1;
  }
  return fit >= 3 * order ? isFit : null;
}

/** How often samples and coefficients are found from each other. */
const ROUNDS = 2;

/**
 * Samples that are missing, from those around them: the ones that an autoregressive course explains best. In place; `missing`
 * are their places in rising order, `order` from 8 to 200 and well under a third of what is known. Source: Janssen, Veldhuis and
 * Vries, "Adaptive interpolation of discrete-time signals that can be modeled as autoregressive processes", IEEE Trans.
 * ASSP-34 (1986).
 */
export function fillIn(samples: Float64Array, missing: readonly number[], order: number): void {
  for (const at of missing) samples[at] = 0;
  const isMissing = new Uint8Array(samples.length);
  for (const at of missing) isMissing[at] = 1;
  for (let round = 0; round < ROUNDS; round += 1) {
    const a = predictor(samples, order, round === 0 ? fitOnes(isMissing, order) : null);
    if (!a) return;
    const likeness = new Float64Array(order + 1);
    for (let lag = 0; lag <= order; lag += 1)
      for (let at = lag; at <= order; at += 1) likeness[lag]! += a[at]! * a[at - lag]!;
    const stride = order + 1;
    const band = new Float64Array(missing.length * stride);
    const wanted = new Float64Array(missing.length);
    missing.forEach((place, row) => {
      for (let column = row; column >= 0 && place - missing[column]! <= order && row - column <= order; column -= 1)
        band[row * stride + (row - column)] = likeness[place - missing[column]!]!;
      const [first, last] = [Math.max(0, place - order), Math.min(samples.length - 1, place + order)];
      for (let at = first; at <= last; at += 1)
        if (!isMissing[at]) wanted[row]! -= likeness[Math.abs(place - at)]! * samples[at]!;
    });
    solveBanded(missing.length, order, band, wanted);
    missing.forEach((place, row) => {
      samples[place] = wanted[row]!;
    });
  }
}
