import { ENGINE_CODE } from "./engineCode";

/** What the compiled engine offers; addresses are bytes in its memory. See engine/index.ts. */
export interface Engine {
  readonly memory: { readonly buffer: ArrayBuffer };
  setUp(
    sampleRateHz: number,
    channels: number,
    encoding: number,
    fullScale: number,
    hops: number,
    mostRuns: number,
  ): void;
  begin(contextHops: number): void;
  decode(frames: number): number;
  meter(frames: number): void;
  finish(): void;
  rawAt(): number;
  lineOf(channel: number): number;
  hopFramesOf(): number;
  hopsOf(): number;
  hopRoomOf(): number;
  slowCountOf(): number;
  slowFactorOf(): number;
  peakOf(channel: number): number;
  forgetPeaks(): void;
  figuresOf(channel: number, which: number): number;
  runsOf(channel: number): number;
  runCountOf(channel: number): number;
  droppedRunsOf(channel: number): number;
  repeatsOf(channel: number): number;
  repeatCountOf(channel: number): number;
  listen(channel: number): void;
  heardOf(which: number): number;
  addBands(channel: number, isNoise: 0 | 1, firstBand: number, lastBand: number, to: number): number;
  sumRoomsOf(): number;
  addMasked(channel: number, from: number): void;
  multiply(one: number, other: number, from: number): number;
  startsAt(): number;
  relate(one: number, other: number, windows: number, firstBin: number, lastBin: number): number;
}

interface WebAssemblyHost {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { exports: unknown };
}

const ALPHABET = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";

function bytesOf(base64: string): Uint8Array {
  const values = new Uint8Array(128);
  for (let index = 0; index < ALPHABET.length; index += 1) values[ALPHABET.charCodeAt(index)] = index;
  const spare = base64.endsWith("==") ? 2 : base64.endsWith("=") ? 1 : 0;
  const bytes = new Uint8Array((base64.length / 4) * 3 - spare);
  for (let from = 0, to = 0; from < base64.length; from += 4, to += 3) {
    const value = (offset: number) => values[base64.charCodeAt(from + offset)]!;
    const word = (value(0) << 18) | (value(1) << 12) | (value(2) << 6) | value(3);
    bytes[to] = word >> 16;
    bytes[to + 1] = word >> 8;
    bytes[to + 2] = word;
  }
  return bytes;
}

/** What makes a fresh instance of a compiled engine each time; compiled once. Needs WebAssembly with SIMD, which every current browser and Node.js has. */
export function instancesOf<Exports>(code: string): () => Exports {
  let compiled: object | null = null;
  return () => {
    const { WebAssembly: host } = globalThis as unknown as { WebAssembly: WebAssemblyHost };
    compiled ??= new host.Module(bytesOf(code));
    return new host.Instance(compiled, {}).exports as Exports;
  };
}

/** A fresh engine with memory of its own. */
export const newEngine = instancesOf<Engine>(ENGINE_CODE);
