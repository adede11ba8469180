"use client";

import { useEffect, useSyncExternalStore, type ComponentType, type ReactNode } from "react";

/** A part of the application that is loaded when it is first drawn, or a little before. */
export interface Later<Props> {
  (props: Props): ReactNode;
  /** Loads it now. */
  prepare: () => void;
}

/**
 * Loads a part when it is first drawn; `instead` stands in its place until then. Not React.lazy: React keeps a fallback that it
 * has shown for 300 ms, however soon the part is there, and every part within it for as long again.
 */
export function later<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  instead: ReactNode = null,
): Later<Props> {
  let Part: ComponentType<Props> | null = null;
  let fault: Error | null = null;
  let isAsked = false;
  const listeners = new Set<() => void>();
  const tell = () => listeners.forEach((listener) => listener());
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };

  function prepare(): void {
    if (isAsked) return;
    isAsked = true;
    load().then(
      (loaded) => {
        Part = loaded;
        tell();
      },
      (reason: unknown) => {
        fault = reason instanceof Error ? reason : new Error("A part of the application could not be loaded.");
        isAsked = false;
        tell();
        // Whoever tries again asks anew.
        setTimeout(() => {
          fault = null;
        }, 0);
      },
    );
  }

  function Loaded(props: Props): ReactNode {
    const Known = useSyncExternalStore(
      subscribe,
      () => Part,
      () => null,
    );
    const failed = useSyncExternalStore(
      subscribe,
      () => fault,
      () => null,
    );
    useEffect(prepare, []);
    if (Known) return <Known {...props} />;
    if (failed) throw failed;
    return instead;
  }
  return Object.assign(Loaded, { prepare });
}
