import { scaleLinear } from "d3-scale";
import type { Stretch } from "@/ui/zoomScale";
import { type AirPlan, choicesOf, type RadioSystem, type Scan, UNMEASURED_DBM } from "@/core/wireless";

/** What is seen of the spectrum, MHz. */
export type View = Stretch;

/** Closer one sees nothing more, MHz. */
export const NARROWEST_MHZ = 1;

/** Levels that the drawing spans, dBm. */
export const TOP_DBM = -30;
export const BOTTOM_DBM = -115;

/** The part of the spectrum that the systems in use can be tuned to, with a little room. */
export function wholeView({ systems, links }: AirPlan): View {
  const tuned = systems.filter(({ band }) => band === "uhf");
  const used = tuned.filter(({ id }) => links.some(({ systemId }) => systemId === id));
  const shown = used.length > 0 ? used : tuned;
  if (shown.length === 0) return { from: 470, to: 694 };
  const fromMHz = Math.min(...shown.map((system) => system.fromMHz));
  const toMHz = Math.max(...shown.map((system) => system.toMHz));
  const room = (toMHz - fromMHz) * 0.02;
  return { from: fromMHz - room, to: toMHz + room };
}

/** Share of the width, 0…1 within the view. */
export const xOf = ({ from, to }: View, frequencyMHz: number): number => (frequencyMHz - from) / (to - from);

/** Share of the height from the top, 0…1. */
export const yOf = (levelDbm: number): number =>
  Math.min(1, Math.max(0, (TOP_DBM - levelDbm) / (TOP_DBM - BOTTOM_DBM)));

/** The strongest of a scan in each of so many columns of a view, as a path in a box of columns × 100; empty without a scan. */
export function scanPath(scan: Scan | null, view: View, columns: number): string {
  if (!scan) return "";
  const levels = new Float64Array(columns).fill(UNMEASURED_DBM);
  scan.levelsDbm.forEach((level, bin) => {
    const column = Math.floor(xOf(view, scan.fromMHz + (bin * scan.stepKHz) / 1000) * columns);
    if (column >= 0 && column < columns) levels[column] = Math.max(levels[column]!, level);
  });
  let path = "";
  let before = UNMEASURED_DBM;
  for (let column = 0; column < columns; column += 1) {
    // A column between two bins takes what was before it.
    const level = levels[column]! > UNMEASURED_DBM ? levels[column]! : before;
    if (level > UNMEASURED_DBM) path += `${path === "" ? "M" : "L"}${column} ${(100 * yOf(level)).toFixed(1)}`;
    before = level;
  }
  return path;
}

/** Round figures of MHz to mark on a view: five to ten of them. */
export const marks = ({ from, to }: View): number[] => scaleLinear([from, to], [0, 1]).ticks(7);

/** Everything a system may lawfully be tuned to, whatever the scan says, ascending. */
export function lawfulChoices(system: RadioSystem, { region }: AirPlan): number[] {
  if (system.banks.length === 0) return choicesOf(system, region, [], null);
  const all = system.banks.flatMap((bank) => choicesOf(system, region, [], bank));
  return [...new Set(all)].sort((one, other) => one - other);
}

/** The choice nearest to a frequency; null where there is none. */
export function nearestChoice(choices: readonly number[], frequencyMHz: number): number | null {
  let [best, least]: [number | null, number] = [null, Infinity];
  for (const choice of choices) {
    const off = Math.abs(choice - frequencyMHz);
    if (off < least) [best, least] = [choice, off];
  }
  return best;
}

/** The next choice up or down from a frequency. */
export function nextChoice(choices: readonly number[], frequencyMHz: number, by: number): number | null {
  const at = choices.findIndex((choice) => choice >= frequencyMHz - 1e-6);
  return choices[Math.min(choices.length - 1, Math.max(0, (at < 0 ? choices.length : at) + by))] ?? null;
}
