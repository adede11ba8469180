"use client";

import { say } from "@/messages";
import { useCallback, useEffect, useRef, useState } from "react";
import { readFrames, readWavHeader } from "@/core/audio";
import { blobSource } from "@/workers/blobSource";
import { decodeFile, looksLikeWav } from "../sound/decodeFile";

/** What is heard before a finding, and at most of it, s. */
const PRE_ROLL_S = 1.5;
const MOST_S = 8;
const AFTER_S = 1;

/** What the sound is put through while listening: as it is, or what the edit would do. */
export type Treatment = "asIs" | "lowCut" | "notch" | "all";

const LOW_CUT_HZ = 90;
const NOTCH_HARMONICS = 5;
const NOTCH_Q = 30;

export interface PlaceInTake {
  startS: number;
  endS: number;
  channel: number;
}

/** Many tracks together may go over full scale: then they are turned down, for the loudspeaker to stay clean. */
function withinScale(samples: Float32Array<ArrayBuffer>): Float32Array<ArrayBuffer> {
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  return peak > 1 ? samples.map((value) => value / peak) : samples;
}

/** One channel by itself, or the sum of all of them where `channel` is null. */
async function samplesOf(file: File, from: number, to: number, channel: number | null) {
  if (!(await looksLikeWav(file))) {
    const decoded = await decodeFile(file);
    if ("code" in decoded) throw new Error(say(decoded));
    const { numberOfChannels, sampleRate } = decoded;
    const heard = Array.from({ length: numberOfChannels }, (_, index) => index).filter(
      (index) => channel === null || index === Math.min(channel, numberOfChannels - 1),
    );
    const samples = decoded.getChannelData(heard[0]!).slice(from * sampleRate, to * sampleRate);
    for (const other of heard.slice(1)) {
      const more = decoded.getChannelData(other).subarray(from * sampleRate, to * sampleRate);
      more.forEach((value, at) => (samples[at]! += value));
    }
    return { samples, rate: sampleRate };
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
      for (const plane of channel === null ? planes : [planes[channel]!])
        for (let frame = 0; frame < count; frame += 1) samples[at + frame]! += plane[frame]!;
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

export type Listen = ReturnType<typeof useListen>;

/** Plays places of a file from a moment before them; only what is heard is read. */
export function useListen(file: File) {
  const context = useRef<AudioContext | null>(null);
  const playing = useRef<AudioBufferSourceNode | null>(null);
  const began = useRef({ atS: 0, fromS: 0 });
  const run = useRef(0);
  const [place, setPlace] = useState<PlaceInTake | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  const stop = useCallback(() => {
    run.current += 1;
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

  const isPlaying = useCallback(() => playing.current !== null, []);
  /** The moment of the take that is heard now. */
  const playedS = useCallback(
    () =>
      playing.current && context.current ? began.current.fromS + context.current.currentTime - began.current.atS : null,
    [],
  );

  const play = useCallback(
    async (wanted: PlaceInTake, treatment: Treatment, mainsHz: number): Promise<void> => {
      stop();
      const mine = run.current;
      setFault(null);
      try {
        const from = Math.max(0, wanted.startS - PRE_ROLL_S);
        const to = Math.min(wanted.endS + AFTER_S, wanted.startS + MOST_S);
        const { samples, rate } = await samplesOf(file, from, to, treatment === "all" ? null : wanted.channel);
        if (mine !== run.current) return;
        context.current ??= new AudioContext();
        const here = context.current;
        await here.resume();
        const buffer = here.createBuffer(1, samples.length, rate);
        buffer.copyToChannel(withinScale(samples), 0);
        const source = new AudioBufferSourceNode(here, { buffer });
        const last = chainOf(here, treatment, mainsHz).reduce<AudioNode>(
          (node, filter) => node.connect(filter),
          source,
        );
        last.connect(here.destination);
        source.onended = () => {
          if (playing.current !== source) return;
          playing.current = null;
          setPlace(null);
        };
        source.start();
        playing.current = source;
        began.current = { atS: here.currentTime, fromS: from };
        setPlace(wanted);
      } catch {
        setFault("This place cannot be played: is the card still in?");
      }
    },
    [file, stop],
  );

  return { place, fault, play, stop, isPlaying, playedS };
}
