import { type ByteSource, readWavHeader, RecordingRefusal, type WavHeader } from "../audio";

/** One chunk of a WAV, where it stands and how long its content is. */
export interface Chunk {
  id: string;
  offset: number;
  bytes: number;
}

export interface Chunks {
  header: WavHeader;
  /** In their order in the file. */
  all: readonly Chunk[];
  /** Where the last whole chunk ends. */
  endBytes: number;
  isRf64: boolean;
}

const MOST_CHUNKS = 4096;

export const ascii = (text: string): number[] => [...text].map((letter) => letter.charCodeAt(0));

/** A text as plain letters: what old programs read. */
export const plain = (text: string): string =>
  text
    .normalize("NFKD")
    .replaceAll("−", "-")
    .replace(/[^\x20-\x7e]/g, "");

/** A chunk with its head and its padding. */
export function chunkOf(id: string, body: Uint8Array): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(8 + body.length + (body.length % 2));
  whole.set(ascii(id));
  new DataView(whole.buffer).setUint32(4, body.length, true);
  whole.set(body, 8);
  return whole;
}

export function joined(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/**
 * Every chunk of a WAV. Errors: RecordingRefusal where it is none. A file that is cut short in its sound is refused too: what
 * is appended to it would be taken for sound.
 */
export async function chunksOf(source: ByteSource): Promise<Chunks> {
  const header = await readWavHeader(source);
  const soundEnds = header.dataOffset + (header.promisedFrames ?? header.frames) * header.bytesPerFrame;
  if (soundEnds > source.sizeBytes) throw new RecordingRefusal({ code: "refused.truncated" });
  const all: Chunk[] = [];
  let offset = 12;
  for (let count = 0; count < MOST_CHUNKS && offset + 8 <= source.sizeBytes; count += 1) {
    const head = Uint8Array.from(await source.read(offset, 8));
    if (head.length < 8) break;
    const id = String.fromCharCode(...head.subarray(0, 4));
    const isSound = offset + 8 === header.dataOffset;
    const bytes = isSound ? soundEnds - header.dataOffset : new DataView(head.buffer).getUint32(4, true);
    const next = offset + 8 + bytes + (bytes % 2);
    if (next > source.sizeBytes + 1) break;
    all.push({ id, offset, bytes });
    offset = next;
  }
  return { header, all, endBytes: offset, isRf64: header.container !== "WAV" };
}

/** The content of a chunk, at most so much of it. */
export async function contentOf(
  source: ByteSource,
  { offset, bytes }: Chunk,
  mostBytes: number,
): Promise<Uint8Array<ArrayBuffer>> {
  return Uint8Array.from(await source.read(offset + 8, Math.min(bytes, mostBytes)));
}
