"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { DressInput } from "@/core/dress/outfit";
import type { SiteId } from "@/core/dress/sites";
import type { Possibility } from "@/core/dress/whatIf";
import type { DressDoor } from "@/workers/dressWorker";

interface Answered {
  input: DressInput;
  siteId: SiteId;
  possibilities: readonly Possibility[];
}

/** What would make a site possible or better, worked out beside the page; null while it is. */
export function useHelp(input: DressInput, siteId: SiteId): readonly Possibility[] | null {
  const [answered, setAnswered] = useState<Answered | null>(null);
  const worker = useRef<Worker | null>(null);
  useEffect(() => {
    worker.current ??= new Worker(new URL("../../workers/dressWorker.ts", import.meta.url), { type: "module" });
    let isWanted = true;
    void Comlink.wrap<DressDoor>(worker.current)
      .whatWouldHelp(input, siteId)
      .then((possibilities) => {
        if (isWanted) setAnswered({ input, siteId, possibilities });
      });
    return () => {
      isWanted = false;
    };
  }, [input, siteId]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  return answered && answered.input === input && answered.siteId === siteId ? answered.possibilities : null;
}
