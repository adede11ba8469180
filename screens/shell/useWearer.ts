"use client";

import { replaceAddress, useAddress } from "@/ui/address";
import { placeOfRig, planRig, type RigPlan } from "@/core/planning";
import type { Stored } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";
import { withFocus } from "./focus";
import { useFocus } from "./useFocus";

export interface WorkingOn {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  scene: Stored<"scene"> | null;
  place: Stored<"place"> | null;
  plan: RigPlan;
}

/** The talent and scene that are worked on, with the plan that follows from everything known. */
export function useWearer(): { workingOn: WorkingOn | null; choose: (wearerId: string, sceneId?: string) => void } {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const { talent: wearer, rig, scene } = useFocus();
  const choose = (wearerId: string, sceneId?: string) => replaceAddress(withFocus(query, { wearerId, sceneId }));
  if (!wearer || !rig) return { workingOn: null, choose };
  const place = placeOfRig(bundle, rig.body);
  const plan = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
  return { workingOn: { wearer, rig, scene, place, plan }, choose };
}
