"use client";

import { say } from "@/messages";
import type { PlaceDoor, Sound } from "@/workers/placeWorker";
import { decodeFile, isSound, looksLikeWav } from "../sound/decodeFile";
import { useDoor } from "../workers/useDoor";

const make = () => new Worker(new URL("../../workers/placeWorker.ts", import.meta.url), { type: "module" });

/** The worker that listens to claps and room tone and weighs a day's order. */
export const usePlaceDoor = () => useDoor<PlaceDoor>(make);

/** A dropped file as the worker can read it; a sentence when this browser cannot. */
export async function soundOf(file: File): Promise<Sound | string> {
  if ((await looksLikeWav(file)) || !isSound(file)) return file;
  const buffer = await decodeFile(file);
  return "code" in buffer ? say(buffer) : { samples: buffer.getChannelData(0), sampleRateHz: buffer.sampleRate };
}
