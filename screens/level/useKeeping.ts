"use client";

import { useCallback, useEffect, useRef, useState } from "react";

/** Keeps what is heard for some seconds: what runs, how long it still takes, and a way to end it early. */
export function useKeeping<Step extends string>(): {
  step: Step | null;
  leftS: number;
  keep: (step: Step, seconds: number, done: () => void) => void;
  end: () => void;
} {
  const [state, setState] = useState<{ step: Step | null; leftS: number }>({ step: null, leftS: 0 });
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const finish = useRef<(() => void) | null>(null);
  const end = useCallback(() => {
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    const done = finish.current;
    finish.current = null;
    setState({ step: null, leftS: 0 });
    done?.();
  }, []);
  useEffect(
    () => () => {
      if (timer.current) clearInterval(timer.current);
      finish.current = null;
    },
    [],
  );
  const keep = useCallback(
    (step: Step, seconds: number, done: () => void) => {
      if (timer.current) return;
      finish.current = done;
      const until = performance.now() + seconds * 1000;
      setState({ step, leftS: seconds });
      timer.current = setInterval(() => {
        const leftS = (until - performance.now()) / 1000;
        if (leftS <= 0) end();
        else setState({ step, leftS });
      }, 100);
    },
    [end],
  );
  return { ...state, keep, end };
}
