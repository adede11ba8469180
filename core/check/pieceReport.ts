import type { Piece, PieceFigures } from "../audio";
import { reportChannel, type ChannelReport } from "./channelReport";
import { comparePair, pairsOf, type PairReport } from "./pairs";

/** What a piece of a recording comes to; reports of all pieces, in order, make a measurement. */
export interface PieceReport {
  index: number;
  channels: readonly ChannelReport[];
  pairs: readonly PairReport[];
  /** Samples that were no numbers. */
  brokenSamples: number;
  slowRateHz: number;
}

/** Judges a metered piece. */
export function reportPiece(
  figures: PieceFigures,
  piece: Piece,
  fullScale: number,
  brokenSamples: number,
): PieceReport {
  const place = { from: piece.from, leadIn: piece.leadIn, fullScale };
  const judged = figures.channels.map((_, channel) => reportChannel(figures, channel, place));
  return {
    index: piece.index,
    channels: judged.map(({ report }) => report),
    pairs: pairsOf(judged.length).map((pair) =>
      comparePair(pair, judged[pair[0]]!.heard, judged[pair[1]]!.heard, figures.hearing),
    ),
    brokenSamples,
    slowRateHz: figures.slowRateHz,
  };
}
