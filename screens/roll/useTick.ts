"use client";

import { useSyncExternalStore } from "react";

const never = () => () => undefined;
const everyMs = (ms: number) => (listen: () => void) => {
  const timer = setInterval(listen, ms);
  return () => clearInterval(timer);
};

/** A number that changes every so often, so that what is drawn from a clock is drawn anew; it stands still where nothing runs. */
export function useTick(ms: number, isRunning: boolean): number {
  return useSyncExternalStore(
    isRunning ? everyMs(ms) : never,
    () => (isRunning ? Math.floor(Date.now() / ms) : 0),
    () => 0,
  );
}
