import { type Input, PARTS, type Source } from "../devices";
import { findPath } from "../connect";
import { GENERIC_SYSTEMS } from "../wireless";
import { setupOf, USUAL_MODULATION_DB, type SignalPath } from "./signalPath";

/** A generic source into a generic input by the best leads of the catalogue; null where nothing connects them. */
export function genericSetup(source: Source, input: Input): SignalPath | null {
  const path = findPath(source, input, PARTS);
  if (!path) return null;
  const system = source.kind === "receiver" ? GENERIC_SYSTEMS[0]! : null;
  return setupOf({
    name: "Link",
    source,
    input,
    way: path.parts,
    shelf: PARTS,
    settings: path.settings,
    system,
    frequencyMHz: system ? system.fromMHz : null,
    modulationDb: USUAL_MODULATION_DB,
    sampleRateHz: 48_000,
    bits: 24,
  });
}
