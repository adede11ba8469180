import { SUPPLIES } from "../dress";
import type { ShootBundle } from "../records";
import { dayMediaOf, provisionBodyOf } from "./dayMedia";
import { dayPlan, daysOf } from "./dayPlan";
import type { PlanMessage } from "./messages";

/** What is used up on a day: tape and the like, batteries, and cards, which are emptied only after a verified copy. */
export interface Consumable {
  key: string;
  group: "fixing" | "power" | "cards";
  /** What and how much. */
  says: PlanMessage;
  /** Pieces, or cm of what comes by length. */
  amount: number;
  isPacked: boolean;
}

const GROUPS: readonly Consumable["group"][] = ["fixing", "power", "cards"];

/** Cards of one size that a day takes: the largest there is. */
function cardsOf(bundle: ShootBundle, day: number): { gigabytes: number; count: number } | null {
  const { needed } = dayMediaOf(bundle, day).cards;
  const { cardsGb } = provisionBodyOf(bundle);
  return needed ? { gigabytes: Math.max(32, ...cardsGb), count: needed } : null;
}

/**
 * What the days of a shoot use up.
 *
 * @param day from 1; null: all days together
 */
export function consumablesOf(bundle: ShootBundle, day: number | null): Consumable[] {
  const days = day === null ? daysOf(bundle) : [day];
  const lines = new Map<string, Omit<Consumable, "isPacked" | "says"> & { says: (amount: number) => PlanMessage }>();
  const add = (
    key: string,
    group: Consumable["group"],
    amount: number,
    says: (amount: number) => PlanMessage,
  ): void => {
    const known = lines.get(key);
    lines.set(key, { key, group, says, amount: (known?.amount ?? 0) + amount });
  };
  for (const each of days) {
    for (const { supply, amount } of dayPlan(bundle, each).totals.supplies) {
      const { name, unit } = SUPPLIES[supply];
      add(`supply:${supply}`, "fixing", amount, (total) => ({ code: "packing.supply", name, amount: total, unit }));
    }
    for (const { chemistry, volts, count } of dayMediaOf(bundle, each).cells)
      add(`cells:${chemistry}:${volts}`, "power", count, (total) => ({
        ...{ code: "packing.cells", count: total, chemistry, volts },
      }));
    const cards = cardsOf(bundle, each);
    if (cards)
      add(`card:${cards.gigabytes}`, "cards", cards.count, (total) => ({
        ...{ code: "packing.cards", count: total, gigabytes: cards.gigabytes },
      }));
  }
  const packed = new Set(
    (bundle.packings[0]?.body.lines ?? []).filter((line) => line.packed > 0).map(({ key }) => key),
  );
  return GROUPS.flatMap((wanted) =>
    [...lines.values()]
      .filter(({ group }) => group === wanted)
      .map(({ key, group, says, amount }) => ({
        ...{ key, group, amount, says: says(amount), isPacked: packed.has(key) },
      })),
  );
}
