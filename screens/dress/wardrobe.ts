import { say } from "@/messages";
import { contradictionsOf, type Layer, type Outfit } from "@/core/dress";
import { showToast } from "@/ui/toasts";
import type { ShootStore } from "@/data/shootStore";

/** Where an outfit is kept: with the wearer, or with one scene's rig. */
export interface Wardrobe {
  wearerId: string;
  /** The rig whose scene has an outfit of its own; null while the wearer's usual one is worn. */
  rigId: string | null;
}

/** An outfit as changed, or as it was, with the reason said, where the change cannot be worn. */
function wearable(outfit: Outfit, edit: (outfit: Outfit) => Outfit): Outfit {
  const changed = edit(outfit);
  const [fault] = contradictionsOf(changed);
  if (!fault) return changed;
  showToast({ says: say(fault.says) });
  return outfit;
}

/** Changes an outfit from what it is now, wherever it is kept. What cannot be worn is not taken. */
export function editOutfit(store: ShootStore, { wearerId, rigId }: Wardrobe, edit: (outfit: Outfit) => Outfit): void {
  if (rigId)
    store.edit("rig", rigId, (rig) => {
      if (!rig.outfit) return rig;
      const outfit = wearable(rig.outfit, edit);
      return outfit === rig.outfit ? rig : { ...rig, outfit };
    });
  else
    store.edit("wearer", wearerId, (wearer) => {
      const outfit = wearable(wearer.outfit, edit);
      return outfit === wearer.outfit ? wearer : { ...wearer, outfit };
    });
}

/** Changes the layers; what can no longer be worn with them comes off. */
export const editLayers = (store: ShootStore, wardrobe: Wardrobe, edit: (layers: Layer[]) => Layer[]) =>
  editOutfit(store, wardrobe, (outfit) => withoutStrays({ ...outfit, layers: edit(outfit.layers) }));

/** Takes off what can no longer be worn with these layers: a tie without its collar. */
function withoutStrays(outfit: Outfit): Outfit {
  return {
    ...outfit,
    accessories: outfit.accessories.filter((accessory) =>
      contradictionsOf({ ...outfit, accessories: [accessory] }).every(({ path }) => path !== "accessories"),
    ),
  };
}
