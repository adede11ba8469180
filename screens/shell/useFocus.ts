"use client";

import { useMemo } from "react";
import { useShoot } from "@/data/ShootProvider";
import { useAddress } from "@/ui/address";
import { focusOf, type Focus } from "./focus";

/** The scene and the talent that are worked on, the same on every page: named in the address, or the first. */
export function useFocus(): Focus {
  const { bundle } = useShoot();
  const { query } = useAddress();
  const [wearerId, sceneId] = [query.get("wearer"), query.get("scene")];
  return useMemo(() => focusOf(bundle, { wearerId, sceneId }), [bundle, wearerId, sceneId]);
}
