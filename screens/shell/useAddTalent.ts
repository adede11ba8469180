"use client";

import { useShootPart, useShootStore } from "@/data/ShootProvider";
import { goTo } from "@/ui/address";
import { addWearer } from "./newWearer";
import { stationHref } from "./stationHref";

/** Adds a talent to a scene, or to the first, and opens Dress for them. */
export function useAddTalent(): (sceneId?: string | null) => void {
  const store = useShootStore();
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  return (sceneId = null) => {
    const added = addWearer(store, store.snapshot().bundle, sceneId);
    goTo(stationHref(shootId, "dress", added.wearerId, added.sceneId));
  };
}
