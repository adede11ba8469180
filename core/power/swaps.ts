import { timeOfDay } from "../schedule";
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

/** A power bank feeds something for a while. */
export interface BankFeed {
  title: string;
  fromMin: number;
  toMin: number;
  /** The bank is empty at its end, and the device's own battery goes on. */
  isEmptied: boolean;
}

export interface SwapPlan {
  name: string;
  /** How long one set lasts there, h. */
  hours: number;
  swaps: readonly Swap[];
  /** What the power bank feeds. */
  feeds: readonly BankFeed[];
  /** Sets that are needed, the first with it; and cells. */
  sets: number;
  cells: number;
  /** A use that is longer than one set, less what is kept in hand, and what a bank gives. */
  tooLong: string | null;
  says: string;
}

/** Kept in hand: a set is changed before less than this is left for what comes next. Common practice. */
export const RESERVE_SHARE = 0.2;

/**
 * When batteries are changed over a day: before what they would not last through with a fifth in hand, never in the middle
 * where that can be helped. Uses in any order; overlapping ones are taken one after the other.
 *
 * One power bank for all of them (Wh, null for none) feeds what is longer than a set lasts and can be fed by USB, in the order
 * in which it begins, until the bank is empty; then the device's own battery goes on.
 */
export function planDayPower(devices: readonly Powered[], temperatureC: number, bankWh: number | null): SwapPlan[] {
  const lasts = devices.map(({ battery, watts }) => runHours(battery, watts, temperatureC));
  const feeds = devices.map((): BankFeed[] => []);
  let leftWh = bankWh ?? 0;
  const wanting = devices
    .flatMap(({ uses, takesUsb }, device) => (takesUsb ? uses.map((use) => ({ ...use, device })) : []))
    .filter(({ fromMin, toMin, device }) => toMin - fromMin > 60 * lasts[device]! * (1 - RESERVE_SHARE))
    .sort((one, other) => one.fromMin - other.fromMin);
  for (const { title, fromMin, toMin, device } of wanting) {
    const { watts } = devices[device]!;
    const canFeedMin = 60 * bankHours(leftWh, watts);
    if (canFeedMin < 1) continue;
    const fedMin = Math.min(toMin - fromMin, canFeedMin);
    leftWh *= 1 - fedMin / canFeedMin;
    feeds[device]!.push({ title, fromMin, toMin: fromMin + fedMin, isEmptied: fromMin + fedMin < toMin });
  }
  return devices.map((device, index) => planSwaps(device, lasts[index]!, feeds[index]!));
}

function planSwaps({ name, battery, uses, takesUsb }: Powered, hours: number, feeds: readonly BankFeed[]): SwapPlan {
  const lastsMin = 60 * hours * (1 - RESERVE_SHARE);
  const inOrder = [...uses].sort((one, other) => one.fromMin - other.fromMin);
  const swaps: Swap[] = [];
  let leftMin = lastsMin;
  let tooLong: string | null = null;
  for (const { title, fromMin, toMin } of inOrder) {
    const fed = feeds.find((feed) => feed.fromMin === fromMin && feed.title === title);
    const ownFromMin = fed?.toMin ?? fromMin;
    const length = Math.max(0, toMin - ownFromMin);
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
  const plan = { name, hours, swaps, feeds, sets, cells: sets * battery.cells, tooLong };
  return { ...plan, says: swapWords(plan, takesUsb) };
}

function swapWords({ name, hours, swaps, feeds, tooLong }: Omit<SwapPlan, "says">, takesUsb: boolean): string {
  const lasts = `${name}: a set lasts ${hours.toFixed(hours < 3 ? 1 : 0)} h`;
  const emptied = feeds.find(({ isEmptied }) => isEmptied);
  const fed = [...new Set(feeds.map(({ title }) => title))].join(", ");
  const bank =
    feeds.length === 0
      ? ""
      : emptied
        ? ` The power bank feeds ${fed} and is empty at ${timeOfDay(emptied.toMin)}.`
        : ` The power bank feeds ${fed}.`;
  const changes = swaps.map(({ atMin, title }) => `${title} at ${timeOfDay(atMin)}`).join(", ");
  if (tooLong) {
    const source = feeds.length > 0 ? "mains or a larger power bank" : "mains or a power bank";
    const cure = takesUsb ? source : "stronger cells, or a change in its middle";
    return `${lasts}, less than ${tooLong} with a fifth in hand: ${cure}.${bank} Change in ${changes}.`;
  }
  if (swaps.length === 0) return `${lasts}: one for the day.${bank}`;
  return `${lasts}; change before ${changes}.${bank}`;
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
