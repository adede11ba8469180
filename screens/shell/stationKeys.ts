"use client";

import { useEffect, useSyncExternalStore } from "react";
import { type ControlCommand, useKeys, type KeyCommand } from "./useKeys";

const NONE: readonly KeyCommand[] = [];
const NO_CONTROLS: readonly ControlCommand[] = [];
let current: readonly KeyCommand[] = NONE;
const listeners = new Set<() => void>();

function set(next: readonly KeyCommand[]): void {
  current = next;
  listeners.forEach((listen) => listen());
}

const subscribe = (listen: () => void) => {
  listeners.add(listen);
  return () => listeners.delete(listen);
};

/** Single keys of one view: they work while it is shown, and stand in the list of keys. */
export function useStationKeys(commands: readonly KeyCommand[]): void {
  useKeys(commands, NO_CONTROLS, true);
  useEffect(() => {
    set(commands);
    return () => {
      if (current === commands) set(NONE);
    };
  }, [commands]);
}

/** What {@link useStationKeys} has in use, for the list of keys. */
export const useShownKeys = (): readonly KeyCommand[] =>
  useSyncExternalStore(
    subscribe,
    () => current,
    () => NONE,
  );
