"use client";

import * as Comlink from "comlink";
import { useCallback, useRef, useState } from "react";
import type { BagProgress, BagResult, CopyDoor, Entry } from "@/workers/copyWorker";
import { useDoor } from "../../workers/useDoor";

const make = () => new Worker(new URL("../../../workers/copyWorker.ts", import.meta.url), { type: "module" });

/** How far a copy is, with how fast it goes. */
export interface CopyState extends BagProgress {
  bytesPerS: number;
  /** Null until the pace is known. */
  leftS: number | null;
}

/** Copies that are read back and compared, by a worker; one at a time. */
export function useCopy() {
  const door = useDoor<CopyDoor>(make);
  const [state, setState] = useState<CopyState | null>(null);
  const run = useRef(0);
  const paced = useCallback(() => {
    run.current += 1;
    const own = run.current;
    const beganMs = performance.now();
    setState({ doneBytes: 0, allBytes: 1, name: "", bytesPerS: 0, leftS: null });
    return Comlink.proxy((progress: BagProgress) => {
      // What is told after the end, over another port, counts no more.
      if (run.current !== own) return;
      const seconds = (performance.now() - beganMs) / 1000;
      const bytesPerS = progress.doneBytes / Math.max(0.1, seconds);
      const left = (progress.allBytes - progress.doneBytes) / Math.max(1, bytesPerS);
      setState({ ...progress, bytesPerS, leftS: seconds > 2 ? left : null });
    });
  }, []);
  const end = useCallback(() => {
    run.current += 1;
    setState(null);
  }, []);
  const copy = useCallback(
    async (
      entries: readonly Entry[],
      targets: readonly FileSystemDirectoryHandle[],
      own: { date: string; about: string },
    ): Promise<BagResult> => {
      const result = await door().writeBag(entries, targets, own, paced());
      end();
      return result;
    },
    [door, paced, end],
  );
  const check = useCallback(
    async (bag: FileSystemDirectoryHandle) => {
      const result = await door().checkBag(bag, paced());
      end();
      return result;
    },
    [door, paced, end],
  );
  const cancel = useCallback(() => void door().cancel(), [door]);
  return { state, copy, check, cancel };
}
