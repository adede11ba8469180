import type { Engine } from "./engine";

/** What is worked out of one channel of a piece to judge it; views into the engine's memory, valid until the next one. */
export interface ChannelHearing {
  /** Mean square by hop, unweighted; powers under 55 and under 220 Hz. */
  level: Float32Array;
  low: Float32Array;
  lows: Float32Array;
  /** How uneven the fine structure round a hop is: mean change of the logarithm of the steps' power from 1 ms to the next. */
  crackle: Float32Array;
  /** 1 where the bands of a voice stand far enough over the noise for speech. */
  isLoud: Uint8Array;
  /** How periodic the signal is like a voice, 0…1, and its frequency, Hz, where it is loud; 0 elsewhere. */
  voicing: Float32Array;
  pitchHz: Float32Array;
  /** Noise by band and hop, mean square. */
  noise: readonly Float32Array[];
  /** Power of each line that is there in nearly every second, from 0 Hz on, mean square. */
  lines: Float32Array;
  /** Mean of the squared steps over five parts, part by part. */
  fine: Float32Array;
  /** Neighbouring bands added up by hop; there is room for some a channel, else RangeError. */
  between(of: "sound" | "noise", firstBand: number, lastBand: number): Float32Array;
  /** Sums of each band over the hops of two masks, from a hop on. */
  sumsWhere(one: Uint8Array, other: Uint8Array, from: number): [Float64Array, Float64Array];
}

/** What two channels' slow signals have in common. */
export interface Related {
  /** Sums of squares of either and of their products. */
  aa: number;
  bb: number;
  ab: number;
}

/** Sums of the cross spectrum's phases, by bin of {@link RELATED_SIZE}. */
export interface RelatedPhases {
  re: Float32Array;
  im: Float32Array;
}

/** Slow samples compared at a time, about a second; windows that can be compared. */
export const RELATED_SIZE = 2048;
export const MOST_RELATED = 128;
export const LINE_COUNT = 512;
/** Length of the windows in which lines are looked for, in slow samples. */
export const LINE_SIZE = 2048;

/** Listens to channels of a finished piece of so many hops. */
export interface PieceHearing {
  listen(channel: number): ChannelHearing;
  multiply(one: number, other: number, from: number): Related;
  relate(one: number, other: number, starts: readonly number[], firstBin: number, lastBin: number): RelatedPhases;
}

export function pieceHearing(engine: Engine, hops: number, bandCount: number, partsPerHop: number): PieceHearing {
  const floats = (address: number, count: number) => new Float32Array(engine.memory.buffer, address, count);
  const hopRoom = engine.hopRoomOf();

  function listen(channel: number): ChannelHearing {
    engine.listen(channel);
    const [noise, masks, masked] = [7, 10, 11].map((which) => engine.heardOf(which)) as [number, number, number];
    let rooms = 0;
    return {
      level: floats(engine.heardOf(0), hops),
      low: floats(engine.heardOf(1), hops),
      lows: floats(engine.heardOf(2), hops),
      crackle: floats(engine.heardOf(3), hops),
      isLoud: new Uint8Array(engine.memory.buffer, engine.heardOf(4), hops),
      voicing: floats(engine.heardOf(5), hops),
      pitchHz: floats(engine.heardOf(6), hops),
      noise: Array.from({ length: bandCount }, (_, band) => floats(noise + band * hopRoom * 4, hops)),
      lines: floats(engine.heardOf(8), LINE_COUNT),
      fine: floats(engine.heardOf(9), hops * partsPerHop),
      between(of, firstBand, lastBand) {
        if (rooms === engine.sumRoomsOf()) throw new RangeError("sums of bands: none left");
        rooms += 1;
        return floats(engine.addBands(channel, of === "noise" ? 1 : 0, firstBand, lastBand, rooms - 1), hops);
      },
      sumsWhere(one, other, from) {
        new Uint8Array(engine.memory.buffer, masks, hops).set(one);
        new Uint8Array(engine.memory.buffer, masks + hopRoom, hops).set(other);
        engine.addMasked(channel, from);
        const sums = new Float64Array(engine.memory.buffer, masked, 2 * bandCount);
        const every = (offset: number) =>
          Float64Array.from({ length: bandCount }, (_, band) => sums[2 * band + offset]!);
        return [every(0), every(1)];
      },
    };
  }

  return {
    listen,
    multiply(one, other, from) {
      const [aa, bb, ab] = new Float64Array(engine.memory.buffer, engine.multiply(one, other, from), 3);
      return { aa: aa!, bb: bb!, ab: ab! };
    },
    relate(one, other, starts, firstBin, lastBin) {
      const count = Math.min(MOST_RELATED, starts.length);
      new Int32Array(engine.memory.buffer, engine.startsAt(), count).set(starts.slice(0, count));
      const sums = floats(engine.relate(one, other, count, firstBin, lastBin), RELATED_SIZE);
      const half = RELATED_SIZE / 2;
      return { re: sums.subarray(0, half), im: sums.subarray(half) };
    },
  };
}
