"use client";

import { useCallback, useEffect, useRef, useState } from "react";

/** Plays samples; one at a time, told by a name. */
export function usePlay() {
  const context = useRef<AudioContext | null>(null);
  const source = useRef<AudioBufferSourceNode | null>(null);
  const [playing, setPlaying] = useState<string | null>(null);
  const stop = useCallback(() => {
    const last = source.current;
    source.current = null;
    last?.stop();
    setPlaying(null);
  }, []);
  useEffect(
    () => () => {
      source.current?.stop();
      void context.current?.close();
    },
    [],
  );
  const play = useCallback(
    async (name: string, samples: Float32Array, sampleRateHz: number) => {
      stop();
      context.current ??= new AudioContext();
      const here = context.current;
      await here.resume();
      const buffer = here.createBuffer(1, Math.max(1, samples.length), sampleRateHz);
      buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0);
      const node = new AudioBufferSourceNode(here, { buffer });
      node.connect(here.destination);
      node.onended = () => {
        if (source.current !== node) return;
        source.current = null;
        setPlaying(null);
      };
      node.start();
      source.current = node;
      setPlaying(name);
    },
    [stop],
  );
  return { playing, play, stop };
}
