"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { FrameRange, Shape, Spectrum } from "@/core/audio";
import type { LookDoor, Seen } from "@/workers/lookWorker";

/** A view that stands still so long is looked at closely, ms. */
const STILL_MS = 90;

export type Door = Comlink.Remote<LookDoor>;

/** A file that is looked at, and the worker that does. */
export interface Look {
  seen: Seen | null;
  door: Door | null;
}

/**
 * Opens a file for looking at, the whole of it in so many columns, none where its shape is known already; `seen` is null
 * until that is there, or for good where the file is no WAV.
 */
export function useLook(file: File, columns: number): Look {
  const [state, setState] = useState<Look>({ seen: null, door: null });
  useEffect(() => {
    const worker = new Worker(new URL("../../../workers/lookWorker.ts", import.meta.url), { type: "module" });
    const door = Comlink.wrap<LookDoor>(worker);
    let isGone = false;
    door.open(file, columns).then(
      (seen) => {
        if (!isGone) setState({ seen, door });
      },
      () => {
        // The worker ended: nothing is seen.
      },
    );
    return () => {
      isGone = true;
      worker.terminate();
    };
  }, [file, columns]);
  return state;
}

/** What a stretch of a file looks like closely, once the view stands still; the last one until then. */
export function useStretch<Result extends Shape | Spectrum>(
  key: string,
  range: FrameRange | null,
  look: (range: FrameRange) => Promise<Result | null> | undefined,
): { key: string; result: Result } | null {
  const [found, setFound] = useState<{ key: string; result: Result } | null>(null);
  const lookNow = useRef(look);
  useEffect(() => {
    lookNow.current = look;
  });
  const [from, frames] = [range?.from ?? 0, range?.frames ?? 0];
  useEffect(() => {
    if (frames <= 0) return;
    let isStale = false;
    const timer = setTimeout(() => {
      lookNow.current({ from, frames })?.then(
        (result) => {
          if (!isStale && result) setFound({ key, result });
        },
        () => {
          // The worker ended: what was seen last stays.
        },
      );
    }, STILL_MS);
    return () => {
      isStale = true;
      clearTimeout(timer);
    };
  }, [key, from, frames]);
  return found;
}
