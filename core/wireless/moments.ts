/** When something is on, minutes after midnight of a day. */
export interface OnAir {
  linkId: string;
  /** Where; empty: it meets everybody. */
  zone: string;
  /** Day and minutes; an empty list is always. */
  times: readonly { day: number; fromMin: number; toMin: number }[];
}

/** As many moments as bits are kept for them. */
const MOST_MOMENTS = 30;

/**
 * For each link in which moments it is on: bit i of its number is moment i. Only what shares a bit has to live together.
 *
 * A moment is one instant in one zone; those whose links are all on in another one together are left out. With more moments
 * than bits everything counts as on together, which is the safe side.
 */
export function momentsOf(links: readonly OnAir[]): Map<string, number> {
  const instants = links.flatMap(({ times }) => times.map(({ day, fromMin }) => ({ day, at: fromMin })));
  const zones = [...new Set(links.map(({ zone }) => zone))].filter((zone) => zone !== "");
  const isOn = ({ times }: OnAir, day: number, at: number) =>
    times.length === 0 || times.some((time) => time.day === day && at >= time.fromMin && at < time.toMin);
  const sets = (instants.length > 0 ? instants : [{ day: 0, at: 0 }]).flatMap(({ day, at }) =>
    (zones.length > 0 ? zones : [""]).map(
      (zone) =>
        new Set(
          links
            .filter((link) => (link.zone === "" || zone === "" || link.zone === zone) && isOn(link, day, at))
            .map(({ linkId }) => linkId),
        ),
    ),
  );
  const largest: Set<string>[] = [];
  for (const set of [...sets].sort((one, other) => other.size - one.size))
    if (!largest.some((larger) => [...set].every((id) => larger.has(id)))) largest.push(set);
  const moments = largest.length > MOST_MOMENTS ? [new Set(links.map(({ linkId }) => linkId))] : largest;
  return new Map(
    links.map(({ linkId }) => [
      linkId,
      moments.reduce((bits, set, index) => (set.has(linkId) ? bits | (1 << index) : bits), 0),
    ]),
  );
}
