"use client";

import * as Comlink from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { MeterReading } from "@/core/meter";
import type { MeterDoor } from "@/workers/meterWorker";
import { changesOf, NOT_SECURE, PLAIN_SOUND, refusalOf } from "./plainSound";

export type Reading = MeterReading & { lostS: number };

export type LiveState =
  | { phase: "idle" }
  | { phase: "asking" }
  | { phase: "listening"; deviceName: string }
  /** The browser has suspended the audio. */
  | { phase: "paused" }
  | { phase: "refused" | "unplugged"; message: string };

export interface InputDevice {
  id: string;
  name: string;
}

interface Running {
  context: AudioContext;
  stream: MediaStream;
  worker: Worker;
  door: Comlink.Remote<MeterDoor>;
}

const UNPLUGGED =
  "The microphone is gone: was it unplugged? What was heard until then is kept. Plug it in and start again.";

/** At the rate of the input, so that nothing is converted; where the browser will not, at its own. */
function contextFor(track: MediaStreamTrack): AudioContext {
  const { sampleRate } = track.getSettings();
  try {
    return new AudioContext(sampleRate ? { sampleRate } : {});
  } catch {
    return new AudioContext();
  }
}

function noteOn(track: MediaStreamTrack, context: AudioContext): string[] {
  const changes = changesOf(track);
  const rateHz = track.getSettings().sampleRate;
  return [
    ...(changes.length > 0
      ? [
          `This browser will not switch off its ${changes.join(", ")}: what is measured here is changed. Use a recorder's file in Check instead.`,
        ]
      : []),
    ...(rateHz !== undefined && rateHz !== context.sampleRate
      ? [
          `The input runs at ${rateHz / 1000} kHz and the browser at ${context.sampleRate / 1000}: it converts, so peaks may differ by a few tenths.`,
        ]
      : []),
  ];
}

/**
 * The browser's microphone as it goes: a worklet hands blocks to a worker, the worker meters them. Readings do not pass
 * through React: whoever draws asks for the newest one.
 */
export function useLiveInput() {
  const [state, setState] = useState<LiveState>({ phase: "idle" });
  const [notes, setNotes] = useState<readonly string[]>([]);
  const [devices, setDevices] = useState<readonly InputDevice[]>([]);
  const running = useRef<Running | null>(null);
  const newest = useRef<Reading | null>(null);
  /** Counts starts, so that a slow one that was overtaken does not come back. */
  const starts = useRef(0);

  const close = useCallback((then: LiveState) => {
    const now = running.current;
    running.current = null;
    starts.current += 1;
    setState(then);
    if (!now) return;
    now.stream.getTracks().forEach((track) => track.stop());
    now.context.onstatechange = null;
    void now.context.close();
  }, []);

  const workerOf = useRef<Pick<Running, "worker" | "door"> | null>(null);
  useEffect(
    () => () => {
      close({ phase: "idle" });
      workerOf.current?.worker.terminate();
      workerOf.current = null;
    },
    [close],
  );

  const listDevices = useCallback(async () => {
    const all = await navigator.mediaDevices.enumerateDevices();
    setDevices(
      all
        .filter(({ kind, deviceId }) => kind === "audioinput" && deviceId !== "")
        .map(({ deviceId, label }, index) => ({ id: deviceId, name: label || `Input ${index + 1}` })),
    );
  }, []);

  const start = useCallback(
    async (deviceId?: string): Promise<void> => {
      if (!("mediaDevices" in navigator)) {
        setState({ phase: "refused", message: NOT_SECURE });
        return;
      }
      close({ phase: "asking" });
      const mine = starts.current;
      newest.current = null;
      let stream: MediaStream | null = null;
      let context: AudioContext | null = null;
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          audio: { ...PLAIN_SOUND, channelCount: { ideal: 1 }, ...(deviceId && { deviceId: { exact: deviceId } }) },
        });
        context = contextFor(stream.getAudioTracks()[0]!);
        await context.audioWorklet.addModule("/meter-worklet.js");
      } catch (error) {
        stream?.getTracks().forEach((track) => track.stop());
        void context?.close();
        if (mine === starts.current) setState({ phase: "refused", message: refusalOf(error) });
        return;
      }
      const track = stream.getAudioTracks()[0]!;
      if (mine !== starts.current) {
        track.stop();
        void context.close();
        return;
      }
      if (!workerOf.current) {
        const worker = new Worker(new URL("../../workers/meterWorker.ts", import.meta.url), { type: "module" });
        workerOf.current = { worker, door: Comlink.wrap<MeterDoor>(worker) };
      }
      const { worker, door } = workerOf.current;
      const { port1, port2 } = new MessageChannel();
      await door.begin(
        Comlink.transfer(port2, [port2]),
        context.sampleRate,
        Comlink.proxy((reading: Reading) => {
          newest.current = reading;
        }),
      );
      const node = new AudioWorkletNode(context, "meter", { numberOfOutputs: 0 });
      node.port.postMessage(port1, [port1]);
      context.createMediaStreamSource(stream).connect(node);
      running.current = { context, stream, worker, door };
      if (context.state === "suspended") void context.resume();
      const listening: LiveState = { phase: "listening", deviceName: track.label || "microphone" };
      const tellState = () => {
        if (running.current?.context === context)
          setState(context.state === "running" ? listening : { phase: "paused" });
      };
      track.addEventListener("ended", () => {
        if (running.current?.stream === stream) close({ phase: "unplugged", message: UNPLUGGED });
      });
      context.onstatechange = tellState;
      setNotes(noteOn(track, context));
      tellState();
      await listDevices();
    },
    [close, listDevices],
  );

  // A device that comes or goes changes the list; the rate of the one in use may change with it.
  useEffect(() => {
    if (!("mediaDevices" in navigator)) return;
    const changed = () => {
      const now = running.current;
      if (!now) return;
      void listDevices();
      const [track] = now.stream.getAudioTracks();
      if (track) setNotes(noteOn(track, now.context));
    };
    navigator.mediaDevices.addEventListener("devicechange", changed);
    return () => navigator.mediaDevices.removeEventListener("devicechange", changed);
  }, [listDevices]);

  return {
    state,
    notes,
    devices,
    start,
    stop: useCallback(() => close({ phase: "idle" }), [close]),
    /** After the browser has put the sound to sleep. */
    goOn: useCallback(() => void running.current?.context.resume(), []),
    /** The newest reading, if there is one. */
    reading: useCallback(() => newest.current, []),
    door: useCallback(() => workerOf.current?.door ?? null, []),
  };
}

export type LiveInput = ReturnType<typeof useLiveInput>;
