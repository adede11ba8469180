import type { StationId } from "@/core/board";
import { DELIVERY_FORMATS, type ShootBody } from "@/core/records";
import type { Hub } from "@/data/hub";
import type { ShootStore } from "@/data/shootStore";
import { addWearer } from "../shell/newWearer";
import type { PageId } from "../shell/stationHref";

/** What a quick look is called until somebody names it; named, it is a shoot like any other. */
export const QUICK_LOOK = "Quick look";

const KEPT = "hypophon.quickLook";

/** A shoot of which nothing is known but the day. */
export const firstBody = (today: string): ShootBody => ({
  ...{ title: "", firstDay: today, days: 1, units: "metric", clock: "24", frameRate: 25, delivery: "picture" },
  ...DELIVERY_FORMATS.picture,
});

/** Questions that home answers without a shoot, each at a page. */
export const DOORS: readonly { page: PageId; question: string; about: string; view?: string }[] = [
  { page: "dress", question: "Where does the mic go?", about: "From the outfit to a place and a recipe" },
  { page: "link", question: "Which cable?", about: "Between any two devices", view: "cables" },
  { page: "level", question: "What do I set?", about: "Gain from the voice to the file" },
  { page: "check", question: "Is this take good?", about: "Drop a file, get a verdict" },
  {
    page: "scout",
    question: "When is it quiet?",
    about: "Noises of a place, and the gaps between them",
    view: "times",
  },
  { page: "kit", question: "What do I pack?", about: "From the plan to a packing list" },
];

/**
 * Where a quick look goes on: the one that was begun on this device as long as it is not named, or a new one with one talent.
 * It is a shoot from the start, so that nothing is lost and it can be kept.
 */
export function quickLook(
  hub: Hub,
  known: ReadonlySet<string>,
  today: string,
): { shootId: string; wearerId: string | null } {
  const begun = window.localStorage.getItem(KEPT);
  if (begun && known.has(begun)) return { shootId: begun, wearerId: null };
  const shootId = crypto.randomUUID();
  const store = hub.storeOf(shootId);
  store.create("shoot", { ...firstBody(today), title: QUICK_LOOK }, { id: shootId });
  const { wearerId } = addWearer(store as ShootStore, (store as ShootStore).snapshot().bundle);
  window.localStorage.setItem(KEPT, shootId);
  return { shootId, wearerId };
}

/** The address of a door. */
export function doorHref(shootId: string, wearerId: string | null, page: StationId | PageId, view?: string): string {
  const query = new URLSearchParams();
  if (wearerId) query.set("wearer", wearerId);
  if (view) query.set("view", view);
  return `/shoots/${shootId}/${page}${query.size > 0 ? `?${query.toString()}` : ""}`;
}
