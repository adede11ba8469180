"use client";

import { useSyncExternalStore } from "react";

const never = () => () => undefined;
/** One way of listening for each interval, so that nothing is heard anew with each drawing. */
const listening = new Map<number, (listen: () => void) => () => void>();
function everyMs(ms: number): (listen: () => void) => () => void {
  const known = listening.get(ms);
  if (known) return known;
  const made = (listen: () => void) => {
    const timer = setInterval(listen, ms);
    return () => clearInterval(timer);
  };
  listening.set(ms, made);
  return made;
}

/** A number that changes every so often, so that what is drawn from a clock is drawn anew; it stands still where nothing runs. */
export function useTick(ms: number, isRunning: boolean): number {
  return useSyncExternalStore(
    isRunning ? everyMs(ms) : never,
    () => (isRunning ? Math.floor(Date.now() / ms) : 0),
    () => 0,
  );
}
