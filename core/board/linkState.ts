import { partsOf } from "../connect";
import { STEP_NAMES } from "../rehearsal";
import { BY_LEAD } from "../wireless";
import { type AirScene, airStateOf, type Connection, pairingOf } from "../planning";

export interface LinkState {
  stitch: "loose" | "basted" | "sewn" | "unpicked";
  /** What is wrong or missing: how bad, and the sentence. */
  risks: readonly { weight: number; says: string }[];
}

/** How a wearer's link stands, on the air and through its leads. */
export function linkStateOf(air: AirScene, connection: Connection): LinkState {
  const { link, ways, input } = connection;
  const onAir = link.systemId === BY_LEAD ? "basted" : airStateOf(air, link.wearerId ?? link.id);
  const risks: LinkState["risks"][number][] = [];
  if (onAir === "unpicked")
    risks.push({ weight: 2.3, says: "Their frequency does not live with the others: find new ones, or move one." });
  if (onAir === "loose") risks.push({ weight: 1.1, says: "No frequency yet." });
  const wrong = ways.find(({ path }) => path?.verdict === "silentlyWrong" || path?.verdict === "damage");
  const unconnected = input !== null && ways.some(({ path }) => path === null);
  if (wrong?.path) risks.push({ weight: 2.4, says: wrong.path.because[0] ?? "Their lead does not work." });
  else if (unconnected)
    risks.push({ weight: 2.4, says: `Nothing connects ${ways[0]?.source.name ?? "it"} to ${input.name}.` });
  const missing = partsOf(ways).filter(({ isOwned }) => !isOwned);
  if (missing.length > 0 && !wrong)
    risks.push({ weight: 1.3, says: `Not in the kit: ${missing.map(({ name }) => name).join(", ")}.` });
  const pairing = pairingOf(connection);
  if (pairing === "stale")
    risks.push({
      weight: 2.1,
      says: `Changed since it was paired: ${connection.stale.map((step) => STEP_NAMES[step].toLowerCase()).join(", ")} again.`,
    });
  const isWrong = onAir === "unpicked" || wrong !== undefined || unconnected || pairing === "stale";
  return {
    stitch: isWrong ? "unpicked" : onAir === "loose" ? "loose" : pairing === "proved" ? "sewn" : "basted",
    risks,
  };
}
