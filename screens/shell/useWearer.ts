"use client";

import { useRouter, useSearchParams } from "next/navigation";
import { useMemo } from "react";
import { placeOfRig, planRig, type RigPlan } from "@/core/shoot/planRig";
import type { Stored } from "@/core/shoot/records";
import { useShoot } from "../saving/ShootProvider";

export interface WorkingOn {
  wearer: Stored<"wearer">;
  rig: Stored<"rig">;
  place: Stored<"place"> | null;
  plan: RigPlan;
}

/** The wearer named in the address, or the first, with the plan that follows from everything known. */
export function useWearer(): { workingOn: WorkingOn | null; choose: (wearerId: string) => void } {
  const { bundle } = useShoot();
  const router = useRouter();
  const wanted = useSearchParams().get("wearer");
  const rigged = bundle.wearers.filter((each) => bundle.rigs.some((rig) => rig.body.wearerId === each.id));
  const wearer = rigged.find((each) => each.id === wanted) ?? rigged[0] ?? null;
  const rig = wearer ? (bundle.rigs.find((each) => each.body.wearerId === wearer.id) ?? null) : null;
  const place = rig ? placeOfRig(bundle, rig.body) : null;
  const wearerBody = wearer?.body ?? null;
  const rigBody = rig?.body ?? null;
  const placeBody = place?.body ?? null;
  const plan = useMemo(
    () => (wearerBody && rigBody ? planRig(wearerBody, rigBody, placeBody, bundle.kit) : null),
    [wearerBody, rigBody, placeBody, bundle.kit],
  );
  return {
    workingOn: wearer && rig && plan ? { wearer, rig, place, plan } : null,
    choose: (wearerId) => router.replace(`?wearer=${wearerId}`, { scroll: false }),
  };
}
