"use client";

import { provisionBodyOf } from "@/core/planning";
import type { ProvisionBody } from "@/core/records";
import { useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";

/** Changes of what a shoot has to record on and to run on. */
export function useProvision(): (change: Partial<ProvisionBody>) => void {
  const store = useShootStore();
  const changeOrMake = useFirstChange();
  return (change) => {
    const { bundle } = store.snapshot();
    const shown = () => provisionBodyOf(bundle);
    changeOrMake("provision", bundle.provisions[0]?.id, shown, (body) => ({ ...body, ...change }));
  };
}
