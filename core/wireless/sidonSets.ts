/**
 * Sets of whole numbers whose differences are all different, from finite fields: no f₁+f₂−f₃ of such a set lands on a member.
 * Modulo `modulus` as well, so every multiple and every cut of one is another.
 */
export interface SidonSet {
  modulus: number;
  /** Ascending, within 0…modulus−1. */
  members: readonly number[];
}

function factorsOf(value: number): number[] {
  const factors: number[] = [];
  let rest = value;
  for (let factor = 2; factor * factor <= rest; factor += 1)
    if (rest % factor === 0) {
      factors.push(factor);
      while (rest % factor === 0) rest /= factor;
    }
  return rest > 1 ? [...factors, rest] : factors;
}

export function isPrime(value: number): boolean {
  return value > 1 && factorsOf(value)[0] === value;
}

export function greatestCommonDivisor(one: number, other: number): number {
  let [divisor, rest] = [Math.abs(one), Math.abs(other)];
  while (rest > 0) [divisor, rest] = [rest, divisor % rest];
  return divisor;
}

/** An element of GF(qⁿ) as coefficients of 1, θ, θ², …: below q each. */
type Element = readonly number[];

/** θ·element, where θⁿ is `reduction`. */
function timesTheta(element: Element, reduction: Element, q: number): number[] {
  const top = element.at(-1)!;
  return element.map((_, power) => ((power === 0 ? 0 : element[power - 1]!) + top * reduction[power]!) % q);
}

/** θⁿ for which θ runs through all of GF(qⁿ) without 0, found by trying. */
function primitiveReduction(q: number, degree: number): Element {
  if (!isPrime(q)) throw new RangeError(`${q} is not a prime`);
  const size = q ** degree - 1;
  for (let code = 1; code < q ** degree; code += 1) {
    const reduction = Array.from({ length: degree }, (_, power) => Math.floor(code / q ** power) % q);
    if (reduction[0] === 0) continue;
    let element: number[] = Array.from({ length: degree }, (_, power) => (power === 0 ? 1 : 0));
    let order = 0;
    do {
      element = timesTheta(element, reduction, q);
      order += 1;
    } while (order < size && !element.every((each, power) => each === (power === 0 ? 1 : 0)));
    if (order === size) return reduction;
  }
  throw new RangeError(`${q} is not a prime`);
}

/** Exponents a with θᵃ = c·(θ + d): for the construction of Bose c is 1, for that of Singer anything. */
function exponentsOfLines(q: number, degree: number, isAnyMultiple: boolean): number[] {
  const reduction = primitiveReduction(q, degree);
  const exponents: number[] = [];
  let element: number[] = Array.from({ length: degree }, (_, power) => (power === 0 ? 1 : 0));
  for (let exponent = 0; exponent < q ** degree - 1; exponent += 1) {
    const isLine = element.slice(2).every((each) => each === 0) && element[1] !== 0;
    if (isLine && (isAnyMultiple || element[1] === 1)) exponents.push(exponent);
    element = timesTheta(element, reduction, q);
  }
  return exponents;
}

/** q members modulo q² − 1, q a prime. Source: Bose & Chowla 1962. */
export function boseSet(q: number): SidonSet {
  return { modulus: q * q - 1, members: exponentsOfLines(q, 2, false) };
}

/** q + 1 members modulo q² + q + 1, q a prime. Source: Singer 1938. */
export function singerSet(q: number): SidonSet {
  const modulus = q * q + q + 1;
  const members = new Set([0, ...exponentsOfLines(q, 3, true).map((exponent) => exponent % modulus)]);
  return { modulus, members: [...members].sort((one, other) => one - other) };
}

/** p − 1 members modulo p(p − 1), p a prime. Source: Ruzsa 1993. */
export function ruzsaSet(p: number): SidonSet {
  const modulus = p * (p - 1);
  const isRoot = (root: number) => {
    let [power, order] = [root, 1];
    while (power !== 1) [power, order] = [(power * root) % p, order + 1];
    return order === p - 1;
  };
  const root = Array.from({ length: p - 1 }, (_, index) => index + 1).find((each) => p === 2 || isRoot(each)) ?? 1;
  const members: number[] = [];
  let power = 1;
  for (let exponent = 1; exponent < p; exponent += 1) {
    power = (power * root) % p;
    // The one number that is `exponent` modulo p − 1 and `power` modulo p.
    members.push((p * exponent + (p - 1) * (p - power)) % modulus);
  }
  return { modulus, members: members.sort((one, other) => one - other) };
}

/** The same set stretched by a factor that shares no divisor with its modulus, and begun at another member. */
export function cut(set: SidonSet, factor: number, from: number): number[] {
  const { modulus, members } = set;
  const stretched = members.map((member) => (member * factor) % modulus).sort((one, other) => one - other);
  const first = stretched[from % stretched.length]!;
  return stretched.map((member) => (member - first + modulus) % modulus).sort((one, other) => one - other);
}
