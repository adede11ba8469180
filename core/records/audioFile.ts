import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { RecordingMeasurement } from "../check";

/** A hash of a file's whole content, with its kind. Source: XXH128 as xxHash 0.8 defines it. */
export const ContentHash = Type.String({ maxLength: 40, pattern: "^xxh128:[0-9a-f]{32}$" });

/** A sound file by what it holds: neither its name nor its length tells it from another. */
export const AudioFile = Type.Object(
  {
    name: Type.String({ title: "File", maxLength: 1024 }),
    /** Null for files measured before contents were hashed. */
    hash: Type.Union([ContentHash, Type.Null()]),
    sizeBytes: Type.Union([Type.Integer({ minimum: 0, maximum: Number.MAX_SAFE_INTEGER }), Type.Null()]),
    /** When the recording began, samples after midnight (BWF, EBU Tech 3285); null where the file does not say. */
    timeReference: Type.Union([Type.Integer({ minimum: 0, maximum: Number.MAX_SAFE_INTEGER }), Type.Null()]),
    format: RecordingMeasurement.properties.format,
  },
  { additionalProperties: false },
);
export type AudioFile = Static<typeof AudioFile>;

/** What tells a file's content: its hash and size; null while nobody has read it. */
export type FileContent = Pick<AudioFile, "hash" | "sizeBytes">;

/** A measured file with what its content is. */
export function audioFileOf({ file, format }: RecordingMeasurement, { hash, sizeBytes }: FileContent): AudioFile {
  const { startedAtS } = format;
  return {
    name: file,
    hash,
    sizeBytes,
    timeReference:
      startedAtS === undefined || startedAtS === null ? null : Math.round(startedAtS * format.sampleRateHz),
    format,
  };
}

/** Whether two are the same file: same content where both are hashed, else same name and length. */
export function isSameFile(one: AudioFile, other: AudioFile): boolean {
  if (one.hash !== null && other.hash !== null)
    return one.hash === other.hash && one.sizeBytes === other.sizeBytes && one.timeReference === other.timeReference;
  return one.name === other.name && one.format.durationS === other.format.durationS;
}
