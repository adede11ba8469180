/**
 * What a recording is like, without any plan: speech and pauses, events and traits, with times and confidence.
 */
export { findingsTable } from "./findingsTable";
export { hear } from "./heard";
export { Cause } from "./causes";
export { FINDING_KINDS, FindingKind } from "./kinds";
export { FindingAdvice, FindingWhat, type CheckCatalogue, type CheckMessage } from "./messages";
export { LIMITS } from "./limits";
export { measurePiece, measureWav, meterFor, type MeasurePieces } from "./measureWav";
export { ChannelMeasurement, CoursePoint, Finding, RecordingMeasurement } from "./measurement";
export { voicesPeakDb } from "./measures";
export { phrasesTogether, type Phrase } from "./phrases";
export type { PieceReport } from "./pieceReport";
export { recordingMeter, type MeasuredRecording, type RecordingMeter } from "./recordingMeter";
export { Review, reviewOf, standing, withReview, withoutReview } from "./review";
