"use client";

import * as Comlink from "comlink";
import { useEffect, useRef } from "react";
import type { PlaceDoor, Sound } from "@/workers/placeWorker";
import { decodeFile, isSound, looksLikeWav } from "../sound/decodeFile";

/** The worker that listens to claps and room tone and weighs a day's order; made when first asked. */
export function usePlaceDoor(): () => Comlink.Remote<PlaceDoor> {
  const made = useRef<{ worker: Worker; door: Comlink.Remote<PlaceDoor> } | null>(null);
  useEffect(
    () => () => {
      made.current?.worker.terminate();
      made.current = null;
    },
    [],
  );
  return () => {
    if (!made.current) {
      const worker = new Worker(new URL("../../workers/placeWorker.ts", import.meta.url), { type: "module" });
      made.current = { worker, door: Comlink.wrap<PlaceDoor>(worker) };
    }
    return made.current.door;
  };
}

/** A dropped file as the worker can read it; a sentence when this browser cannot. */
export async function soundOf(file: File): Promise<Sound | string> {
  if ((await looksLikeWav(file)) || !isSound(file)) return file;
  const buffer = await decodeFile(file);
  return typeof buffer === "string" ? buffer : { samples: buffer.getChannelData(0), sampleRateHz: buffer.sampleRate };
}
