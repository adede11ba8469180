"use client";

import { say } from "@/messages";
import * as Comlink from "comlink";
import { startTransition, useEffect, useRef, useState } from "react";
import type { MeasuredRecording } from "@/core/check";
import { isSound, looksLikeWav } from "../sound/decodeFile";
import { measureDecoded } from "./measureDecoded";
import type { MeasureDoor, MeasureOutcome } from "@/workers/measureWorker";

export type MeasureState =
  | { phase: "idle" }
  | { phase: "measuring"; file: File; share: number | null }
  | { phase: "refused"; file: string; message: string }
  | { phase: "measured"; file: File; recording: MeasuredRecording };

/** Measures one file at a time in a worker, with progress and a way to stop. */
export function useMeasure() {
  const [state, setState] = useState<MeasureState>({ phase: "idle" });
  const worker = useRef<{ worker: Worker; door: Comlink.Remote<MeasureDoor> } | null>(null);
  const run = useRef(0);

  useEffect(
    () => () => {
      worker.current?.worker.terminate();
      worker.current = null;
    },
    [],
  );

  function doorOf(): Comlink.Remote<MeasureDoor> {
    if (!worker.current) {
      const made = new Worker(new URL("../../workers/measureWorker.ts", import.meta.url), { type: "module" });
      worker.current = { worker: made, door: Comlink.wrap<MeasureDoor>(made) };
    }
    return worker.current.door;
  }

  async function measure(file: File): Promise<void> {
    const mine = ++run.current;
    const tell = (next: MeasureState) => {
      if (mine === run.current) setState(next);
    };
    let isDone = false;
    const onShare = (share: number) => {
      // The last progress may arrive after the result.
      if (!isDone) tell({ phase: "measuring", file, share });
    };
    tell({ phase: "measuring", file, share: null });
    let result: MeasureOutcome;
    try {
      const door = doorOf();
      result =
        (await looksLikeWav(file)) || !isSound(file)
          ? await door.measure(file, Comlink.proxy(onShare))
          : await measureDecoded(door, file, onShare);
    } catch {
      result = { outcome: "refused", says: { code: "refused.unreadable" } };
    }
    isDone = true;
    if (result.outcome === "measured") {
      const { recording } = result;
      // The findings of a long file may be many: the page stays free while they are laid out.
      startTransition(() => tell({ phase: "measured", file, recording }));
    } else if (result.outcome === "refused") tell({ phase: "refused", file: file.name, message: say(result.says) });
    else tell({ phase: "idle" });
  }

  /** Ends the worker at once: nothing to wait for, whatever it was doing. */
  function cancel(): void {
    run.current += 1;
    worker.current?.worker.terminate();
    worker.current = null;
    setState({ phase: "idle" });
  }

  return { state, measure, cancel };
}
