import type { AirScene } from "@/core/planning";
import { type AirLink, canTune, conflictMessage, whyForbidden } from "@/core/wireless";
import { say } from "@/messages";

/** A frequency as it was typed, with a point or a comma; NaN where it is none. */
export const typedMHz = (text: string): number => Number(text.trim().replace(",", "."));

/** What is wrong with a frequency that was typed; null when it may stand. */
export function frequencyFault(air: AirScene, link: AirLink, text: string): string | null {
  if (text.trim() === "") return null;
  const frequencyMHz = typedMHz(text);
  if (!Number.isFinite(frequencyMHz)) return "A frequency in MHz, such as 520.300.";
  const system = air.plan.systems.find(({ id }) => id === link.systemId);
  if (!system) return null;
  const forbidden = whyForbidden(air.plan.region, frequencyMHz, system.powerMw);
  if (forbidden) return say(forbidden);
  return canTune(system, frequencyMHz) ? null : say({ code: "forbidden.tuning", system: system.name, frequencyMHz });
}

/** So many products with others are told of one link. */
const MOST_CONFLICTS = 2;

/** Sentences on what is wrong with one link, the nearest product first. */
export function linkFaults({ faults }: AirScene, link: AirLink): string[] {
  const own = faults.conflicts.filter(
    ({ makers, victim }) => victim.id === link.id || makers.some(({ id }) => id === link.id),
  );
  const told = [...faults.refused, ...faults.onTaken].filter(({ linkId }) => linkId === link.id);
  return [
    ...told.map(({ says }) => say(says)),
    ...own.slice(0, MOST_CONFLICTS).map((conflict) => `${say(conflictMessage(conflict))}.`),
  ];
}
