"use client";

import * as Comlink from "comlink";
import { useCallback, useRef, useState } from "react";

/** How far one piece of work in a worker is; what is told of it after it is done, over another port, counts no more. */
export function useShare() {
  const [share, setShare] = useState<number | null>(null);
  const run = useRef(0);
  const begin = useCallback(() => {
    run.current += 1;
    const own = run.current;
    setShare(0);
    return Comlink.proxy((next: number) => {
      if (run.current === own) setShare(next);
    });
  }, []);
  const end = useCallback(() => {
    run.current += 1;
    setShare(null);
  }, []);
  return { share, begin, end };
}
