import type { ByteSource } from "./byteSource";
import { RecordingRefusal } from "./refusal";

export type Container = "WAV" | "RF64" | "BW64";
export type Encoding = "pcm" | "float";

/** What a WAV file says of itself, checked against its length. */
export interface WavHeader {
  container: Container;
  encoding: Encoding;
  sampleRateHz: number;
  channels: number;
  /** Bits that carry sound; the container may be wider. */
  bitsPerSample: number;
  bytesPerSample: number;
  bytesPerFrame: number;
  dataOffset: number;
  /** Whole frames that are really there. */
  frames: number;
  /** Frames the header promises, when more than are there. */
  promisedFrames: number | null;
  /** Samples since midnight from a broadcast chunk. */
  timeReference: number | null;
}

export const RATE_RANGE_HZ = { min: 8000, max: 192_000 } as const;
export const MAX_CHANNELS = 64;
/** More chunks than any honest file has; stops a crafted one from keeping the reader busy. */
const MAX_CHUNKS = 4096;
const OPEN_SIZE = 0xffffffff;

const KNOWN_BUT_UNREAD: Record<number, string> = {
  0x0002: "ADPCM",
  0x0006: "A-law",
  0x0007: "µ-law",
  0x0011: "IMA ADPCM",
  0x0050: "MPEG",
  0x0055: "MP3",
  0x00ff: "AAC",
};

/** Magic numbers of files that people rename or drop by mistake. */
const OTHER_KINDS: readonly { name: string; at: number; magic: readonly number[] }[] = [
  { name: "a PNG picture", at: 0, magic: [0x89, 0x50, 0x4e, 0x47] },
  { name: "a JPEG picture", at: 0, magic: [0xff, 0xd8, 0xff] },
  { name: "a PDF", at: 0, magic: [0x25, 0x50, 0x44, 0x46] },
  { name: "a ZIP archive", at: 0, magic: [0x50, 0x4b, 0x03, 0x04] },
  { name: "a FLAC file", at: 0, magic: [0x66, 0x4c, 0x61, 0x43] },
  { name: "an Ogg file", at: 0, magic: [0x4f, 0x67, 0x67, 0x53] },
  { name: "an MP3 file", at: 0, magic: [0x49, 0x44, 0x33] },
  { name: "an MP4 or M4A file", at: 4, magic: [0x66, 0x74, 0x79, 0x70] },
  { name: "an AIFF file", at: 0, magic: [0x46, 0x4f, 0x52, 0x4d] },
  { name: "a big-endian RIFX file", at: 0, magic: [0x52, 0x49, 0x46, 0x58] },
];

function viewOf(bytes: Uint8Array): DataView {
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}

function tag(bytes: Uint8Array, at: number): string {
  return String.fromCharCode(bytes[at]!, bytes[at + 1]!, bytes[at + 2]!, bytes[at + 3]!);
}

function size64(view: DataView, at: number): number {
  return view.getUint32(at, true) + view.getUint32(at + 4, true) * 2 ** 32;
}

/** What a file that is no WAV seems to be, or null when unknown. */
function recogniseOther(head: Uint8Array): string | null {
  const kind = OTHER_KINDS.find(({ at, magic }) => magic.every((byte, index) => head[at + index] === byte));
  return kind?.name ?? null;
}

/** What follows the format code in the subtype of WAVE_FORMAT_EXTENSIBLE. Source: multiple channel audio data and WAVE files (2001). */
const SUBTYPE_TAIL = [0, 0, 0, 0, 0x10, 0, 0x80, 0, 0, 0xaa, 0, 0x38, 0x9b, 0x71] as const;

interface FormatChunk {
  encoding: Encoding;
  sampleRateHz: number;
  channels: number;
  bitsPerSample: number;
  bytesPerSample: number;
  bytesPerFrame: number;
}

function parseFormat(chunk: Uint8Array): FormatChunk {
  if (chunk.length < 16) throw new RecordingRefusal({ code: "refused.formatCutShort" });
  const view = viewOf(chunk);
  const outerTag = view.getUint16(0, true);
  const isExtensible = outerTag === 0xfffe && chunk.length >= 40;
  if (isExtensible && !SUBTYPE_TAIL.every((byte, index) => chunk[26 + index] === byte))
    throw new RecordingRefusal({ code: "refused.makersFormat" });
  const formatTag = isExtensible ? view.getUint16(24, true) : outerTag;
  const channels = view.getUint16(2, true);
  const sampleRateHz = view.getUint32(4, true);
  const statedFrameBytes = view.getUint16(12, true);
  const containerBits = view.getUint16(14, true);

  if (formatTag !== 1 && formatTag !== 3) {
    throw new RecordingRefusal({ code: "refused.otherFormat", format: KNOWN_BUT_UNREAD[formatTag] ?? formatTag });
  }
  const encoding: Encoding = formatTag === 3 ? "float" : "pcm";
  if (channels < 1) throw new RecordingRefusal({ code: "refused.noChannels" });
  if (channels > MAX_CHANNELS)
    throw new RecordingRefusal({ code: "refused.manyChannels", channels, most: MAX_CHANNELS });
  if (sampleRateHz < RATE_RANGE_HZ.min || sampleRateHz > RATE_RANGE_HZ.max)
    throw new RecordingRefusal({ code: "refused.sampleRate", sampleRateHz });
  const allowedBits = encoding === "float" ? [32, 64] : [8, 16, 24, 32];
  const bytesPerSample = Math.ceil(containerBits / 8);
  if (!allowedBits.includes(bytesPerSample * 8) || containerBits < 1)
    throw new RecordingRefusal({
      ...{ code: "refused.bits", bits: containerBits, allowed: allowedBits, isFloat: encoding === "float" },
    });
  const bytesPerFrame = bytesPerSample * channels;
  if (statedFrameBytes !== 0 && statedFrameBytes !== bytesPerFrame)
    throw new RecordingRefusal({ code: "refused.contradiction" });
  const validBits = isExtensible ? view.getUint16(18, true) : containerBits;
  const bitsPerSample =
    encoding === "pcm" && validBits >= 1 && validBits <= bytesPerSample * 8 ? validBits : bytesPerSample * 8;
  return { encoding, sampleRateHz, channels, bitsPerSample, bytesPerSample, bytesPerFrame };
}

/**
 * Reads a WAV, RF64 or BW64 header with a few small reads, whatever chunks stand before the sound.
 *
 * PCM 8/16/24/32 bit, float 32/64, WAVE_FORMAT_EXTENSIBLE, 1–64 channels, 8–192 kHz. A file shorter than it says is
 * taken as far as it goes; a recorder's open size fields (0 or 0xFFFFFFFF) mean "to the end".
 * Errors: {@link RecordingRefusal} with what is to be said to the user.
 * Source: RIFF/WAVE (1991), EBU Tech 3285 (BWF), EBU Tech 3306 (RF64), ITU-R BS.2088 (BW64).
 */
export async function readWavHeader(source: ByteSource): Promise<WavHeader> {
  if (source.sizeBytes === 0) throw new RecordingRefusal({ code: "refused.empty" });
  const head = Uint8Array.from(await source.read(0, 12));
  const other = recogniseOther(head);
  if (other) throw new RecordingRefusal({ code: "refused.otherFile", is: other });
  if (head.length < 12) throw new RecordingRefusal({ code: "refused.tooShort" });
  const riffTag = tag(head, 0);
  if ((riffTag !== "RIFF" && riffTag !== "RF64" && riffTag !== "BW64") || tag(head, 8) !== "WAVE")
    throw new RecordingRefusal({ code: "refused.notWav" });
  const container: Container = riffTag === "RIFF" ? "WAV" : riffTag;

  let format: FormatChunk | null = null;
  let wideDataBytes: number | null = null;
  let timeReference: number | null = null;
  let offset = 12;
  for (let count = 0; count < MAX_CHUNKS && offset + 8 <= source.sizeBytes; count += 1) {
    const chunkHead = Uint8Array.from(await source.read(offset, 8));
    if (chunkHead.length < 8) break;
    const id = tag(chunkHead, 0);
    const statedBytes = viewOf(chunkHead).getUint32(4, true);
    const body = offset + 8;
    if (id === "ds64") {
      const chunk = await source.read(body, Math.min(statedBytes, 28));
      if (chunk.length >= 16) wideDataBytes = size64(viewOf(chunk), 8);
    } else if (id === "fmt ") {
      format = parseFormat(Uint8Array.from(await source.read(body, Math.min(statedBytes, 40))));
    } else if (id === "bext") {
      const chunk = await source.read(body, Math.min(statedBytes, 348));
      if (chunk.length >= 346) timeReference = size64(viewOf(chunk), 338);
    } else if (id === "data") {
      if (!format) throw new RecordingRefusal({ code: "refused.soundFirst" });
      if (statedBytes === 0 && (await isClosedBy(source, body))) break;
      const header = withData(source, { container, format, timeReference }, body, statedBytes, wideDataBytes);
      const isOpen = statedBytes === 0 || (statedBytes === OPEN_SIZE && wideDataBytes === null);
      const soundBytes = (wideDataBytes ?? statedBytes) + ((wideDataBytes ?? statedBytes) % 2);
      if (timeReference !== null || isOpen || body + soundBytes >= source.sizeBytes) return header;
      // Some write what they say of a take behind its sound.
      return { ...header, timeReference: await timeBehind(source, body + soundBytes) };
    }
    offset = body + statedBytes + (statedBytes % 2);
  }
  throw new RecordingRefusal({ code: format ? "refused.noSound" : "refused.noFormat" });
}

/** Chunks behind the sound that are looked through for a time. */
const MOST_BEHIND = 64;

/** Samples since midnight from a broadcast chunk behind the sound; null where there is none. */
async function timeBehind(source: ByteSource, from: number): Promise<number | null> {
  let offset = from;
  for (let count = 0; count < MOST_BEHIND && offset + 8 <= source.sizeBytes; count += 1) {
    const head = Uint8Array.from(await source.read(offset, 8));
    if (head.length < 8) return null;
    const size = viewOf(head).getUint32(4, true);
    if (tag(head, 0) === "bext") {
      const chunk = await source.read(offset + 8, Math.min(size, 348));
      return chunk.length >= 346 ? size64(viewOf(chunk), 338) : null;
    }
    offset += 8 + size + (size % 2);
  }
  return null;
}

/** Whether whole chunks, one after the other, reach from a place to the end: then the data chunk before it is closed, not open. */
async function isClosedBy(source: ByteSource, from: number): Promise<boolean> {
  let offset = from;
  for (let count = 0; count < MAX_CHUNKS && offset < source.sizeBytes; count += 1) {
    const head = Uint8Array.from(await source.read(offset, 8));
    if (head.length < 8 || !head.subarray(0, 4).every((byte) => byte >= 0x20 && byte < 0x7f)) return false;
    const size = viewOf(head).getUint32(4, true);
    // The last chunk's padding byte is often left out.
    offset += 8 + size + (offset + 8 + size < source.sizeBytes ? size % 2 : 0);
  }
  return offset === source.sizeBytes;
}

function withData(
  source: ByteSource,
  found: { container: Container; format: FormatChunk; timeReference: number | null },
  dataOffset: number,
  statedBytes: number,
  wideDataBytes: number | null,
): WavHeader {
  const { container, format, timeReference } = found;
  const availableBytes = source.sizeBytes - dataOffset;
  const isWide = statedBytes === OPEN_SIZE && wideDataBytes !== null && wideDataBytes > 0;
  const isOpen = !isWide && (statedBytes === OPEN_SIZE || statedBytes === 0);
  const promisedBytes = isWide ? wideDataBytes : isOpen ? availableBytes : statedBytes;
  const frames = Math.floor(Math.min(promisedBytes, availableBytes) / format.bytesPerFrame);
  if (frames < 1) throw new RecordingRefusal({ code: "refused.noSound" });
  const promisedFrames = Math.floor(promisedBytes / format.bytesPerFrame);
  return {
    container,
    ...format,
    dataOffset,
    frames,
    promisedFrames: promisedFrames > frames ? promisedFrames : null,
    timeReference,
  };
}
