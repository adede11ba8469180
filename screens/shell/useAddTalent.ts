"use client";

import { useShootPart, useShootStore } from "@/data/ShootProvider";
import { goTo } from "@/ui/address";
import { addWearer } from "./newWearer";
import { stationHref } from "./stationHref";

let lastAdded: string | null = null;

/** Whether a talent was just added: what they wear is asked next, and asked once. */
export function isJustAdded(wearerId: string): boolean {
  if (lastAdded !== wearerId) return false;
  lastAdded = null;
  return true;
}

/** Adds a talent to a scene, or to the first, and opens Dress for them, at their first garment. */
export function useAddTalent(): (sceneId?: string | null) => void {
  const store = useShootStore();
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  return (sceneId = null) => {
    const added = addWearer(store, store.snapshot().bundle, sceneId);
    lastAdded = added.wearerId;
    goTo(stationHref(shootId, "dress", added.wearerId, added.sceneId));
  };
}
