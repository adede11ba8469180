"use client";

import { useRef } from "react";
import type { RecordBodies, RecordKind } from "@/core/shoot/records";
import { useShootStore } from "./ShootProvider";

/**
 * Changes a record that may not be stored yet: the first change makes it from what was shown. `key` tells records of a kind
 * apart; what this page has made is known by it before it is in the shoot, so that quick changes never make a second one.
 */
export function useFirstChange() {
  const store = useShootStore();
  const made = useRef(new Map<string, string>());
  return <Kind extends RecordKind>(
    kind: Kind,
    key: string,
    knownId: string | undefined,
    shown: () => RecordBodies[Kind],
    change: (body: RecordBodies[Kind]) => RecordBodies[Kind],
  ): void => {
    const id = knownId ?? made.current.get(`${kind} ${key}`);
    if (id) store.edit(kind, id, change);
    else made.current.set(`${kind} ${key}`, store.create(kind, change(shown())));
  };
}
