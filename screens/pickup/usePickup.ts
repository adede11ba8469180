"use client";

import { useRef } from "react";
import type { PickupSetup, PickupWishes, PlacedMic, Talker } from "@/core/pickup/setup";
import { storedPickup } from "@/core/shoot/storedPickup";
import type { PickupBody } from "@/core/shoot/records";
import { useShootStore } from "../saving/ShootProvider";

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
  // Made by a first change, before the page knows of it: quick moves must not make a second one.
  const made = useRef(new Map<string, string>());
  function edit(change: (body: PickupBody) => PickupBody): void {
    const known = storedPickup(store.snapshot().bundle, shown.sceneId)?.id ?? made.current.get(shown.sceneId) ?? null;
    if (known) store.edit("pickup", known, change);
    else made.current.set(shown.sceneId, store.create("pickup", change(shown)));
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
