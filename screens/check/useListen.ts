"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { readFrames } from "@/core/audio/readFrames";
import { readWavHeader } from "@/core/audio/wavHeader";
import { blobSource } from "@/workers/blobSource";
import { decodeFile, looksLikeWav } from "../sound/decodeFile";

/** What is heard before a finding, and at most of it, s. */
const PRE_ROLL_S = 1.5;
const MOST_S = 8;
const AFTER_S = 1;

/** What the sound is put through while listening: as it is, or what the edit would do. */
export type Treatment = "asIs" | "lowCut" | "notch";

const LOW_CUT_HZ = 90;
const NOTCH_HARMONICS = 5;
const NOTCH_Q = 30;

export interface Place {
  startS: number;
  endS: number;
  channel: number;
}

async function samplesOf(file: File, from: number, to: number, channel: number) {
  if (!(await looksLikeWav(file))) {
    const decoded = await decodeFile(file);
    if (typeof decoded === "string") throw new Error(decoded);
    const samples = decoded.getChannelData(Math.min(channel, decoded.numberOfChannels - 1));
    return { samples: samples.slice(from * decoded.sampleRate, to * decoded.sampleRate), rate: decoded.sampleRate };
  }
  const source = blobSource(file);
  const header = await readWavHeader(source);
  const first = Math.floor(from * header.sampleRateHz);
  const frames = Math.min(header.frames - first, Math.ceil((to - from) * header.sampleRateHz));
  const samples = new Float32Array(Math.max(1, frames));
  let at = 0;
  await readFrames(
    source,
    header,
    (planes, count) => {
      samples.set(planes[channel]!.subarray(0, count), at);
      at += count;
    },
    { from: first, frames },
  );
  return { samples, rate: header.sampleRateHz };
}

function chainOf(context: AudioContext, treatment: Treatment, mainsHz: number): BiquadFilterNode[] {
  if (treatment === "lowCut")
    return [0.54, 1.31].map(
      (Q) => new BiquadFilterNode(context, { type: "highpass", frequency: LOW_CUT_HZ, Q: 20 * Math.log10(Q) }),
    );
  if (treatment === "notch")
    return Array.from(
      { length: NOTCH_HARMONICS },
      (_, index) => new BiquadFilterNode(context, { type: "notch", frequency: mainsHz * (index + 1), Q: NOTCH_Q }),
    );
  return [];
}

/** Plays places of a file from a moment before them; only what is heard is read. */
export function useListen(file: File) {
  const context = useRef<AudioContext | null>(null);
  const playing = useRef<AudioBufferSourceNode | null>(null);
  const [place, setPlace] = useState<Place | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  const stop = useCallback(() => {
    playing.current?.stop();
    playing.current = null;
    setPlace(null);
  }, []);

  useEffect(
    () => () => {
      playing.current?.stop();
      void context.current?.close();
    },
    [],
  );

  async function play(wanted: Place, treatment: Treatment, mainsHz: number): Promise<void> {
    stop();
    setFault(null);
    try {
      const from = Math.max(0, wanted.startS - PRE_ROLL_S);
      const to = Math.min(wanted.endS + AFTER_S, wanted.startS + MOST_S);
      const { samples, rate } = await samplesOf(file, from, to, wanted.channel);
      context.current ??= new AudioContext();
      const here = context.current;
      await here.resume();
      const buffer = here.createBuffer(1, samples.length, rate);
      buffer.copyToChannel(samples, 0);
      const source = new AudioBufferSourceNode(here, { buffer });
      const last = chainOf(here, treatment, mainsHz).reduce<AudioNode>((node, filter) => node.connect(filter), source);
      last.connect(here.destination);
      source.onended = () => {
        if (playing.current !== source) return;
        playing.current = null;
        setPlace(null);
      };
      source.start();
      playing.current = source;
      setPlace(wanted);
    } catch {
      setFault("This place cannot be played: is the card still in?");
    }
  }

  return { place, fault, play, stop };
}
