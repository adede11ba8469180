import type { CoordinatedAir } from "./coordinateAir";
import { conflictWords } from "./products";
import type { Binding } from "./remedy";

/** What a coordination came to, in a sentence or two. */
export function coordinationWords(result: CoordinatedAir): string {
  const { placed, wanted, isProved, isAllAtOnce, lockedConflicts } = result;
  if (lockedConflicts.length > 0)
    return `Locked links conflict with each other: ${conflictWords(lockedConflicts[0]!)}. Unlock one of them, or use them at different times.`;
  if (wanted === 0) return "There is nothing to coordinate.";
  const refused = result.refused.map(({ says }) => says);
  const onTaken = result.onTaken.map(({ says }) => `${says} It is locked there.`);
  const isWhole = placed + refused.length === wanted;
  const why = isProved ? "; more are not possible" : "; a longer search may find more";
  const count =
    placed === wanted
      ? `${wanted === 1 ? "The link has" : `All ${wanted} links have`} a frequency`
      : `${placed} of ${wanted} ${wanted === 1 ? "link has" : "links have"} a frequency`;
  const schedule =
    isWhole && placed > 1 && !isAllAtOnce ? ["This relies on the schedule: not all may be on at once."] : [];
  return [`${count}${isWhole ? wideningWords(result) : why}.`, ...schedule, ...refused, ...onTaken].join(" ");
}

/** How wide the guards are, and where not. */
function wideningWords({ widening, notWidened }: CoordinatedAir): string {
  if (widening === 1) return "";
  const guards = `, with spacing and guards ${widening} times as wide as asked`;
  const [first, ...more] = notWidened;
  if (!first) return guards;
  const others = more.length > 0 ? `, and ${more.length} more like it` : "";
  return `${guards} except between locked links (${conflictWords(first)}${others})`;
}

/** What more could be had, and what it would take; null where no single rule helps. */
export function bindingWords(bindings: readonly Binding[], isProved: boolean): string | null {
  const [first] = bindings;
  if (!first) return null;
  if (isProved) return `What limits it is ${first.rule}: without it ${first.wouldFit} links have a frequency.`;
  return `Without ${first.rule} a short search finds ${first.wouldFit}.`;
}
