import type { Message } from "../message";
import type { Treatment } from "./treatments";

/** What is said about cleaning. */
export type CleanCatalogue = {
  "clean.lowCut": { cornerHz: number };
  "clean.hum": { lowestHz: number; lines: number };
  "clean.noise": { byDb: number };
  "clean.pops": { count: number };
  "clean.gaps": { count: number };
  /** Peaks that were clipped, at so many places. */
  "clean.clipping": { count: number };
  "clean.evenOut": { mostDb: number };
  "clean.nothing": object;
};
export type CleanMessage = Message<CleanCatalogue>;

/** What a treatment does, to be said. */
export function treatmentMessage(treatment: Treatment): CleanMessage {
  switch (treatment.kind) {
    case "lowCut":
      return { code: "clean.lowCut", cornerHz: treatment.cornerHz };
    case "hum":
      return {
        code: "clean.hum",
        lowestHz: Math.min(...treatment.lines.map(({ hz }) => hz)),
        lines: treatment.lines.length,
      };
    case "noise":
      return { code: "clean.noise", byDb: treatment.byDb };
    case "evenOut":
      return { code: "clean.evenOut", mostDb: Math.max(0, ...treatment.points.map(([, gainDb]) => Math.abs(gainDb))) };
    case "pops":
    case "gaps":
    case "clipping":
      return { code: `clean.${treatment.kind}`, count: treatment.places.length };
  }
}
