import { rankPickups } from "../candidates";
import { placeSound } from "../placeSound";
import type { PickupSituation } from "./pickups";

/** Everything of a situation that does not hold; common practice, no publication stands behind it. */
export function pickupFaults(situation: PickupSituation): string[] {
  const { talkers, place, wishes, first, notFirst, offers, out, notSaid, cover } = situation;
  const ranked = rankPickups(talkers, placeSound(place), wishes);
  const found: string[] = [];
  const best = ranked[0]!;
  if (best.ruledOut) return [best.ruledOut.code];
  if (first && !first.some((id) => id === best.id)) found.push(`${best.id} leads`);
  if (notFirst?.some((id) => id === best.id)) found.push(`${best.id} leads`);
  const of = (id: string) => ranked.find((each) => each.id === id);
  for (const id of offers ?? []) if (of(id)?.ruledOut !== null) found.push(`${id} is not offered`);
  for (const [id, code] of Object.entries(out ?? {}))
    if (of(id)?.ruledOut?.code !== code) found.push(`${id}: ${of(id)?.ruledOut?.code ?? "offered"}`);
  for (const code of notSaid ?? [])
    if (best.deductions.some(({ says }) => says.code === code)) found.push(`says ${code}`);
  if (cover && best.wind?.cover !== cover) found.push(`covered with ${best.wind?.cover}`);
  return found;
}
