import type { Message } from "../message";
import type { LoudnessTargetId } from "./targets";

/** What is said about a delivery. */
export type DeliverCatalogue = {
  /** What it is called. */
  "deliver.target": { target: LoudnessTargetId };
  /** As it came out; `limitedDb`: the most that the limiter took away. */
  "deliver.done": { integratedLufs: number; truePeakDbtp: number; gainDb: number; limitedDb: number };
  "deliver.off": { integratedLufs: number; wantedLufs: number };
  "deliver.silent": object;
};
export type DeliverMessage = Message<DeliverCatalogue>;

/** How a delivery came out, to be said: within its tolerance, or beside it. */
export function deliveryMessage(
  after: { integratedLufs: number; truePeakDbtp: number },
  target: { integratedLufs: number; toleranceLu: number },
  made: { gainDb: number; limitedDb: number },
): DeliverMessage {
  const { integratedLufs } = after;
  if (Math.abs(integratedLufs - target.integratedLufs) > target.toleranceLu)
    return { code: "deliver.off", integratedLufs, wantedLufs: target.integratedLufs };
  return { code: "deliver.done", ...after, ...made };
}
