import type { NoiseSource } from "./noiseSource";
import { SOURCE_KINDS } from "./sourceKinds";

/** What a noise is called: its own name, or its kind's. */
export function sourceName({ name, kind }: NoiseSource): string {
  return name.trim() || SOURCE_KINDS[kind].name;
}

/** Whether a noise is there all the time. */
export function isSteady({ occurs }: NoiseSource): boolean {
  return occurs === "steady";
}
