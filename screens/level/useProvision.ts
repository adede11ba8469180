"use client";

import { useRef } from "react";
import { provisionBodyOf } from "@/core/shoot/dayMedia";
import type { ProvisionBody } from "@/core/shoot/records";
import { useShootStore } from "../saving/ShootProvider";

/** Changes of what a shoot has to record on and to run on; the first one makes its record. */
export function useProvision(): (change: Partial<ProvisionBody>) => void {
  const store = useShootStore();
  // Made by a first change, before the page knows of it: quick moves must not make a second one.
  const made = useRef<string | null>(null);
  return (change) => {
    const { bundle } = store.snapshot();
    const known = bundle.provisions[0]?.id ?? made.current;
    if (known) store.edit("provision", known, (body) => ({ ...body, ...change }));
    else made.current = store.create("provision", { ...provisionBodyOf(bundle), ...change });
  };
}
