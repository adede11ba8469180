import type { StationId } from "@/core/board";

/** Pages of a shoot beside its stations. */
export type PageId = StationId | "card" | "day" | "frequencies" | "kit" | "report" | "settings" | "site";

/** Address of a page, keeping the talent and the scene that are worked on. */
export function stationHref(
  shootId: string,
  page: PageId,
  wearerId: string | null,
  sceneId: string | null = null,
): string {
  const query = new URLSearchParams();
  if (wearerId) query.set("wearer", wearerId);
  if (sceneId) query.set("scene", sceneId);
  return `/shoots/${shootId}/${page}${query.size > 0 ? `?${query.toString()}` : ""}`;
}
