"use client";

import type { PickupSetup, PickupWishes, PlacedMic, Talker } from "@/core/pickup";
import { storedPickup } from "@/core/planning";
import type { PickupBody } from "@/core/records";
import { useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";

export interface PickupEdits {
  setWishes: (change: Partial<PickupWishes>) => void;
  setTalker: (id: string, change: Partial<Talker>) => void;
  setSetup: (change: (now: PickupSetup) => PickupSetup) => void;
  /** Changes one of these microphones, which become the placed ones. */
  setMic: (mics: readonly PlacedMic[], id: string, change: Partial<PlacedMic>) => void;
}

/** Changes of a scene's pickup; the first one makes its record from what was shown. */
export function usePickup(shown: PickupBody): PickupEdits {
  const store = useShootStore();
  const changeOrMake = useFirstChange();
  function edit(change: (body: PickupBody) => PickupBody): void {
    const known = storedPickup(store.snapshot().bundle, shown.sceneId)?.id;
    changeOrMake("pickup", known, () => shown, change);
  }
  const setSetup: PickupEdits["setSetup"] = (change) => edit((body) => ({ ...body, setup: change(body.setup) }));
  return {
    setSetup,
    setWishes: (change) => edit((body) => ({ ...body, wishes: { ...body.wishes, ...change } })),
    setTalker: (id, change) =>
      setSetup((now) => ({
        ...now,
        talkers: now.talkers.map((talker) => (talker.id === id ? { ...talker, ...change } : talker)),
      })),
    setMic: (mics, id, change) =>
      setSetup((now) => ({ ...now, mics: mics.map((mic) => (mic.id === id ? { ...mic, ...change } : mic)) })),
  };
}
