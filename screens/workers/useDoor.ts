"use client";

import * as Comlink from "comlink";
import { useCallback, useEffect, useRef } from "react";

/** The door of a worker that is made when first asked for, and ended with whoever asked; the function stays the same. `make` is one that does, too. */
export function useDoor<Door>(make: () => Worker): () => Comlink.Remote<Door> {
  const made = useRef<{ worker: Worker; door: Comlink.Remote<Door> } | null>(null);
  useEffect(
    () => () => {
      made.current?.worker.terminate();
      made.current = null;
    },
    [],
  );
  return useCallback(() => {
    if (!made.current) {
      const worker = make();
      made.current = { worker, door: Comlink.wrap<Door>(worker) };
    }
    return made.current.door;
  }, [make]);
}
