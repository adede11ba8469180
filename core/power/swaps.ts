import { timeOfDay } from "../schedule/clockTime";
import { bankHours, CHEMISTRY_NAMES, runHours, type Battery } from "./cells";

/** Something that runs on batteries over a day. */
export interface Powered {
  name: string;
  watts: number;
  battery: Battery;
  /** When it is on, minutes after midnight. */
  uses: readonly { title: string; fromMin: number; toMin: number }[];
  /** It can be fed from a socket or a power bank. */
  takesUsb: boolean;
}

export interface Swap {
  atMin: number;
  /** Before what. */
  title: string;
}

export interface SwapPlan {
  name: string;
  /** How long one set lasts there, h. */
  hours: number;
  swaps: readonly Swap[];
  /** Sets that are needed, the first with it; and cells. */
  sets: number;
  cells: number;
  /** A use that is longer than one set, less what is kept in hand. */
  tooLong: string | null;
  says: string;
}

/** Kept in hand: a set is changed before less than this is left for what comes next. Common practice. */
export const RESERVE_SHARE = 0.2;

/**
 * When batteries are changed over a day: before what they would not last through with a fifth in hand, never in the middle
 * where that can be helped. Uses in any order; overlapping ones are taken one after the other.
 */
export function planSwaps(
  { name, watts, battery, uses, takesUsb }: Powered,
  temperatureC: number,
  bankWh: number | null,
): SwapPlan {
  const hours = runHours(battery, watts, temperatureC);
  const lastsMin = 60 * hours * (1 - RESERVE_SHARE);
  const inOrder = [...uses].sort((one, other) => one.fromMin - other.fromMin);
  const swaps: Swap[] = [];
  let leftMin = lastsMin;
  let tooLong: string | null = null;
  for (const { title, fromMin, toMin } of inOrder) {
    const length = Math.max(0, toMin - fromMin);
    const isBanked = takesUsb && bankWh !== null && 60 * bankHours(bankWh, watts) >= length && length > lastsMin;
    if (isBanked) continue;
    if (leftMin < length && leftMin < lastsMin) {
      swaps.push({ atMin: fromMin, title });
      leftMin = lastsMin;
    }
    let rest = length;
    while (rest > leftMin) {
      tooLong ??= title;
      rest -= leftMin;
      swaps.push({ atMin: toMin - rest, title });
      leftMin = lastsMin;
      // What lasts no time at all is not changed for ever.
      if (lastsMin < 1) break;
    }
    leftMin -= Math.min(leftMin, rest);
  }
  const sets = inOrder.length === 0 ? 0 : swaps.length + 1;
  return {
    name,
    hours,
    swaps,
    sets,
    cells: sets * battery.cells,
    tooLong,
    says: swapWords(name, hours, swaps, tooLong, takesUsb),
  };
}

function swapWords(
  name: string,
  hours: number,
  swaps: readonly Swap[],
  tooLong: string | null,
  takesUsb: boolean,
): string {
  const lasts = `${name}: a set lasts ${hours.toFixed(hours < 3 ? 1 : 0)} h`;
  if (tooLong)
    return `${lasts}, less than ${tooLong} with a fifth in hand: ${takesUsb ? "mains or a power bank" : "stronger cells, or a change in its middle"}.`;
  if (swaps.length === 0) return `${lasts}: one for the day.`;
  return `${lasts}; change before ${swaps.map(({ atMin, title }) => `${title} at ${timeOfDay(atMin)}`).join(", ")}.`;
}

/** Cells of each kind for the whole day. */
export function cellsForDay(plans: readonly { plan: SwapPlan; battery: Battery }[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { plan, battery } of plans) {
    const key = `${CHEMISTRY_NAMES[battery.chemistry]}, ${battery.volts} V`;
    counts.set(key, (counts.get(key) ?? 0) + plan.cells);
  }
  return counts;
}
