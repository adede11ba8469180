"use client";

import { useEffect } from "react";
import { useHub } from "@/data/ShootProvider";
import { showToast } from "@/ui/toasts";

/** Says when changes that an earlier visit had to leave on this device have reached the server. */
export function useSavedEarlier(): void {
  const hub = useHub();
  useEffect(() => {
    let told = 0;
    const tell = () => {
      const saved = hub.savedEarlier() - told;
      if (saved <= 0) return;
      told += saved;
      showToast({
        says:
          saved === 1 ? "1 change from your last visit is saved." : `${saved} changes from your last visit are saved.`,
      });
    };
    tell();
    return hub.subscribe(tell);
  }, [hub]);
}
