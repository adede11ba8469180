import type { CoordinatedAir } from "./coordinateAir";
import type { AirMessage, RefusedLinkMessage } from "./messages";
import { conflictMessage } from "./products";
import type { Binding } from "./remedy";

/** What a coordination came to. */
export function coordinationMessages(result: CoordinatedAir): (AirMessage | RefusedLinkMessage)[] {
  const { placed, wanted, isProved, isAllAtOnce, lockedConflicts, refused, widening } = result;
  if (lockedConflicts[0]) return [{ code: "air.lockedConflict", conflict: conflictMessage(lockedConflicts[0]) }];
  if (wanted === 0) return [{ code: "air.nothing" }];
  const isWhole = placed + refused.length === wanted;
  const [first, ...more] = result.notWidened;
  const except = first ? { conflict: conflictMessage(first), more: more.length } : null;
  return [
    { code: "air.placed", placed, wanted, isWhole, isProved, widening, except },
    ...(isWhole && placed > 1 && !isAllAtOnce ? [{ code: "air.bySchedule" as const }] : []),
    ...[...refused, ...result.onTaken].map(({ says }) => says),
  ];
}

/** What more could be had, and what it would take; null where no single rule helps. */
export function bindingMessage([first]: readonly Binding[], isProved: boolean): AirMessage | null {
  return first ? { code: "air.limit", ...first, isProved } : null;
}
