"use client";

import { useEffect, useRef, useState } from "react";
import { joinBlocks } from "@/core/audio";
import { changesOf, NOT_SECURE, PLAIN_SOUND, refusalOf } from "./plainSound";

export type MicrophoneState =
  | { phase: "idle" }
  | { phase: "asking" }
  /** Seconds so far, and the RMS of the last moment, dB re full scale (AES17). */
  | { phase: "listening"; seconds: number; levelDbfs: number }
  | { phase: "refused"; message: string };

export interface Heard {
  samples: Float32Array;
  sampleRateHz: number;
}

const SHOWN_EVERY_S = 0.1;

/**
 * Records from the browser's microphone for so many seconds, or until stopped, with a level as it goes. `processed` tells
 * that the browser would not switch its own processing off.
 */
export function useMicrophone() {
  const [state, setState] = useState<MicrophoneState>({ phase: "idle" });
  const [isProcessed, setIsProcessed] = useState(false);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);

  async function record(seconds: number): Promise<Heard | null> {
    if (!("mediaDevices" in navigator)) {
      setState({ phase: "refused", message: NOT_SECURE });
      return null;
    }
    setState({ phase: "asking" });
    let stream: MediaStream;
    const context = new AudioContext();
    try {
      stream = await navigator.mediaDevices.getUserMedia({ audio: PLAIN_SOUND });
      await context.audioWorklet.addModule("/capture-worklet.js");
    } catch (error) {
      void context.close();
      setState({ phase: "refused", message: refusalOf(error) });
      return null;
    }
    setIsProcessed(changesOf(stream.getAudioTracks()[0]!).length > 0);
    const source = context.createMediaStreamSource(stream);
    const capture = new AudioWorkletNode(context, "capture", { numberOfOutputs: 0 });
    source.connect(capture);
    const blocks: Float32Array[] = [];
    let [count, shown, power, since] = [0, 0, 0, 0];
    await new Promise<void>((resolve) => {
      stop.current = resolve;
      capture.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
        blocks.push(data);
        count += data.length;
        for (const sample of data) power += sample * sample;
        since += data.length;
        const now = count / context.sampleRate;
        if (now - shown >= SHOWN_EVERY_S) {
          setState({ phase: "listening", seconds: now, levelDbfs: 10 * Math.log10((2 * power) / since + 1e-12) });
          [shown, power, since] = [now, 0, 0];
        }
        if (now >= seconds) resolve();
      };
    });
    stop.current = () => {};
    stream.getTracks().forEach((track) => track.stop());
    const sampleRateHz = context.sampleRate;
    await context.close();
    setState({ phase: "idle" });
    return { samples: joinBlocks(blocks), sampleRateHz };
  }

  return { state, isProcessed, record, stop: () => stop.current() };
}
