"use client";

import { useEffect, useMemo, useRef, useSyncExternalStore } from "react";
import type { StationId, Stitch } from "@/core/board";
import { STATION_IDS } from "@/core/board";
import { rigsOfScene } from "@/core/records";
import { useShoot, useShootPart } from "@/data/ShootProvider";
import { plannerOf, type LinePlans } from "./linePlanner";

/** How long a page has for itself before its rail and call list are planned, ms. */
const AFTER_MS = 200;

/** What is known of the board's lines, planned by a worker. */
export function useLinePlans(): LinePlans {
  const shootId = useShootPart(({ bundle }) => bundle.shoot.id);
  const planner = plannerOf(shootId);
  return useSyncExternalStore(planner.subscribe, planner.plans, planner.plans);
}

/** Has all lines of the board planned, those first that are seen. */
export function usePlanningAll(seen: string): void {
  const { bundle } = useShoot();
  const planner = plannerOf(bundle.shoot.id);
  const first = useRef(seen);
  useEffect(() => {
    first.current = seen;
  }, [seen]);
  useEffect(() => {
    // The board is drawn before the whole shoot is handed to the worker. What is read of it is read now, and so watched.
    const whole = { ...bundle };
    const soon = setTimeout(() => planner.plan(whole, first.current.split(" ")), 0);
    return () => clearTimeout(soon);
  }, [planner, bundle]);
}

/** Has the lines of one scene planned: what the rail and the call list of a station show. */
export function usePlanningOf(sceneId: string | null): void {
  const { bundle } = useShoot();
  const planner = plannerOf(bundle.shoot.id);
  useEffect(() => {
    if (!sceneId) return;
    const whole = { ...bundle };
    const soon = setTimeout(
      () =>
        planner.plan(
          whole,
          rigsOfScene(whole, sceneId).map(({ id }) => id),
          true,
        ),
      AFTER_MS,
    );
    return () => clearTimeout(soon);
  }, [planner, bundle, sceneId]);
}

/** One state for several talent: one that must be redone counts for all, else all of them must be as far. */
export function jointState(states: readonly Stitch[]): Stitch {
  if (states.includes("unpicked")) return "unpicked";
  return states.every((state) => state === states[0]) ? (states[0] ?? "loose") : "basted";
}

/** State of each station for one line, or for all that are known. */
export function useStationStates(line: string | null): Record<StationId, Stitch> | null {
  const { lines } = useLinePlans();
  return useMemo(() => {
    if (line !== null) return lines.get(line)?.stitches ?? null;
    const all = [...lines.values()];
    if (all.length === 0) return null;
    return Object.fromEntries(
      STATION_IDS.map((id) => [id, jointState(all.map(({ stitches }) => stitches[id]))]),
    ) as Record<StationId, Stitch>;
  }, [lines, line]);
}
