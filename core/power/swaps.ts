import type { PowerMessage } from "./messages";
import { bankHours, runHours, type Battery, type Chemistry } from "./cells";

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
  says: PowerMessage;
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
  return { ...plan, says: swapMessage(plan, takesUsb) };
}

function swapMessage({ name, hours, swaps, feeds, tooLong }: Omit<SwapPlan, "says">, takesUsb: boolean): PowerMessage {
  const emptied = feeds.find(({ isEmptied }) => isEmptied);
  const bank =
    feeds.length === 0
      ? null
      : { feeds: [...new Set(feeds.map(({ title }) => title))], emptyAtMin: emptied?.toMin ?? null };
  if (tooLong) {
    const helps = !takesUsb ? "strongerCells" : bank ? "mainsOrLargerBank" : "mainsOrBank";
    return { code: "power.tooShort", name, hours, bank, use: tooLong, swaps, helps };
  }
  if (swaps.length === 0) return { code: "power.oneSet", name, hours, bank };
  return { code: "power.change", name, hours, bank, swaps };
}

/** Cells of one kind for the whole day. */
export interface CellCount {
  chemistry: Chemistry;
  volts: number;
  count: number;
}

/** Cells of each kind for the whole day. */
export function cellsForDay(plans: readonly { plan: SwapPlan; battery: Battery }[]): CellCount[] {
  const counts: CellCount[] = [];
  for (const { plan, battery } of plans) {
    const { chemistry, volts } = battery;
    const known = counts.find((each) => each.chemistry === chemistry && each.volts === volts);
    if (known) known.count += plan.cells;
    else counts.push({ chemistry, volts, count: plan.cells });
  }
  return counts;
}
