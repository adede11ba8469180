"use client";

import * as Comlink from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import { isWavName, type LinedUp } from "@/core/sync";
import { nameOf, tailOf } from "./pairs";
import type { LineUpDoor, Scanned } from "@/workers/lineUpWorker";
import type { DroppedFile } from "@/ui/FileDrop";

const PICTURES = /\.(mp4|m4v|mov|qt|webm|mkv)$/i;

/** How far lining up is. */
export type LineUpState =
  | { phase: "empty" }
  | { phase: "listening"; done: number; all: number; name: string }
  | { phase: "comparing"; share: number }
  | { phase: "done"; pictures: readonly Scanned[]; sounds: readonly Scanned[]; found: LinedUp };

interface Line {
  worker: Worker;
  door: Comlink.Remote<LineUpDoor>;
}

function openLine(): Line {
  const worker = new Worker(new URL("../../workers/lineUpWorker.ts", import.meta.url), { type: "module" });
  return { worker, door: Comlink.wrap<LineUpDoor>(worker) };
}

/** As many as there are cores less one. */
const lineCount = (): number => Math.max(1, Math.min(4, (navigator.hardwareConcurrency || 2) - 1));

/** Listens to files that are dropped and pairs them, telling what was found; what was dropped before stays, and is not listened to again. */
export function useLineUp(onFound: (found: Extract<LineUpState, { phase: "done" }>) => void) {
  const [state, setState] = useState<LineUpState>({ phase: "empty" });
  const [skipped, setSkipped] = useState(0);
  const lines = useRef<Line[]>([]);
  /** What was listened to, by path and size: a second drop adds to it. */
  const heard = useRef(new Map<string, Scanned>());
  const run = useRef(0);

  const end = useCallback(() => {
    run.current += 1;
    for (const { worker } of lines.current) worker.terminate();
    lines.current = [];
  }, []);
  useEffect(() => end, [end]);

  const door = useCallback((): Comlink.Remote<LineUpDoor> => {
    if (lines.current.length === 0) lines.current.push(openLine());
    return lines.current[0]!.door;
  }, []);

  const add = useCallback(
    async (files: readonly DroppedFile[]) => {
      const fit = files
        .map(({ file, path }) => ({ file, path: tailOf(path) }))
        .filter((each) => PICTURES.test(each.path) || isWavName(each.path));
      setSkipped(files.length - fit.length);
      if (fit.length === 0) return;
      end();
      const own = run.current;
      const isOver = () => run.current !== own;
      const keyOf = ({ file, path }: DroppedFile) => `${path} ${file.size} ${file.lastModified}`;
      const waiting = fit.filter((each) => !heard.current.has(keyOf(each)));
      const all = waiting.length;
      let done = 0;
      const show = (name: string) => {
        if (!isOver()) setState({ phase: "listening", done, all, name });
      };
      lines.current = Array.from({ length: Math.max(1, Math.min(all, lineCount())) }, openLine);
      await Promise.all(
        lines.current.map(async (line) => {
          for (let next = waiting.shift(); next && !isOver(); next = waiting.shift()) {
            show(nameOf(next.path));
            const { file, path } = next;
            const scanned = await line.door.scan(
              ...([file, path, PICTURES.test(path)] as const),
              Comlink.proxy(() => undefined),
            );
            if (isOver()) return;
            heard.current.set(keyOf(next), scanned);
            done += 1;
            show(nameOf(next.path));
          }
        }),
      );
      if (isOver()) return;
      const known = [...heard.current.values()];
      const pictures = known.filter(({ isPicture }) => isPicture);
      const sounds = known.filter(({ isPicture }) => !isPicture);
      setState({ phase: "comparing", share: 0 });
      const onShare = Comlink.proxy((share: number) => {
        // The last of them may come after what was found, over another port.
        if (!isOver()) setState((now) => (now.phase === "comparing" ? { phase: "comparing", share } : now));
      });
      const found = await door().lineUp(pictures, sounds, onShare);
      if (isOver()) return;
      const result = { phase: "done", pictures, sounds, found } as const;
      setState(result);
      onFound(result);
    },
    [door, end, onFound],
  );

  /** Stops; what was listened to so far is kept. */
  const stop = useCallback(() => {
    end();
    setState({ phase: "empty" });
  }, [end]);

  return { state, skipped, add, stop, door };
}
