"use client";

import { useCallback, useState } from "react";
import type { CutPlan, Pause } from "@/core/cut";
import type { DroppedFile } from "@/ui/FileDrop";
import type { Chosen } from "./treatments";
import { type AskEdit, useEditDoor } from "./useEditDoor";
import { type OpenState, useOpened } from "./useOpened";

/** A cut that is being made: what happens in the pauses, and what stays. */
export interface CutDraft {
  pauses: readonly Pause[];
  plan: CutPlan;
}

/** What somebody has chosen for a recording; it stays while they look at something else. */
export interface Draft {
  clean?: readonly Chosen[];
  cut?: CutDraft;
}

export interface Editing {
  door: AskEdit;
  chosen: DroppedFile | null;
  choose: (sound: DroppedFile) => void;
  state: OpenState;
  draftOf: (file: File) => Draft;
  keepDraft: (file: File, draft: Draft) => void;
}

/** The recording that is worked on, measured once, with what was chosen for it. */
export function useEditing(sounds: readonly DroppedFile[], isWanted: boolean): Editing {
  const door = useEditDoor();
  const [wanted, choose] = useState<DroppedFile | null>(null);
  const [drafts, setDrafts] = useState<ReadonlyMap<File, Draft>>(new Map());
  const chosen = sounds.find((sound) => sound === wanted) ?? sounds[0] ?? null;
  const state = useOpened(door, isWanted ? (chosen?.file ?? null) : null);
  const draftOf = (file: File) => drafts.get(file) ?? {};
  const keepDraft = useCallback(
    (file: File, draft: Draft) => setDrafts((before) => new Map(before).set(file, { ...before.get(file), ...draft })),
    [],
  );
  return { door, chosen, choose, state, draftOf, keepDraft };
}
