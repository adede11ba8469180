import { INPUTS, SOURCES } from "../../devices";
import { diagnose } from "../finder";
import { genericSetup } from "../genericSetup";
import type { Trouble } from "./troubles";

/** Everything of a trouble's first answer that does not hold; common practice, no publication stands behind it. */
export function troubleFaults({ on, symptom, thinksOf, names, never, tries, then }: Trouble): string[] {
  const setup = genericSetup(SOURCES[on.source], INPUTS[on.input]);
  if (!setup) return ["noWay"];
  const found: string[] = [];
  const story = { symptom, answers: {}, skipped: [], ruledOut: [] };
  const { causes, next } = diagnose(setup, story);
  const ids = causes.flat();
  for (const id of thinksOf ?? [])
    if (!ids.slice(0, 3).includes(id)) found.push(`${id} is not among ${ids.slice(0, 3).join(", ")}`);
  for (const id of names ?? []) if (!ids.includes(id)) found.push(`${id} is not named`);
  for (const id of never ?? []) if (ids.includes(id)) found.push(`${id} is named`);
  if (tries && !(next && tries.includes(next))) found.push(`tries ${next}`);
  if (then) {
    const after = diagnose(setup, { ...story, answers: then.answers }).causes;
    if (after.length !== 1 || after[0]![0] !== then.is) found.push(`ends with ${after.flat().join(", ")}`);
  }
  return found;
}
