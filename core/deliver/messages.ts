import type { Message } from "../message";
import type { TrackApart } from "./apart";
import type { LoudnessTargetId } from "./targets";

/** What is said about a delivery. */
export type DeliverCatalogue = {
  /** What it is called. */
  "deliver.target": { target: LoudnessTargetId };
  /** As it came out; `limitedDb`: the most that the limiter took away. */
  "deliver.done": { integratedLufs: number; truePeakDbtp: number; gainDb: number; limitedDb: number };
  "deliver.off": { integratedLufs: number; wantedLufs: number };
  "deliver.silent": object;
  /** One track against another; `fartherM` of the later one. */
  "deliver.apart": { channel: number; reference: number; lateMs: number; fartherM: number; isInverted: boolean };
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

/** How a track lies to another, to be said. */
export const apartMessage = ({ channel, reference, lateS, fartherM, isInverted }: TrackApart): DeliverMessage => ({
  ...{ code: "deliver.apart", channel, reference, lateMs: 1000 * lateS, fartherM, isInverted },
});
