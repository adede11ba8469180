import type { Match } from "./alignPair";
import { SHORTEST_S, type Unmatched } from "./lineUp";
import type { SyncMessage } from "./messages";

/** What is told of a match beside its figures. */
export interface MatchFacts {
  /** How far sound and picture drift apart over what they have in common, ms; 0 where it is not known. */
  driftMs: number;
  says: SyncMessage[];
}

/** Sound later than picture by less is not noticed, and earlier: half of the tighter, s. Source: ITU-R BT.1359 (45 ms early). */
const AUDIBLE_MS = 45 / 2;
/** Less drift is no word worth, ms. */
const WORTH_MS = 2;

/** What a recordist is told of a match. */
export function partsOf({
  driftPpm,
  overlap,
  isInverted,
}: Pick<Match, "driftPpm" | "overlap" | "isInverted">): MatchFacts {
  const driftMs = ((driftPpm ?? 0) * (overlap.toS - overlap.fromS)) / 1000;
  const isAudible = Math.abs(driftMs) > AUDIBLE_MS;
  const says: SyncMessage[] = [];
  if (driftPpm !== null && Math.abs(driftMs) >= WORTH_MS)
    says.push({ code: "sync.drift", ppm: driftPpm, byMs: driftMs, isAudible });
  if (isInverted) says.push({ code: "sync.inverted" });
  return { driftMs, says };
}

/** Why a file has no partner, to be said. */
export function reasonOf(reason: Unmatched, isPicture: boolean): SyncMessage {
  switch (reason) {
    case "noSound":
      return { code: "sync.noSound" };
    case "silent":
      return { code: "sync.silent" };
    case "tooShort":
      return { code: "sync.tooShort", leastS: SHORTEST_S };
    case "nothingAlike":
      return { code: "sync.nothingAlike", isPicture };
  }
}
