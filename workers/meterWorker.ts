import * as Comlink from "comlink";
import { type FindingKind, type MeasuredRecording, recordingMeter } from "../core/check";
import { fullScaleOf, joinBlocks, toWav } from "../core/audio";
import {
  feedWatch,
  type FeedWatch,
  findTaps,
  type HeardEvent,
  liveMeter,
  type LiveMeter,
  type MeterReading,
  type Taps,
} from "../core/meter";

/** How a trial is written to disk. */
export type TakeFormat = "24" | "float";

/** A reading every second block: about 21 ms, so that display follows sound within 50. */
const BLOCKS_A_READING = 2;
/** Most that is kept of a trial, s. */
const MOST_KEPT_S = 600;

/** The feed is looked at for faults so often, s. */
const WATCH_EVERY_S = 3;

interface Watching {
  watch: FeedWatch;
  lookedAtS: number;
  /** `agoS`: how long before now. */
  onHeard: (event: HeardEvent, agoS: number) => void;
}

interface Input {
  port: MessagePort;
  meter: LiveMeter;
  sampleRateHz: number;
  blocks: number;
  frames: number;
  /** When the first block came, ms. */
  since: number;
  onReading: (reading: MeterReading & { lostS: number }) => void;
}

let input: Input | null = null;
let watching: Watching | null = null;
/** What is being kept, and what a trial has kept before it. */
let keeping: Float32Array[] | null = null;
let kept: Float32Array[] = [];

/** How much of the sound never came, s: the clock against what was counted. */
function lostS({ since, frames, sampleRateHz }: Input): number {
  return Math.max(0, (performance.now() - since) / 1000 - frames / sampleRateHz);
}

function watchFeed(block: Float32Array): void {
  if (!watching || !input) return;
  watching.watch.push(block);
  const nowS = input.frames / input.sampleRateHz;
  if (nowS - watching.lookedAtS < WATCH_EVERY_S) return;
  watching.lookedAtS = nowS;
  const heardS = watching.watch.heardS();
  for (const event of watching.watch.look()) watching.onHeard(event, heardS - event.atS);
}

function takeIn(block: Float32Array): void {
  if (!input) return;
  if (input.frames === 0) input.since = performance.now();
  input.meter.push(block);
  input.frames += block.length;
  input.blocks += 1;
  if (keeping && keeping.length * block.length < MOST_KEPT_S * input.sampleRateHz) keeping.push(block);
  watchFeed(block);
  if (input.blocks % BLOCKS_A_READING === 0) input.onReading({ ...input.meter.read(), lostS: lostS(input) });
}

const door = {
  /** Listens at the other end of the worklet's port. */
  begin(port: MessagePort, sampleRateHz: number, onReading: Input["onReading"]): void {
    input?.port.close();
    watching = null;
    input = {
      port,
      meter: liveMeter(sampleRateHz),
      sampleRateHz,
      blocks: 0,
      frames: 0,
      since: performance.now(),
      onReading: (reading) => onReading(reading),
    };
    port.onmessage = ({ data }: MessageEvent<Float32Array>) => takeIn(data);
  },
  end(): void {
    input?.port.close();
    input = null;
    watching = null;
  },
  /** Tells from now on what is heard in the feed, of these kinds. */
  watch(kinds: readonly FindingKind[], onHeard: Watching["onHeard"]): void {
    if (!input) return;
    const watch = feedWatch(input.sampleRateHz, new Set(kinds));
    watching = { watch, lookedAtS: input.frames / input.sampleRateHz, onHeard: (event, agoS) => onHeard(event, agoS) };
  },
  /** Starts to keep what is heard. */
  keep(): void {
    keeping = [];
  },
  /** Measures what was kept since {@link keep}; it stays for the trial's file. Null where nothing came. */
  measureKept(name: string): MeasuredRecording | null {
    const step = keeping ?? [];
    keeping = null;
    if (!input || step.length === 0) return null;
    kept = [...kept, ...step];
    const meter = recordingMeter({
      file: name,
      container: "live",
      encoding: "decoded",
      bitsPerSample: null,
      sampleRateHz: input.sampleRateHz,
      channels: 1,
      fullScale: fullScaleOf({ encoding: "pcm", bitsPerSample: 16 }),
    });
    for (const block of step) meter.push([block], block.length);
    return meter.finish();
  },
  /** Taps in what was kept since {@link keep}; nothing of it stays. */
  tapsKept(): Taps {
    const step = keeping ?? [];
    keeping = null;
    return findTaps(joinBlocks(step), input?.sampleRateHz ?? 48_000);
  },
  /** Throws away what a trial has kept. */
  forget(): void {
    keeping = null;
    kept = [];
  },
  /** Everything that the trial has kept, as a WAV file. */
  wav(format: TakeFormat): Uint8Array<ArrayBuffer> {
    const layout = format === "float" ? ({ bits: 32, isFloat: true } as const) : ({ bits: 24 } as const);
    const bytes = toWav([joinBlocks(kept)], { sampleRateHz: input?.sampleRateHz ?? 48_000, ...layout });
    return Comlink.transfer(bytes, [bytes.buffer]);
  },
};

export type MeterDoor = typeof door;

Comlink.expose(door);
