import * as Type from "@sinclair/typebox";
import type { Change, Changes } from "../core/records";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import type { HistoryPage } from "../core/crew";
import { listHistory, loadChanges, loadTakeDetails } from "./records";
import { accept } from "./validate";

/** Takes that are looked at in one go. */
const MOST_TAKES = 60;

/** What of a shoot changed after a number that an earlier answer named; 0 or nothing for all of it. */
export function requestChanges(acting: ActingCrew, shootId: string, since: string | null): Promise<Changes> {
  const number = Number(since ?? 0);
  if (!Number.isSafeInteger(number) || number < 0) throw new Fault("invalid", { code: "request.badSince" });
  return loadChanges(acting, shootId, number);
}

/** All that was measured of the takes that `of` names, ids of measurements with commas between. */
export function requestTakeDetails(acting: ActingCrew, of: string | null): Promise<Change<"takeDetail">[]> {
  const ids = (of ?? "").split(",").filter(Boolean);
  if (ids.length > MOST_TAKES) throw new Fault("invalid", { code: "request.tooManyTakes", most: MOST_TAKES });
  return loadTakeDetails(acting, ids);
}

const ShootId = Type.String({ format: "uuid" });

/** What was changed in a shoot, the newest first; `before` a number that an earlier answer named. */
export function requestHistory(
  acting: ActingCrew,
  shootId: string | null,
  before: string | null,
): Promise<HistoryPage> {
  const number = before === null ? undefined : Number(before);
  if (number !== undefined && (!Number.isSafeInteger(number) || number < 1))
    throw new Fault("invalid", { code: "request.badSince" });
  return listHistory(acting, accept(ShootId, shootId ?? ""), number);
}
