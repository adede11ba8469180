import { INPUTS, PACK_INPUTS, PARTS, SOURCES } from "../../devices";
import { findPath } from "../findPath";
import { pathMessage } from "../kit";
import { nearMisses } from "../nearMisses";
import type { CableSituation } from "./cables";

export const EVERY_INPUT = { ...INPUTS, ...PACK_INPUTS };

/** Everything of a way that does not hold; common practice, no publication stands behind it. */
export function cableFaults({ from, to, owned, uses, never, verdict, says, sets, wrong }: CableSituation): string[] {
  const parts = PARTS.map((part) => ({ ...part, isOwned: owned?.includes(part.id) ?? false }));
  const [source, input] = [SOURCES[from], EVERY_INPUT[to]];
  const path = findPath(source, input, parts);
  const whole = pathMessage(path, source, input);
  if (says) return whole.code === says ? [] : [`says ${whole.code}`];
  if (!path) return ["noWay"];
  const found: string[] = [];
  const ids = path.parts.map(({ id }) => id);
  for (const id of uses ?? []) if (!ids.includes(id)) found.push(`uses ${ids.join(", ")}`);
  for (const id of never ?? []) if (ids.includes(id)) found.push(`uses ${id}`);
  if (verdict && !verdict.includes(path.verdict)) found.push(path.verdict);
  const set = path.settings.map(({ setting }) => setting.code as string);
  for (const code of sets ?? []) if (!set.includes(code)) found.push(`sets ${set.join(", ")}`);
  const misses = nearMisses(source, input, parts);
  for (const [id, code] of Object.entries(wrong ?? {})) {
    const miss = misses.find(({ part }) => part.id === id)?.says;
    const because = miss?.code === "connect.wrongCable" ? miss.because?.code : miss?.code;
    if (because !== code) found.push(`${id}: ${because}`);
  }
  return found;
}
