"use client";

import { clipText } from "@/core/schema";
import { useHub, useShootStore } from "@/data/ShootProvider";
import { goTo } from "@/ui/address";
import { showToast } from "@/ui/toasts";
import { duplicateShoot, exportShoot } from "../shoots/shootFiles";

/** What can be done with a whole shoot from within it. */
export function useShootDeeds(): { duplicate: () => void; save: () => void; remove: () => void } {
  const hub = useHub();
  const store = useShootStore();
  const { bundle } = store.snapshot();
  const { title } = bundle.shoot.body;
  return {
    duplicate() {
      const id = duplicateShoot(hub, store.snapshot().bundle, { title: clipText(`${title} (copy)`, 120) });
      goTo(`/shoots/${id}`);
      showToast({ says: `${title} is copied: plans and kit, without consent, ticks and takes.` });
    },
    save() {
      void exportShoot(store.snapshot().bundle).then(({ withoutDetails }) => {
        if (withoutDetails > 0)
          showToast({ says: "Saved without what was measured of its takes: the server is unreachable." });
      });
    },
    remove() {
      const { shoot } = store.snapshot().bundle;
      goTo("/");
      hub.remove("shoot", shoot);
      showToast({
        says: `${title} is in the bin for 30 days.`,
        action: { name: "Undo", run: () => hub.restore("shoot", shoot.id, title) },
      });
    },
  };
}
