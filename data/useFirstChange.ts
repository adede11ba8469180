"use client";

import { ONE_FOR, type RecordBodies, type RecordKind } from "@/core/records";
import { idFor } from "./hub";
import { useShootStore } from "./ShootProvider";

/**
 * Changes a record of which there is one only, and which may not be there yet: the first change makes it from what was shown,
 * under an id that follows from what it is for. Two tabs, or two quick changes, never make two.
 */
export function useFirstChange() {
  const store = useShootStore();
  return <Kind extends RecordKind>(
    kind: Kind,
    knownId: string | undefined,
    shown: () => RecordBodies[Kind],
    change: (body: RecordBodies[Kind]) => RecordBodies[Kind],
    /** What tells it from others of its kind, where the kind does not say. */
    of: readonly string[] = [],
  ): void => {
    const initial = shown();
    const { shoot } = store.snapshot().bundle;
    const fields = (ONE_FOR[kind] ?? []).map((field) => String((initial as Record<string, unknown>)[field]));
    const id = knownId ?? idFor(shoot.id, kind, ...fields, ...of);
    if (knownId !== undefined || store.has(kind, id)) store.edit(kind, id, change);
    else store.create(kind, change(initial), { id, initial });
  };
}
