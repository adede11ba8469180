import type { ShootBundle } from "../records";
import type { HomeMessage } from "./messages";
import type { StationId } from "./stations";

/** How far a shoot is, from its records alone: nothing is planned for it. */
export interface ShootProgress {
  /** Talents in scenes; of those, with a place chosen, agreed to, fixed, and with a take measured. */
  rigs: number;
  chosen: number;
  agreed: number;
  fixed: number;
  verified: number;
  /** What is next, and where it is done; null where all is done. */
  next: { says: HomeMessage; station: StationId | null } | null;
}

/** How far a shoot is and what comes next: a place, somebody to hear, a place on each, their consent, fixing, a take. */
export function shootProgress({ scenes, places, wearers, rigs, measurements }: ShootBundle): ShootProgress {
  const measured = new Set(measurements.map(({ body }) => body.rigId));
  const count = (is: (rig: ShootBundle["rigs"][number]) => boolean) => rigs.filter(is).length;
  const chosen = count(({ body }) => body.choice !== null);
  const agreed = count(({ body }) => body.consent.answer !== "notAsked");
  const fixed = count(({ body }) => body.isRigged);
  const verified = count(({ id }) => measured.has(id));
  const of = { rigs: rigs.length, chosen, agreed, fixed, verified };
  const next = (says: HomeMessage, station: StationId | null): ShootProgress => ({ ...of, next: { says, station } });
  if (scenes.length === 0 && places.length === 0) return next({ code: "home.addPlace" }, "scout");
  if (wearers.length === 0 || rigs.length === 0) return next({ code: "home.addTalent" }, "dress");
  const left = (done: number) => rigs.length - done;
  if (left(chosen) > 0) return next({ code: "home.choose", count: left(chosen) }, "dress");
  if (left(agreed) > 0) return next({ code: "home.ask", count: left(agreed) }, "dress");
  if (left(fixed) > 0) return next({ code: "home.fix", count: left(fixed) }, "dress");
  if (left(verified) > 0) return next({ code: "home.verify", count: left(verified) }, "check");
  return { ...of, next: null };
}
