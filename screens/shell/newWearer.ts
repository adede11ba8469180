import { THREADS, type RigBody, type ShootBundle, type WearerBody } from "@/core/shoot/records";
import type { ShootStore } from "../saving/shootStore";

const FIRST_PERFORMANCE: RigBody["performance"] = {
  faces: "camera",
  action: "sitting",
  shot: "medium",
  mayBeSeen: true,
  softest: "soft",
  loudest: "raised",
};

const FIRST_OUTFIT: WearerBody["outfit"] = {
  layers: [{ garment: "shirt", fabric: "cotton", fit: "fitted", opening: "closed", pattern: "plain" }],
  accessories: [],
};

/** Adds a person in a shirt, in a scene at the first place; returns their id. */
export function addWearer(store: ShootStore, bundle: ShootBundle): string {
  const shootId = bundle.shoot.id;
  const wearerId = store.create("wearer", {
    shootId,
    name: `Wearer ${bundle.wearers.length + 1}`,
    heightM: 1.7,
    voiceOffsetDb: 0,
    thread: bundle.wearers.length % THREADS,
    outfit: FIRST_OUTFIT,
  });
  const sceneId =
    bundle.scenes[0]?.id ?? store.create("scene", { shootId, title: "Scene 1", placeId: bundle.places[0]?.id ?? null });
  store.create("rig", {
    shootId,
    wearerId,
    sceneId,
    performance: FIRST_PERFORMANCE,
    siteId: null,
    isRigged: false,
    consent: "notAsked",
    lavId: null,
    packId: null,
    receiverId: null,
    inputId: null,
    isSet: false,
    targetDbfs: -12,
    ceilingDbfs: -6,
  });
  return wearerId;
}
