import { partsOf, pathMessage } from "../connect";
import { BY_LEAD } from "../wireless";
import type { RiskMessage } from "./messages";
import { type AirScene, airStateOf, type Connection, pairingOf } from "../planning";

export interface LinkState {
  stitch: "loose" | "basted" | "sewn" | "unpicked";
  /** What is wrong or missing, and how bad that is. */
  risks: readonly { weight: number; says: RiskMessage }[];
}

/** How a wearer's link stands, on the air and through its leads. */
export function linkStateOf(air: AirScene, connection: Connection): LinkState {
  const { link, ways, input } = connection;
  const onAir = link.systemId === BY_LEAD ? "basted" : airStateOf(air, link.wearerId ?? link.id);
  const risks: LinkState["risks"][number][] = [];
  if (onAir === "unpicked") risks.push({ weight: 2.3, says: { code: "board.frequencyConflict" } });
  if (onAir === "loose") risks.push({ weight: 1.1, says: { code: "board.noFrequency" } });
  const wrong = ways.find(({ path }) => path?.verdict === "silentlyWrong" || path?.verdict === "damage");
  const unconnected = input !== null && ways.some(({ path }) => path === null);
  const [because] = wrong?.path?.because ?? [];
  if (because) risks.push({ weight: 2.4, says: because });
  else if (unconnected) risks.push({ weight: 2.4, says: pathMessage(null, ways[0]!.source, input) });
  const missing = partsOf(ways).filter(({ isOwned }) => !isOwned);
  if (missing.length > 0 && !wrong)
    risks.push({ weight: 1.3, says: { code: "board.notInKit", names: missing.map(({ name }) => name) } });
  const pairing = pairingOf(connection);
  if (pairing === "stale")
    risks.push({
      weight: 2.1,
      says: { code: "board.changedSincePaired", steps: connection.stale },
    });
  const isWrong = onAir === "unpicked" || wrong !== undefined || unconnected || pairing === "stale";
  return {
    stitch: isWrong ? "unpicked" : onAir === "loose" ? "loose" : pairing === "proved" ? "sewn" : "basted",
    risks,
  };
}
