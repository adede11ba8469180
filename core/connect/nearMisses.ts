import { type Input, mate, type Part, type Source } from "../devices";
import { begun, carriedOn, judgePath, PATH_VERDICTS } from "./judgePath";
import type { ConnectMessage } from "./messages";

/** A cable that fits the sockets and is the wrong one. */
export interface NearMiss {
  part: Part;
  says: ConnectMessage;
}

/** So many are worth saying. */
const MOST = 6;

/**
 * Single cables and adapters whose ends go into source and input and that do not serve, each with the reason: why the cable
 * in the kit is the wrong one. What is owned first. Common practice.
 */
export function nearMisses(source: Source, input: Input, parts: readonly Part[]): NearMiss[] {
  const found: NearMiss[] = [];
  for (const part of parts) {
    if (!mate(source.end, part.from) || !mate(part.to, input.end)) continue;
    const carried = carriedOn(begun(source), part);
    const named = { source: source.name, cable: part.name };
    if (!carried) {
      found.push({ part, says: { code: "connect.doesNotPass", ...named } });
      continue;
    }
    const { verdict, because } = judgePath(source, [part], carried, input);
    if (PATH_VERDICTS.indexOf(verdict) >= PATH_VERDICTS.indexOf("silentlyWrong"))
      found.push({ part, says: { code: "connect.wrongCable", cable: part.name, because: because[0] ?? null } });
  }
  return found.sort((one, other) => Number(other.part.isOwned) - Number(one.part.isOwned)).slice(0, MOST);
}
