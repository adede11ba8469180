import { BY_LEAD, type AirLink, type AirPlan } from "./airPlan";
import { presetName } from "./systems";

/** One line of the plan as it is handed out. */
export interface AirRow {
  name: string;
  system: string;
  frequencyMHz: number | null;
  preset: string | null;
  spareMHz: number | null;
  sparePreset: string | null;
  zone: string;
  mustStay: boolean;
}

function rowOf(plan: AirPlan, link: AirLink): AirRow {
  const system = plan.systems.find(({ id }) => id === link.systemId);
  const preset = (at: number | null) => (system && at !== null ? presetName(system, at) : null);
  return {
    name: link.name,
    system: link.systemId === BY_LEAD ? "wired" : (system?.name ?? "?"),
    frequencyMHz: link.frequencyMHz,
    preset: preset(link.frequencyMHz),
    spareMHz: link.spareMHz,
    sparePreset: preset(link.spareMHz),
    zone: link.zone,
    mustStay: link.isLocked,
  };
}

/** The links of a plan, lowest frequency first, those without one last. */
export function airRows(plan: AirPlan): AirRow[] {
  return plan.links
    .map((link) => rowOf(plan, link))
    .sort((one, other) => (one.frequencyMHz ?? Infinity) - (other.frequencyMHz ?? Infinity));
}

const COLUMNS = ["name", "system", "frequencyMHz", "preset", "spareMHz", "sparePreset", "zone", "mustStay"] as const;

/** The plan as a table with a heading; frequencies in MHz. */
export function airTable(plan: AirPlan): (string | number | boolean | null)[][] {
  return [[...COLUMNS], ...airRows(plan).map((row) => COLUMNS.map((column) => row[column]))];
}

/** The plan as JSON: region, rules and links. */
export function airJson(plan: AirPlan): string {
  const { name, isExample } = plan.region;
  return JSON.stringify({ region: { name, isExample }, rules: plan.rules, links: airRows(plan) }, null, 2);
}
