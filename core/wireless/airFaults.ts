import type { AirMessage, RefusedLinkMessage } from "./messages";
import { BY_LEAD, type AirPlan } from "./airPlan";
import { regionFaults, whyForbidden } from "./region";
import { MOST_CHANNELS, stepCount } from "./systems";

interface FieldFault {
  path: string;
  says: AirMessage | RefusedLinkMessage;
}

/** Fields that make no sense by themselves, with what to do: ranges that end before they begin, steps too fine to search. */
export function airFormFaults({ region, systems }: Pick<AirPlan, "region" | "systems">): FieldFault[] {
  const wrong = regionFaults(region).map(({ path, says }) => ({ path: `/region${path}`, says }));
  const tuning = systems.flatMap((system, index): FieldFault[] => {
    const { name, fromMHz, toMHz, band, banks } = system;
    if (fromMHz >= toMHz)
      return [{ path: `/systems/${index}/toMHz`, says: { code: "air.endsBelow", system: name, fromMHz } }];
    const steps = stepCount(system);
    if (band === "ism24" || banks.length > 0 || steps <= MOST_CHANNELS) return [];
    return [
      {
        path: `/systems/${index}/stepKHz`,
        says: { code: "air.tooManyChannels", system: name, channels: steps, most: MOST_CHANNELS },
      },
    ];
  });
  return [...wrong, ...tuning];
}

/** Fields of an air plan that cannot be, with what to do: those of its form, and frequencies outside the region. */
export function airPlanFaults(plan: Pick<AirPlan, "region" | "systems" | "links">): FieldFault[] {
  const { region, systems, links } = plan;
  const forbidden = links.flatMap(({ systemId, name, frequencyMHz, spareMHz }, index): FieldFault[] => {
    const system = systems.find(({ id }) => id === systemId);
    if (!system || systemId === BY_LEAD || system.band === "ism24") return [];
    return (["frequencyMHz", "spareMHz"] as const).flatMap((field): FieldFault[] => {
      const at = { frequencyMHz, spareMHz }[field];
      const because = at === null ? null : whyForbidden(region, at, system.powerMw);
      return because
        ? [{ path: `/links/${index}/${field}`, says: { code: "air.refusedLink", link: name, because } }]
        : [];
    });
  });
  return [...airFormFaults(plan), ...forbidden];
}

/** The same links with frequencies cleared that a region no longer allows. */
export function withoutForbidden<Plan extends Pick<AirPlan, "region" | "systems" | "links">>(plan: Plan): Plan {
  const paths = new Set(airPlanFaults(plan).map(({ path }) => path));
  return {
    ...plan,
    links: plan.links.map((link, index) => ({
      ...link,
      frequencyMHz: paths.has(`/links/${index}/frequencyMHz`) ? null : link.frequencyMHz,
      spareMHz: paths.has(`/links/${index}/spareMHz`) ? null : link.spareMHz,
    })),
  };
}
