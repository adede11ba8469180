import { BANDS_HZ, PARTS_PER_HOP, type ChannelFigures, type PieceFigures } from "../audio/pieceMeter";
import { findSpeech, type SpeechDecision } from "./speech";

/** One channel of a piece as the detectors take it: its figures, levels by hop, and where somebody speaks. */
export interface Heard extends SpeechDecision {
  sampleRateHz: number;
  /** Length of a hop, s. */
  hopS: number;
  hopFrames: number;
  hops: number;
  /** First hop that belongs to the piece; those before it are context. */
  first: number;
  figures: ChannelFigures;
  slowRateHz: number;
  /** Mean square of each hop, unweighted. */
  level: Float32Array;
}

/** Mean squares by hop from sums of squares by part. */
function levelsByHop(figures: ChannelFigures, hops: number, hopFrames: number): Float32Array {
  const level = new Float32Array(hops);
  for (let hop = 0; hop < hops; hop += 1) {
    let sum = 0;
    for (let part = hop * PARTS_PER_HOP; part < (hop + 1) * PARTS_PER_HOP; part += 1) sum += figures.squares[part]!;
    level[hop] = sum / hopFrames;
  }
  return level;
}

/** Makes one channel of a metered piece ready; its first `leadInHops` are context. */
export function hear(piece: PieceFigures, channel: number, leadInHops: number): Heard {
  const figures = piece.channels[channel]!;
  const level = levelsByHop(figures, piece.hops, piece.hopFrames);
  return {
    sampleRateHz: piece.sampleRateHz,
    hopS: piece.hopFrames / piece.sampleRateHz,
    hopFrames: piece.hopFrames,
    hops: piece.hops,
    first: leadInHops,
    figures,
    slowRateHz: piece.slowRateHz,
    level,
    ...findSpeech({
      bands: figures.bands,
      slow: figures.slow,
      slowRateHz: piece.slowRateHz,
      hops: piece.hops,
      hopS: piece.hopFrames / piece.sampleRateHz,
    }),
  };
}

/** Index of the third-octave band a frequency lies in. */
export function bandAt(hz: number): number {
  return BANDS_HZ.reduce((best, middle, band) => (middle / 2 ** (1 / 6) <= hz ? band : best), 0);
}

/** Sum of the bands from one frequency to another at a hop, mean square. */
export function powerBetween(bands: readonly Float32Array[], from: number, to: number, hop: number): number {
  let sum = 0;
  for (let band = from; band <= to; band += 1) sum += bands[band]![hop]!;
  return sum;
}
