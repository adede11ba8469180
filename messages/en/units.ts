import { figure, tellTimeIn } from "./words";

const FOOT_M = 0.3048;
const INCH_M = FOOT_M / 12;

let isImperial = false;

/** In which units lengths, and by which clock times, are said from now on: those of the shoot that is open. */
export function sayIn({ units, clock }: { units: "metric" | "imperial"; clock: "24" | "12" }): void {
  isImperial = units === "imperial";
  tellTimeIn(clock);
}

/** Feet and whole inches; inches alone below two feet, feet alone from a hundred on. */
export function feetAndInches(metres: number): string {
  const inches = Math.round(metres / INCH_M);
  if (Math.abs(inches) < 24) return `${figure(inches)} in`;
  if (Math.abs(inches) >= 1200) return `${figure(metres / FOOT_M)} ft`;
  const feet = Math.trunc(inches / 12);
  const rest = Math.abs(inches % 12);
  return rest === 0 ? `${figure(feet)} ft` : `${figure(feet)} ft ${rest} in`;
}

/** A length, m, in the units of the shoot: "40 cm", "2.5 m", "142 m"; "16 in", "8 ft 2 in", "466 ft". */
export function length(metres: number): string {
  if (isImperial) return feetAndInches(metres);
  if (Math.abs(metres) < 0.995) return `${figure(metres * 100)} cm`;
  return `${figure(metres, Math.abs(metres) < 9.95 ? 1 : 0)} m`;
}

/** An area, m², in the units of the shoot. */
export const area = (squareMetres: number): string =>
  isImperial
    ? `${figure(squareMetres / FOOT_M ** 2)} sq ft`
    : `${figure(squareMetres, Number.isInteger(squareMetres) ? 0 : 1)} m²`;

/** A speed of wind, m/s, in the units of the shoot. */
export const windSpeed = (metresPerS: number): string =>
  isImperial ? `${figure(metresPerS / 0.44704)} mph` : `${figure(metresPerS)} m/s`;
