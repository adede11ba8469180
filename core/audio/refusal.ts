import type { Message } from "../message";

/** Why a file cannot be measured. */
export type RefusalCatalogue = {
  "refused.formatCutShort": object;
  "refused.makersFormat": object;
  /** `format`: its name; a number where it has none. */
  "refused.otherFormat": { format: string | number };
  "refused.noChannels": object;
  "refused.manyChannels": { channels: number; most: number };
  "refused.sampleRate": { sampleRateHz: number };
  "refused.bits": { bits: number; allowed: readonly number[]; isFloat: boolean };
  "refused.contradiction": object;
  "refused.empty": object;
  "refused.notWav": object;
  /** What it is instead, by name. */
  "refused.otherFile": { is: string };
  "refused.tooShort": object;
  "refused.soundFirst": object;
  "refused.noSound": object;
  "refused.noFormat": object;
  "refused.tooLong": { seconds: number; mostS: number };
  "refused.noTrack": { track: number; channels: number };
  "refused.oneTrack": object;
  /** `isTime`: they begin at different times; else their samples are of different kinds. */
  "refused.tracksDiffer": { isTime: boolean };
  "refused.truncated": object;
  "refused.tooLargeForMarkers": object;
  "refused.missing": object;
  "refused.noPermission": object;
  "refused.linkLoop": object;
  "refused.nameTooLong": object;
  "refused.manyOpen": object;
  "refused.pipe": object;
  "refused.folder": object;
  /** `because`: the system's code. */
  "refused.readBrokeOff": { because: string };
  "refused.wentAway": object;
  "refused.shrank": object;
  "refused.unreadable": object;
  "refused.largeCompressed": { megabytes: number; most: number };
  "refused.cannotDecode": object;
  "refused.notPicture": object;
  "refused.brokenPicture": object;
  /** Its frames are of a kind that is not shown here. */
  "refused.noStills": { codec: string };
  /** A new file could not be written. */
  "refused.unwritable": { isFull: boolean };
};
export type Refusal = Message<RefusalCatalogue>;

/** Why a recording could not be measured, for the person who dropped it. */
export class RecordingRefusal extends Error {
  override readonly name = "RecordingRefusal";

  constructor(readonly says: Refusal) {
    super(says.code);
  }
}

/** Raised when the measurement was stopped on request. */
export class MeasurementCancelled extends Error {
  override readonly name = "MeasurementCancelled";
}
