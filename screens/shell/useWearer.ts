"use client";

import { replaceAddress, useAddress } from "@/ui/address";
import { placeOfRig, planRig, type RigPlan } from "@/core/planning";
import { rigsOfWearer, type Stored } from "@/core/records";
import { useShoot } from "@/data/ShootProvider";

export interface WorkingOn {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  scene: Stored<"scene"> | null;
  place: Stored<"place"> | null;
  plan: RigPlan;
}

/** The wearer and scene named in the address, or the first, with the plan that follows from everything known. */
export function useWearer(): { workingOn: WorkingOn | null; choose: (wearerId: string) => void } {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const wantedWearer = query.get("wearer");
  const wantedScene = query.get("scene");
  const rigged = bundle.wearers.filter((each) => bundle.rigs.some((rig) => rig.body.wearerId === each.id));
  const wearer = rigged.find((each) => each.id === wantedWearer) ?? rigged[0] ?? null;
  const rigs = wearer ? rigsOfWearer(bundle, wearer.id) : [];
  const rig = rigs.find((each) => each.body.sceneId === wantedScene) ?? rigs[0] ?? null;
  const place = rig ? placeOfRig(bundle, rig.body) : null;
  const choose = (wearerId: string) => replaceAddress(`?wearer=${wearerId}`);
  if (!wearer || !rig) return { workingOn: null, choose };
  const scene = bundle.scenes.find((each) => each.id === rig.body.sceneId) ?? null;
  const plan = planRig(wearer.body, rig.body, place?.body ?? null, bundle.kit);
  return { workingOn: { wearer, rig, scene, place, plan }, choose };
}
