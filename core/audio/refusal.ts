/** Why a recording could not be measured, in words for the person who dropped it. */
export class RecordingRefusal extends Error {
  override readonly name = "RecordingRefusal";
}

/** Raised when the measurement was stopped on request. */
export class MeasurementCancelled extends Error {
  override readonly name = "MeasurementCancelled";
}
