import type { RecordKind } from "@/core/records";

/** One step that can be taken back: what it was done to, and how to go back and forth. */
export interface Step {
  /** What was changed: more changes of the same soon after are the same step. */
  of: string;
  atMs: number;
  undo: () => void;
  redo: () => void;
}

/** Changes of one thing closer together than this are one step, ms. */
const SAME_STEP_MS = 1000;
/** So many steps back can be gone. */
const MOST_STEPS = 100;

export interface EditHistory {
  /** Remembers a step; inside of an undo or redo nothing is remembered. */
  remember: (step: Step) => void;
  /** Takes back the last step; false where there is none. */
  undo: () => boolean;
  /** Does again what was taken back last; false where there is nothing. */
  redo: () => boolean;
}

/** What was done on this page, so that it can be taken back and done again. */
export function editHistory(): EditHistory {
  const done: Step[] = [];
  let undone: Step[] = [];
  let isReplaying = false;
  function replay(act: () => void): void {
    isReplaying = true;
    try {
      act();
    } finally {
      isReplaying = false;
    }
  }
  return {
    remember(step) {
      if (isReplaying) return;
      undone = [];
      const last = done.at(-1);
      if (last && last.of === step.of && step.atMs - last.atMs < SAME_STEP_MS)
        done[done.length - 1] = { ...step, undo: last.undo };
      else done.push(step);
      if (done.length > MOST_STEPS) done.shift();
    },
    undo() {
      const step = done.pop();
      if (!step) return false;
      undone.push(step);
      replay(step.undo);
      return true;
    },
    redo() {
      const step = undone.pop();
      if (!step) return false;
      done.push(step);
      replay(step.redo);
      return true;
    },
  };
}

/** Name of what is edited: fields of one record. */
export const editOf = (kind: RecordKind, id: string, paths: readonly (readonly string[])[]): string =>
  `${kind} ${id} ${paths.map((path) => path.join("/")).join(" ")}`;
