"use client";

import { say } from "@/messages";
import * as Comlink from "comlink";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { readWavHeader } from "@/core/audio";
import type { MeasuredRecording } from "@/core/check";
import { blobSource } from "@/workers/blobSource";
import { makeGate, type Gate } from "@/workers/gate";
import type { MeasureDoor } from "@/workers/measureWorker";
import { isSound, looksLikeWav } from "../sound/decodeFile";
import { measureDecoded } from "./measureDecoded";

/** What the first bytes of a file say, before it is measured. */
export interface HeadFacts {
  durationS: number;
  /** Of the day, s; null where the file says none. */
  startedAtS: number | null;
  sampleRateHz: number;
}

/** One file of a card. */
export interface CardFile {
  id: number;
  file: File;
  /** Where it lies on the card. */
  path: string;
  /** Undefined while it is not read yet; null where only measuring tells. */
  head?: HeadFacts | null;
  state:
    | { phase: "waiting" }
    | { phase: "measuring"; share: number }
    | { phase: "measured"; recording: MeasuredRecording }
    | { phase: "refused"; message: string };
}

export interface Card {
  files: readonly CardFile[];
  isRunning: boolean;
  /** Files that are no sound, left out. */
  skipped: number;
}

/** A file with its way from the folder that was dropped. */
export interface FoundFile {
  file: File;
  path: string;
}

const SOUND_ENDINGS = /\.(wav|wave|bwf|rf64|w64|m4a|mp3|ogg|oga|flac|aac|aif|aiff)$/i;
/** Progress is shown so often, ms. */
const SHOW_EVERY_MS = 100;
/** First bytes of so many files are kept at once. */
const HEADS_AT_ONCE = 500;
const EMPTY: Card = { files: [], isRunning: false, skipped: 0 };

interface Line {
  worker: Worker;
  door: Comlink.Remote<MeasureDoor>;
}

async function headOf(file: File): Promise<HeadFacts | null> {
  try {
    const { frames, sampleRateHz, timeReference } = await readWavHeader(blobSource(file));
    const startedAtS = timeReference === null ? null : (timeReference / sampleRateHz) % 86_400;
    return { durationS: frames / sampleRateHz, startedAtS, sampleRateHz };
  } catch {
    return null;
  }
}

/** What is known of a file's length and beginning: from its first bytes, or measured; null: not yet, or never. */
export const factsOf = ({ state, head }: CardFile): HeadFacts | null => {
  if (state.phase !== "measured") return state.phase === "refused" ? null : (head ?? null);
  const { durationS, startedAtS, sampleRateHz } = state.recording.measurement.format;
  return { durationS, startedAtS: startedAtS ?? null, sampleRateHz };
};

function openLine(): Line {
  const worker = new Worker(new URL("../../workers/measureWorker.ts", import.meta.url), { type: "module" });
  return { worker, door: Comlink.wrap<MeasureDoor>(worker) };
}

/** A queue of files for as many workers as there are cores less one; a file that fails does not stop the others. */
function makeCard() {
  let card = EMPTY;
  let nextId = 0;
  let lines: Line[] = [];
  /** Runs that were closed must not report any more. */
  let run = 0;
  /** While the card is stopped, what opens it again. */
  let gate: Gate | null = null;
  const listeners = new Set<() => void>();
  /** What is shown; ten thousand short files must not make the page draw each of them. */
  let shown = EMPTY;
  let timer: ReturnType<typeof setTimeout> | null = null;

  function show(): void {
    if (timer) clearTimeout(timer);
    timer = null;
    shown = card;
    listeners.forEach((listen) => listen());
  }

  function set(next: Card): void {
    card = next;
    show();
  }

  function setState(id: number, state: CardFile["state"]): void {
    card = { ...card, files: card.files.map((each) => (each.id === id ? { ...each, state } : each)) };
    timer ??= setTimeout(show, SHOW_EVERY_MS);
  }

  /** Reads the first bytes of each: a card of hours meets the log before any of it is measured. */
  async function readHeads(files: readonly CardFile[]): Promise<void> {
    const heads = new Map<number, HeadFacts | null>();
    const keep = () => {
      const read = new Map(heads);
      heads.clear();
      card = {
        ...card,
        files: card.files.map((each) => (read.has(each.id) ? { ...each, head: read.get(each.id) } : each)),
      };
      timer ??= setTimeout(show, SHOW_EVERY_MS);
    };
    for (const { id, file } of files) {
      heads.set(id, await headOf(file));
      if (heads.size === HEADS_AT_ONCE) keep();
    }
    keep();
  }

  async function measureOne({ door }: Line, { id, file }: CardFile, mine: number): Promise<void> {
    let isDone = false;
    const onShare = (share: number) => {
      // The last progress may arrive after the result.
      if (mine === run && !isDone) setState(id, { phase: "measuring", share });
    };
    try {
      const isWav = (await looksLikeWav(file)) || !isSound(file);
      const result = isWav
        ? await door.measure(file, Comlink.proxy(onShare))
        : await measureDecoded(door, file, onShare);
      isDone = true;
      if (mine !== run) return;
      if (result.outcome === "measured") setState(id, { phase: "measured", recording: result.recording });
      else if (result.outcome === "refused") setState(id, { phase: "refused", message: say(result.says) });
    } catch {
      isDone = true;
      if (mine === run) setState(id, { phase: "refused", message: say({ code: "refused.unreadable" }) });
    }
  }

  async function work(line: Line, mine: number): Promise<void> {
    for (;;) {
      if (gate) await gate.opens;
      const next = card.files.find((each) => each.state.phase === "waiting");
      if (!next || mine !== run) return;
      setState(next.id, { phase: "measuring", share: 0 });
      await measureOne(line, next, mine);
    }
  }

  function start(): void {
    if (card.isRunning || gate) return;
    const mine = ++run;
    set({ ...card, isRunning: true });
    lines = Array.from({ length: Math.max(1, (navigator.hardwareConcurrency || 2) - 1) }, openLine);
    const own = lines;
    void Promise.all(own.map((line) => work(line, mine))).then(() => {
      own.forEach(({ worker }) => worker.terminate());
      if (mine === run) set({ ...card, isRunning: false });
    });
  }

  /** Ends all workers at once. */
  const end = (): void => {
    run += 1;
    lines.forEach(({ worker }) => worker.terminate());
    lines = [];
    gate?.open();
    gate = null;
  };

  /** Holds everything up where it is. */
  const stop = (): void => {
    if (!card.isRunning) return;
    gate = makeGate();
    lines.forEach(({ door }) => void door.hold());
    set({ ...card, isRunning: false });
  };

  /** Goes on where it was stopped. */
  const resume = (): void => {
    if (!gate) return start();
    lines.forEach(({ door }) => void door.goOn());
    gate.open();
    gate = null;
    set({ ...card, isRunning: true });
  };

  return {
    snapshot: () => shown,
    subscribe: (listen: () => void) => {
      listeners.add(listen);
      return () => listeners.delete(listen);
    },
    add: (found: readonly FoundFile[]): void => {
      const sounds = found.filter(({ file }) => SOUND_ENDINGS.test(file.name) || file.type.startsWith("audio/"));
      const files = sounds.map(({ file, path }): CardFile => ({
        id: nextId++,
        file,
        path,
        state: { phase: "waiting" },
      }));
      set({ ...card, files: [...card.files, ...files], skipped: card.skipped + found.length - sounds.length });
      void readHeads(files);
      if (files.length > 0 && !gate) start();
    },
    stop,
    resume,
    end,
    clear: (): void => {
      end();
      set(EMPTY);
    },
  };
}

export type CardQueue = ReturnType<typeof makeCard>;

/** The card that is being checked; it lives as long as the screen. */
export function useCard(): { card: Card; queue: CardQueue } {
  const queue = useMemo(() => makeCard(), []);
  const card = useSyncExternalStore(queue.subscribe, queue.snapshot, () => EMPTY);
  useEffect(() => () => queue.end(), [queue]);
  return { card, queue };
}
