"use client";

import { useMemo, useState } from "react";
import { numbered, rollSetupOf, slateOf } from "@/core/planning";
import type { MarkBody } from "@/core/records";
import { allKinds, joinsPicture, keyKinds, nextTake } from "@/core/roll";
import { useShoot, useShootStore } from "@/data/ShootProvider";
import { useFirstChange } from "@/data/useFirstChange";
import { useFocus } from "../shell/useFocus";
import { type Draft, rollActions } from "./rollActions";
import { runningOf } from "./rollWords";
import { useTick } from "./useTick";

const MINUTE_MS = 60_000;

/** What is rolled in the scene that is worked on, and what can be done. */
export function useRolling() {
  const { bundle } = useShoot();
  const store = useShootStore();
  const firstChange = useFirstChange();
  const { scene } = useFocus();
  const sceneId = scene?.id ?? null;
  const [draft, setDraft] = useState<Draft | null>(null);
  const own = draft?.sceneId === sceneId ? draft : null;
  const slate = own?.slate ?? slateOf(bundle, sceneId);
  const type = own?.type ?? "take";
  const setup = rollSetupOf(bundle);
  // A take that was forgotten is none after half a day: a look a minute is enough.
  const running = runningOf(bundle.rolls, useTick(MINUTE_MS, true) * MINUTE_MS);
  const day = scene?.body.day ?? 1;

  const actions = useMemo(
    () => rollActions({ store, firstChange, sceneId, day, slate, type, setDraft }),
    [store, firstChange, sceneId, day, slate, type],
  );
  // The same kinds are the same list: a mark seldom changes which are used most.
  const used = usedKinds(bundle.marks);
  const keys = useSame(keyKinds(used, setup.ownKinds));
  const kinds = useSame(allKinds(used, setup.ownKinds));
  return {
    bundle,
    scene,
    day,
    setup,
    running,
    slate,
    type,
    /** The number that the next take gets. */
    take: nextTake(numbered(bundle.rolls), { sceneId, slate, type }),
    keys,
    kinds,
    actions,
    ...actions,
  };
}
export type Rolling = ReturnType<typeof useRolling>;

/** Kinds of marks that somebody has pressed; claps are always at hand. */
const usedKinds = (marks: readonly { body: MarkBody }[]): string[] =>
  marks.filter(({ body }) => body.source === "pressed" && !joinsPicture(body.kind)).map(({ body }) => body.kind);

/** A list of words that is the same list as long as its words are. */
function useSame(words: readonly string[]): readonly string[] {
  const key = words.join("\n");
  return useMemo(() => key.split("\n"), [key]);
}
