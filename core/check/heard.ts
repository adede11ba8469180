import { BANDS_HZ, type ChannelFigures, type ChannelHearing, type PieceFigures } from "../audio";
import { findSpeech, type SpeechDecision } from "./speech";

/** One channel of a piece as the detectors take it: its figures, what was worked out of them, and where somebody speaks. */
export interface Heard extends ChannelHearing, SpeechDecision {
  channel: number;
  sampleRateHz: number;
  /** Length of a hop, s. */
  hopS: number;
  hopFrames: number;
  hops: number;
  /** First hop that belongs to the piece; those before it are context. */
  first: number;
  figures: ChannelFigures;
  slowRateHz: number;
}

/** Makes one channel of a metered piece ready; its first `leadInHops` are context. Valid until the next channel is heard. */
export function hear(piece: PieceFigures, channel: number, leadInHops: number): Heard {
  const hearing = piece.hearing.listen(channel);
  return {
    channel,
    sampleRateHz: piece.sampleRateHz,
    hopS: piece.hopFrames / piece.sampleRateHz,
    hopFrames: piece.hopFrames,
    hops: piece.hops,
    first: leadInHops,
    figures: piece.channels[channel]!,
    slowRateHz: piece.slowRateHz,
    ...hearing,
    ...findSpeech(hearing),
  };
}

/** Index of the third-octave band a frequency lies in. */
export function bandAt(hz: number): number {
  return BANDS_HZ.reduce((best, middle, band) => (middle / 2 ** (1 / 6) <= hz ? band : best), 0);
}
