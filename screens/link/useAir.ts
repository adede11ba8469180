"use client";

import { airBodyOf, storedAir } from "@/core/planning";
import type { AirBody } from "@/core/records";
import type { AirLink } from "@/core/wireless";
import type { AirDoor } from "@/workers/airWorker";
import { useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";
import { useDoor } from "../workers/useDoor";

export interface AirEdits {
  edit: (change: (body: AirBody) => AirBody) => void;
  setLink: (id: string, change: Partial<AirLink>) => void;
}

/** Changes of the shoot's air; the first one makes its record from what was shown. */
export function useAir(): AirEdits {
  const store = useShootStore();
  const changeOrMake = useFirstChange();
  function edit(change: (body: AirBody) => AirBody): void {
    const { bundle } = store.snapshot();
    const shown = airBodyOf(bundle);
    changeOrMake(
      "air",
      storedAir(bundle)?.id,
      () => shown,
      (body) => change({ ...body, links: shown.links }),
    );
  }
  return {
    edit,
    setLink: (id, change) =>
      edit((body) => ({
        ...body,
        links: body.links.map((link) => (link.id === id ? { ...link, ...change } : link)),
      })),
  };
}

const make = () => new Worker(new URL("../../workers/airWorker.ts", import.meta.url), { type: "module" });

/** The worker that coordinates and reads scans. */
export const useAirDoor = () => useDoor<AirDoor>(make);
