import { newEngine } from "./engine";
import { ACTIVE_COUNTS, type ActiveParts } from "./speechLevel";
import { pieceHearing, type PieceHearing } from "./pieceHearing";

/** Third-octave bands of {@link ChannelFigures.bands}, middles in Hz. Source: IEC 61260-1, nominal values. */
export const BANDS_HZ = [
  125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500,
  16000,
] as const;
/** Hops the engine takes at a time, and parts (about 1 ms) in a hop (10 ms). */
export const HOPS_PER_BLOCK = 8;
export const PARTS_PER_HOP = 10;

/** A stretch in which the signal stands still. */
export interface FlatRun {
  frame: number;
  frames: number;
  value: number;
}

/** A stretch that is the same, sample for sample, as what was there `distance` frames before. */
export interface Repeat {
  frame: number;
  frames: number;
  distance: number;
}

/** One channel of a piece, hop by hop; views into the engine's memory, valid until the next piece. */
export interface ChannelFigures {
  /** Sum, lowest and highest sample of each hop. */
  sums: Float32Array;
  lowest: Float32Array;
  highest: Float32Array;
  /** How flat the top of the highest half-wave is, by hop, 0…1; 0 where it does not tell. */
  tops: Float32Array;
  /** Sums of squares and of squared steps from sample to sample, part by part. */
  squares: Float32Array;
  steps: Float32Array;
  /** K-weighted sums of squares of each hop. */
  loudness: Float32Array;
  /** Mean squares by third-octave, {@link BANDS_HZ}, hop by hop. */
  bands: readonly Float32Array[];
  /** The signal at about 2 kHz. */
  slow: Float32Array;
  /** Largest absolute value of the oversampled signal, in this and all pieces metered before. */
  truePeak: number;
  /** Parts by the highest threshold of activity they reach; context is not counted. */
  active: ActiveParts;
  runs: readonly FlatRun[];
  /** Runs beyond those kept. */
  droppedRuns: number;
  repeats: readonly Repeat[];
}

/** A metered piece of a recording. */
export interface PieceFigures {
  sampleRateHz: number;
  frames: number;
  hops: number;
  hopFrames: number;
  slowRateHz: number;
  channels: readonly ChannelFigures[];
  hearing: PieceHearing;
}

/** What the engine must know of a recording. */
export interface PieceForm {
  sampleRateHz: number;
  channels: number;
  /** Linear value from which a sample is at full scale. */
  fullScale: number;
  encoding: "pcm" | "float";
  bytesPerSample: number;
}

export interface PieceMeter {
  /** Frames taken at a time; fewer only at the end of a piece. */
  readonly blockFrames: number;
  /** Begins a piece; its first so many frames, whole hops, are context. */
  begin(leadIn: number): void;
  /** Interleaved little-endian bytes of at most a block; says how many samples were no numbers. */
  pushBytes(bytes: Uint8Array, frames: number): number;
  /** Planes of at most a block, from a frame on. */
  pushPlanes(planes: readonly Float32Array[], from: number, frames: number): void;
  finish(): PieceFigures;
  /** Another recording of the same form begins. */
  forget(): void;
}

function encodingCode({ encoding, bytesPerSample }: PieceForm): number {
  if (encoding === "float") return bytesPerSample === 8 ? 5 : 4;
  return bytesPerSample - 1;
}

/** Most flat runs kept of one channel of a piece. */
const runRoom = (channels: number): number => (channels > 8 ? 1024 : 8192);

/** Meters pieces of up to `longestS` seconds of one form of recording in the compiled engine; memory is fixed. */
export function pieceMeter(form: PieceForm, longestS: number): PieceMeter {
  const engine = newEngine();
  const { sampleRateHz, channels, fullScale } = form;
  const hopFrames = Math.round(sampleRateHz / 100);
  const mostHops = Math.ceil((longestS * sampleRateHz) / hopFrames) + 1;
  engine.setUp(sampleRateHz, channels, encodingCode(form), fullScale, mostHops, runRoom(channels));
  let frames = 0;

  function floatsAt(address: number, count: number): Float32Array {
    return new Float32Array(engine.memory.buffer, address, count);
  }

  function runsOf(channel: number): FlatRun[] {
    const view = new DataView(engine.memory.buffer, engine.runsOf(channel));
    return Array.from({ length: engine.runCountOf(channel) }, (_, index) => ({
      frame: view.getInt32(index * 20, true),
      frames: view.getInt32(index * 20 + 4, true),
      value: view.getFloat32(index * 20 + 8, true),
    }));
  }

  function repeatsOf(channel: number): Repeat[] {
    const view = new DataView(engine.memory.buffer, engine.repeatsOf(channel));
    return Array.from({ length: engine.repeatCountOf(channel) }, (_, index) => ({
      frame: view.getInt32(index * 12, true),
      frames: view.getInt32(index * 12 + 4, true),
      distance: view.getInt32(index * 12 + 8, true),
    }));
  }

  function figuresOf(channel: number, hops: number): ChannelFigures {
    const figures = (which: number, count: number) => floatsAt(engine.figuresOf(channel, which), count);
    const bands = engine.figuresOf(channel, 7);
    return {
      sums: figures(0, hops),
      lowest: figures(1, hops),
      highest: figures(2, hops),
      tops: figures(9, hops),
      squares: figures(3, hops * PARTS_PER_HOP),
      steps: figures(5, hops * PARTS_PER_HOP),
      loudness: figures(6, hops),
      bands: BANDS_HZ.map((_, band) => floatsAt(bands + band * engine.hopRoomOf() * 4, hops)),
      slow: figures(8, engine.slowCountOf()),
      truePeak: engine.peakOf(channel),
      active: new Float64Array(engine.memory.buffer, engine.figuresOf(channel, 4), ACTIVE_COUNTS),
      runs: runsOf(channel),
      droppedRuns: engine.droppedRunsOf(channel),
      repeats: repeatsOf(channel),
    };
  }

  return {
    blockFrames: HOPS_PER_BLOCK * hopFrames,
    begin(leadIn) {
      frames = 0;
      engine.begin(Math.round(leadIn / hopFrames));
    },
    pushBytes(bytes, count) {
      new Uint8Array(engine.memory.buffer, engine.rawAt(), bytes.length).set(bytes);
      const broken = engine.decode(count);
      engine.meter(count);
      frames += count;
      return broken;
    },
    pushPlanes(planes, from, count) {
      planes.forEach((plane, channel) =>
        floatsAt(engine.lineOf(channel), count).set(plane.subarray(from, from + count)),
      );
      engine.meter(count);
      frames += count;
    },
    forget: () => engine.forgetPeaks(),
    finish() {
      engine.finish();
      const hops = engine.hopsOf();
      return {
        sampleRateHz,
        frames,
        hops,
        hopFrames,
        slowRateHz: sampleRateHz / engine.slowFactorOf(),
        channels: Array.from({ length: channels }, (_, channel) => figuresOf(channel, hops)),
        hearing: pieceHearing(engine, hops, BANDS_HZ.length, PARTS_PER_HOP),
      };
    },
  };
}
