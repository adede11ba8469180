/** A piece of a recording, metered on its own. Frames; `leadIn` frames before `from` are metered along as context. */
export interface Piece {
  index: number;
  from: number;
  frames: number;
  leadIn: number;
}

/** Long enough to know speech from pauses, short enough to share out. Many channels: shorter, so that memory stays small. */
const pieceSeconds = (channels: number): number => (channels > 16 ? 15 : 60);
/** What filters and the notion of the noise need before a piece, s. */
const LEAD_IN_S = 2;
/** Pieces begin with a step of loudness, so that steps join up. */
const STEPS_PER_SECOND = 10;

/** Longest piece with its lead-in, s. */
export const longestPieceS = (channels: number): number => pieceSeconds(channels) + LEAD_IN_S;

/** Frames of 100 ms, made of ten whole hops. */
export const stepFramesOf = (sampleRateHz: number): number => Math.round(sampleRateHz / 100) * 10;

/** Cuts a recording of so many frames into pieces of about equal length. At least one piece. */
export function planPieces(frames: number, sampleRateHz: number, channels: number): Piece[] {
  const step = stepFramesOf(sampleRateHz);
  const stepsInAll = Math.ceil(frames / step);
  const wanted = Math.max(1, Math.ceil(stepsInAll / (pieceSeconds(channels) * STEPS_PER_SECOND)));
  // An even number, so that two workers end together.
  const count = wanted === 1 ? 1 : wanted + (wanted % 2);
  const borders = Array.from({ length: count + 1 }, (_, index) =>
    Math.min(frames, Math.round((index * stepsInAll) / count) * step),
  );
  return Array.from({ length: count }, (_, index) => {
    const from = borders[index]!;
    return {
      index,
      from,
      frames: borders[index + 1]! - from,
      leadIn: Math.min(from, LEAD_IN_S * STEPS_PER_SECOND * step),
    };
  });
}
