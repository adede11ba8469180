import { fitted, type PlaceModel } from "@/core/room";
import type { ShootStore } from "@/data/shootStore";

/** Changes a place's model from what it is now; what does not fit any more is made to fit. */
export function editPlace(
  store: ShootStore,
  placeId: string,
  change: (model: PlaceModel) => Partial<PlaceModel>,
): void {
  store.edit("place", placeId, (body) => ({ ...body, model: fitted({ ...body.model, ...change(body.model) }) }));
}
