"use client";

import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import type { RecordKind, ShootBundle } from "@/core/shoot/records";
import { showToast } from "@/ui/toasts";
import { shootStore, type ShootSnapshot, type ShootStore } from "./shootStore";

const Context = createContext<ShootStore | null>(null);

/** Holds one shoot's records for all its screens. */
export function ShootProvider({ bundle, children }: { bundle: ShootBundle; children: ReactNode }) {
  const [store] = useState(() => shootStore(bundle));
  useEffect(() => {
    store.recover();
    return store.close;
  }, [store]);
  return <Context value={store}>{children}</Context>;
}

export function useShootStore(): ShootStore {
  const store = useContext(Context);
  if (!store) throw new Error("This screen stands outside a shoot.");
  return store;
}

/** The shoot as it is now. */
export function useShoot(): ShootSnapshot {
  const store = useShootStore();
  return useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
}

/** Deletes with a way back: the toast undoes it. */
export function useRemoval(): (kind: RecordKind, id: string, name: string) => void {
  const store = useShootStore();
  return (kind, id, name) => {
    const fail = (error: unknown) => showToast({ says: error instanceof Error ? error.message : "That did not work." });
    store
      .remove(kind, id)
      .then(() =>
        showToast({
          says: `${name} deleted.`,
          action: { name: "Undo", run: () => void store.restore(kind, id).catch(fail) },
        }),
      )
      .catch(fail);
  };
}
