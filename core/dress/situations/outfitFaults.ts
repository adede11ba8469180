import { explain } from "../explain";
import { bestAt, planDress, suggestionOf } from "../planDress";
import { recipeFor } from "../recipe";
import type { Situation } from "./outfits";

/** Everything of a situation that does not hold; common practice, no publication stands behind it. */
export function outfitFaults({
  input,
  first,
  nothing,
  notInFive,
  noneIn,
  names,
  packs,
  wish,
  order,
  says,
}: Situation): string[] {
  const plan = planDress(input);
  const best = suggestionOf(plan);
  if (nothing) return best ? [`advises ${best.site.id}`] : [];
  if (!best) return ["advises nothing"];
  const found: string[] = [];
  const check = (holds: boolean, what: string) => holds || found.push(what);
  const { zone } = best.site;
  if (first?.zones) check(first.zones.includes(zone), `first at ${best.site.id}`);
  if (first?.notZones) check(!first.notZones.includes(zone), `first at ${best.site.id}`);
  if (first?.sides) check(first.sides.includes(best.site.side), `first at ${best.site.id}`);
  if (first?.sites) check(first.sites.includes(best.site.id), `first at ${best.site.id}`);
  if (first?.notSites) check(!first.notSites.includes(best.site.id), `first at ${best.site.id}`);
  if (first?.surfaces) check(first.surfaces.includes(best.placement.surface), `first ${best.placement.surface}`);
  if (first?.notMounts) check(!first.notMounts.includes(best.mount.id), `first with ${best.mount.id}`);
  if (first?.mostIntrusion !== undefined)
    check(best.intrusion <= first.mostIntrusion, `goes as far as ${best.intrusion}`);
  const reasons = explain(best, plan).flatMap(({ rules }) => rules.map(({ says: each }) => each.code));
  for (const code of first?.without ?? []) check(!reasons.includes(code), `first with ${code}`);
  const five = plan.places.slice(0, 5).map(({ site }) => site);
  for (const site of five) check(!notInFive?.includes(site.zone), `${site.id} among the first five`);
  for (const { site } of plan.places) check(!noneIn?.includes(site.zone), `${site.id} is offered`);
  if (names) {
    const there = bestAt(plan, names.at);
    const said = there ? explain(there, plan).flatMap(({ rules }) => rules.map(({ says: each }) => each.code)) : [];
    for (const code of names.reasons) check(said.includes(code), `${code} is not named at ${names.at}`);
  }
  if (packs?.at) check(best.pack !== null && packs.at.includes(best.pack.place), `pack at ${best.pack?.place}`);
  if (packs?.none) check(best.pack === null, `pack at ${best.pack?.place}`);
  for (const place of packs?.notAt ?? []) check(best.pack?.place !== place, `pack at ${place}`);
  if (packs?.reaches) check(best.pack?.isInReach === true, "the cable does not reach");
  const recipe = recipeFor(best, plan);
  if (wish) check(recipe.wish?.code === wish, `answers the wish with ${recipe.wish?.code}`);
  const steps: string[] = recipe.steps.map(({ code }) => code);
  if (order)
    check(
      order.every(
        (code, at) => steps.includes(code) && (at === 0 || steps.indexOf(order[at - 1]!) < steps.indexOf(code)),
      ),
      `steps: ${steps.join(" ")}`,
    );
  const said: string[] = [...steps, ...recipe.cautions.map(({ code }) => code)];
  for (const code of says ?? []) check(said.includes(code), `does not say ${code}`);
  return found;
}
