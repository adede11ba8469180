/**
 * Sound as samples: reading WAV from any source in pieces, levels, loudness, true peak, spectra, filters. It knows no
 * voice and no plan; the work on every sample is done by the engine.
 */
export { bytesSource, type ByteRun, type ByteSource } from "./byteSource";
export {
  NO_CLIPPING,
  clippingOf,
  fullScaleOf,
  isOverloadedEarlier,
  joinClipping,
  type ClippedPlace,
  type ClippingReport,
} from "./clipping";
export { instancesOf } from "./engine";
export { pcmEncoder, type PcmEncoder, type PcmForm } from "./encodePcm";
export { fourierOf } from "./fourier";
export { growingSeries } from "./growingSeries";
export { joinBlocks } from "./joinBlocks";
export { kWeightedSteps } from "./kWeighting";
export { countLevel, countedIn, levelHistogram, percentileOf, type LevelHistogram } from "./levelHistogram";
export { firstLook, shapeBetween, spectrumBetween, type Shape, type Spectrum } from "./look";
export {
  KEPT_WINDOWS,
  integratedLufs,
  loudnessCounter,
  loudnessRangeLu,
  mixLoudness,
  type LoudnessCounter,
  type MixLoudness,
} from "./loudness";
export { filterOctave, octaveFits, octaveSections } from "./octaveBank";
export { overviewBuilder, type Overview, type OverviewBuilder } from "./overview";
export {
  LINE_COUNT,
  LINE_SIZE,
  MOST_RELATED,
  RELATED_SIZE,
  type ChannelHearing,
  type PieceHearing,
} from "./pieceHearing";
export {
  BANDS_HZ,
  PARTS_PER_HOP,
  pieceMeter,
  type ChannelFigures,
  type PieceFigures,
  type PieceMeter,
} from "./pieceMeter";
export { longestPieceS, planPieces, stepFramesOf, type Piece } from "./pieces";
export { readBlocks, readFrames, type FrameRange, type ReadOptions } from "./readFrames";
export { readMono } from "./readMono";
export { MeasurementCancelled, RecordingRefusal, type Refusal, type RefusalCatalogue } from "./refusal";
export { soundWriter, type SoundWriter, type TakePlanes } from "./soundWriter";
export { activeLevel, type ActiveParts } from "./speechLevel";
export { toWav, type WavLayout } from "./toWav";
export { MAX_CHANNELS, RATE_RANGE_HZ, readWavHeader, type WavHeader } from "./wavHeader";
