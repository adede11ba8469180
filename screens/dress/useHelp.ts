"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { DressInput, Possibility, SiteId } from "@/core/dress";
import type { DressDoor } from "@/workers/dressWorker";

interface Answered {
  input: DressInput;
  siteId: SiteId;
  possibilities: readonly Possibility[] | "failed";
}

/** The worker with its door, which is kept: a door that is dropped closes the worker. */
interface Desk {
  worker: Worker;
  door: Comlink.Remote<DressDoor>;
}

function openDesk(): Desk {
  const worker = new Worker(new URL("../../workers/dressWorker.ts", import.meta.url), { type: "module" });
  return { worker, door: Comlink.wrap<DressDoor>(worker) };
}

/** What would make a site possible or better, worked out beside the page; null while it is, "failed" when it could not. */
export function useHelp(input: DressInput, siteId: SiteId): readonly Possibility[] | "failed" | null {
  const [answered, setAnswered] = useState<Answered | null>(null);
  const desk = useRef<Desk | null>(null);
  useEffect(() => {
    desk.current ??= openDesk();
    let isWanted = true;
    const answer = (possibilities: Answered["possibilities"]) => {
      if (isWanted) setAnswered({ input, siteId, possibilities });
    };
    desk.current.door.whatWouldHelp(input, siteId).then(answer, () => answer("failed"));
    return () => {
      isWanted = false;
    };
  }, [input, siteId]);
  useEffect(
    () => () => {
      desk.current?.worker.terminate();
      desk.current = null;
    },
    [],
  );
  return answered && answered.input === input && answered.siteId === siteId ? answered.possibilities : null;
}
