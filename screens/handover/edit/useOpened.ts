"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import { say } from "@/messages";
import type { Opened } from "@/workers/editWorker";
import type { AskEdit } from "./useEditDoor";

/** How far opening a recording is. */
export type OpenState =
  | { phase: "none" }
  | { phase: "measuring"; share: number }
  | { phase: "refused"; says: string }
  | { phase: "open"; file: File; opened: Opened };

/** Measures the recording that is chosen; one that was measured before is there at once. */
export function useOpened(door: AskEdit, file: File | null): OpenState {
  const known = useRef(new Map<File, Opened>());
  const [states, setStates] = useState<ReadonlyMap<File, OpenState>>(new Map());
  useEffect(() => {
    if (!file || known.current.has(file)) return;
    let [isOver, isEnded] = [false, false];
    const show = (state: OpenState) => {
      // What is told of the way there may come after the end of it, over another port.
      if (state.phase === "measuring" && (isEnded || known.current.has(file))) return;
      if (!isOver) setStates((before) => new Map(before).set(file, state));
    };
    void door()
      .open(
        file,
        Comlink.proxy((share: number) => show({ phase: "measuring", share })),
      )
      .then((answer) => {
        if ("refused" in answer) {
          isEnded = true;
          show({ phase: "refused", says: say(answer.refused) });
          return;
        }
        known.current.set(file, answer.value);
        show({ phase: "open", file, opened: answer.value });
      });
    return () => {
      isOver = true;
    };
  }, [door, file]);
  if (!file) return { phase: "none" };
  return states.get(file) ?? { phase: "measuring", share: 0 };
}
