import { FIRST_AIR_PLAN, type AirLink, type AirPlan } from "./airPlan";
import { toUnits, USUAL_RULES, type AirRules } from "./airRules";
import { coordinateAir, type CoordinatedAir } from "./coordinateAir";
import type { Carrier } from "./products";
import type { Region } from "./region";
import { GENERIC_SYSTEMS, type RadioSystem } from "./systems";

/** A link of the first system that wants any frequency. */
export const testLink = (id: string, change: Partial<AirLink> = {}): AirLink => ({
  id,
  wearerId: null,
  name: id,
  systemId: "s0",
  zone: "",
  sceneIds: [],
  frequencyMHz: null,
  isLocked: false,
  spareMHz: null,
  ...change,
});

export const testSystem = (change: Partial<RadioSystem> = {}): RadioSystem => ({
  ...GENERIC_SYSTEMS[0]!,
  id: "s0",
  name: "s0",
  fromMHz: 518,
  toMHz: 526,
  ...change,
});

export const testRegion = (...ranges: [fromMHz: number, toMHz: number, powerMw: number][]): Region => ({
  name: "R",
  isExample: true,
  ranges: ranges.map(([fromMHz, toMHz, powerMw]) => ({ fromMHz, toMHz, stepKHz: 25, powerMw, note: "" })),
});

export const testPlan = (links: readonly AirLink[], change: Partial<AirPlan> = {}): AirPlan => ({
  ...FIRST_AIR_PLAN,
  region: testRegion([470, 694, 50]),
  systems: [testSystem()],
  rules: USUAL_RULES,
  links: [...links],
  ...change,
});

/** Coordinates a plan in which everybody is on all the time. */
export function coordinated(plan: AirPlan, rounds = 400): CoordinatedAir {
  const always = plan.links.map(({ id, zone }) => ({ linkId: id, zone, times: [] }));
  const search = coordinateAir(plan, always, 1, rounds);
  for (let next = search.next(); ; next = search.next()) if (next.done) return next.value;
}

/** Written without a thought for speed, and apart from everything that is tested: true when no rule is broken. */
export function areCompatible(carriers: readonly Carrier[], rules: AirRules): boolean {
  const reach = (kHz: number) => Math.max(1, Math.round(kHz * 10));
  const near = (one: number, other: number, kHz: number) => Math.abs(one - other) < reach(kHz);
  for (const a of carriers)
    for (const b of carriers) {
      const [fa, fb] = [toUnits(a.frequencyMHz), toUnits(b.frequencyMHz)];
      if (a === b || (a.moments & b.moments) === 0) continue;
      if (near(fa, fb, rules.spacingKHz)) return false;
      for (const c of carriers) {
        if (c === a || c === b || (a.moments & b.moments & c.moments) === 0) continue;
        const fromC = toUnits(c.frequencyMHz);
        if (near(2 * fa - fb, fromC, rules.twoThirdKHz)) return false;
        if (rules.fifthKHz !== null && near(3 * fa - 2 * fb, fromC, rules.fifthKHz)) return false;
        for (const d of carriers) {
          if (d === a || d === b || d === c || (a.moments & b.moments & c.moments & d.moments) === 0) continue;
          if (near(fa + fb - fromC, toUnits(d.frequencyMHz), rules.threeThirdKHz)) return false;
        }
      }
    }
  return true;
}

export const testCarrier = (name: string, frequencyMHz: number, moments = 1): Carrier => ({
  id: name,
  name,
  frequencyMHz,
  moments,
});
