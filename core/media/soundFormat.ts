import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import type { MediaMessage } from "./messages";

const strict = { additionalProperties: false } as const;

/** How sound is written: uncompressed, or at a bit rate. */
export const SoundFormat = Type.Object(
  {
    sampleRateHz: oneOf([44_100, 48_000, 88_200, 96_000, 192_000], "Rate"),
    bits: oneOf([16, 24, 32], "Bits"),
    channels: Type.Integer({ title: "Tracks in a file", minimum: 1, maximum: 64 }),
    /** Null: uncompressed WAV. */
    kbps: Type.Union([Type.Number({ title: "Bit rate", unit: "kbit/s", minimum: 8, maximum: 5000 }), Type.Null()]),
  },
  strict,
);
export type SoundFormat = Static<typeof SoundFormat>;

const GIGABYTE = 1e9;
/** File sizes at which recorders begin a new file, bytes. Common practice: 2 or 4 GB, decimal or binary. */
export const SPLITS_BYTES = { "2 GB": 2e9, "2 GiB": 2 ** 31, "4 GB": 4e9, "4 GiB": 2 ** 32 } as const;
export const FILE_LIMITS = ["2 GB", "2 GiB", "4 GB", "4 GiB"] as const satisfies readonly (keyof typeof SPLITS_BYTES)[];
export type FileLimit = (typeof FILE_LIMITS)[number];
/** Where a recorder begins a new file, and what that does to a take. */
export interface FileSplit {
  limit: FileLimit;
  /** Minutes until a file is full. */
  minutes: number;
  /** Files that a take makes; 1 where it fits. */
  filesPerTake: number;
}

/** When files are split, and how many a take of so many minutes makes. */
export function splitOf(limit: FileLimit, format: SoundFormat, takeMin: number): FileSplit {
  const minutes = minutesIn(SPLITS_BYTES[limit], format);
  return { limit, minutes, filesPerTake: Math.max(1, Math.ceil(takeMin / minutes - 1e-9)) };
}

/** What a card's own bookkeeping keeps, share: 1 to 2 %. Common practice. */
const KEPT_SHARE = 0.02;

/** Bytes of one second; headers are left out. */
export function bytesPerS({ sampleRateHz, bits, channels, kbps }: SoundFormat): number {
  return kbps === null ? (sampleRateHz * bits * channels) / 8 : (kbps * 1000) / 8;
}

/** Gigabytes (10⁹) of one hour. */
export const gigabytesPerH = (format: SoundFormat): number => (3600 * bytesPerS(format)) / GIGABYTE;

/** Minutes until a file of so many bytes is full. */
export const minutesIn = (bytes: number, format: SoundFormat): number => bytes / bytesPerS(format) / 60;

/** Minutes on a card of so many gigabytes as they are printed on it, less what the card keeps for itself. */
export const minutesOnCard = (gigabytes: number, format: SoundFormat): number =>
  minutesIn(gigabytes * GIGABYTE * (1 - KEPT_SHARE), format);

/** Noise of an ideal converter's steps under a full-scale sine, dBFS (AES17); bits above 0. Source: 6.02·N + 1.76 dB. */
export const quantisationDbfs = (bits: number): number => -(6.02 * bits + 1.76);

/** What a delivery asks of the format, and what a place leaves of it. */
export interface FormatNeeds {
  delivery: "picture" | "radio" | "own";
  /** The place's and the chain's noise in the file as it is planned, dBFS; null where it is not known. */
  noiseDbfs: number | null;
  /** The loudest voice may be louder than it was at the trial. */
  mayOverload: boolean;
  tracks: number;
  /** The recorder writes 32-bit float. */
  hasFloat: boolean;
}

export interface FormatAdvice {
  format: SoundFormat;
  container: "WAV" | "polyphonic WAV";
  /** By how much 16 bit lie below the noise there is, dB; null where that is not known. */
  spareAt16Db: number | null;
  says: readonly MediaMessage[];
}

/** Rates and bits by delivery. Common practice. */
const BY_DELIVERY = {
  picture: { sampleRateHz: 48_000, bits: 24 },
  radio: { sampleRateHz: 44_100, bits: 16 },
  own: { sampleRateHz: 48_000, bits: 24 },
} as const;

/**
 * Which rate, bits and file, with the reasons.
 *
 * Bits are what lies between full scale and the steps' own noise: what is below the place's noise by some 10 dB is never
 * heard. Floating point saves what is too loud for the file, not what is too loud for what comes before it.
 */
export function adviseFormat({ delivery, noiseDbfs, mayOverload, tracks, hasFloat }: FormatNeeds): FormatAdvice {
  const usual = BY_DELIVERY[delivery];
  const isFloat = hasFloat && mayOverload;
  const bits = isFloat ? 32 : usual.bits;
  const spareAt16Db = noiseDbfs === null ? null : noiseDbfs - quantisationDbfs(16);
  const says: MediaMessage[] = [
    { code: "media.rate", sampleRateHz: usual.sampleRateHz, use: delivery === "radio" ? "speech" : "picture" },
  ];
  if (spareAt16Db !== null)
    says.push(
      spareAt16Db >= 0
        ? { code: "media.bits16Enough", byDb: spareAt16Db }
        : { code: "media.bits16TooFew", byDb: -spareAt16Db },
    );
  says.push({ code: isFloat ? "media.float" : bits === 24 ? "media.bits24" : "media.bits16" });
  if (mayOverload && !hasFloat) says.push({ code: "media.safetyTrack" });
  return {
    format: { sampleRateHz: usual.sampleRateHz, bits, channels: tracks, kbps: null },
    container: tracks > 2 ? "polyphonic WAV" : "WAV",
    spareAt16Db,
    says,
  };
}

/** What a voice in one file can be: one channel, the same on both, two of its own. Common practice. */
export const channelMessage = (tracks: number, isSame: boolean): MediaMessage => ({
  code: "media.tracks",
  tracks,
  isSame,
});

/** What compressing to a bit rate saves against uncompressed. */
export const compressionMessage = (format: SoundFormat): MediaMessage => ({
  code: "media.compressed",
  factor: format.kbps === null ? null : gigabytesPerH({ ...format, kbps: null }) / gigabytesPerH(format),
});

/** Unsafe in a file's name on one system or another. */
const UNSAFE = /[^\p{L}\p{N}-]+/gu;

/** A file's name that sorts by day, scene and take, and says who it is: "D2_S04_T03_Ines". */
export function takeName(day: number, scene: number, take: number, who: string): string {
  const two = (value: number) => String(value).padStart(2, "0");
  const name = who
    .normalize("NFC")
    .replaceAll(UNSAFE, "-")
    .replaceAll(/^-+|-+$/gu, "")
    .slice(0, 24);
  return [`D${day}`, `S${two(scene)}`, `T${two(take)}`, ...(name ? [name] : [])].join("_");
}
