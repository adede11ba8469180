import { BY_LEAD, type AirPlan } from "./airPlan";
import { regionFaults, whyForbidden } from "./region";

/** Fields of an air plan that cannot be, with what to do: ranges that end before they begin, frequencies outside the region. */
export function airPlanFaults({
  region,
  systems,
  links,
}: Pick<AirPlan, "region" | "systems" | "links">): { path: string; message: string }[] {
  const forbidden = links.flatMap(({ systemId, name, frequencyMHz, spareMHz }, index) => {
    const system = systems.find(({ id }) => id === systemId);
    if (!system || systemId === BY_LEAD || system.band === "ism24") return [];
    return (["frequencyMHz", "spareMHz"] as const).flatMap((field) => {
      const at = { frequencyMHz, spareMHz }[field];
      const says = at === null ? null : whyForbidden(region, at, system.powerMw);
      return says ? [{ path: `/links/${index}/${field}`, message: `${name}: ${says}` }] : [];
    });
  });
  const wrong = regionFaults(region).map(({ path, message }) => ({ path: `/region${path}`, message }));
  const backwards = systems.flatMap(({ name, fromMHz, toMHz }, index) =>
    fromMHz < toMHz ? [] : [{ path: `/systems/${index}/toMHz`, message: `${name} must end above ${fromMHz} MHz.` }],
  );
  return [...wrong, ...backwards, ...forbidden];
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
