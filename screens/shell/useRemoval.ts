"use client";

import type { RecordKind } from "@/core/records";
import { useShootStore } from "@/data/ShootProvider";
import { showToast } from "@/ui/toasts";

/** Deletes with a way back: the toast undoes it. */
export function useRemoval(): (kind: RecordKind, id: string, name: string) => void {
  const store = useShootStore();
  return (kind, id, name) => {
    const undo = store.remove(kind, id);
    showToast({ says: `${name} deleted.`, action: { name: "Undo", run: undo } });
  };
}
