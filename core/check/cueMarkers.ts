import { type ByteSource, readWavHeader, RecordingRefusal } from "../audio";

/** A marker for an editing program. */
export interface Marker {
  atFrame: number;
  /** 0 for a point. */
  frames: number;
  label: string;
}

/** How a copy with markers differs from its file: some bytes replaced in place, the rest appended. */
export interface MarkedCopy {
  /** Bytes of the file that are kept; what lies beyond is cut off. */
  keepBytes: number;
  patches: readonly { offset: number; bytes: Uint8Array<ArrayBuffer> }[];
  tail: Uint8Array<ArrayBuffer>;
}

const CUE_POINT_BYTES = 24;
const MOST_CHUNKS = 4096;
/** A size field of RIFF ends here; RF64 has another one. */
const RIFF_LIMIT = 0xffffffff - 1;

const ascii = (text: string): number[] => [...text].map((letter) => letter.charCodeAt(0));

/** A label as plain letters: what old programs read. */
function plain(text: string): string {
  return text
    .normalize("NFKD")
    .replaceAll("−", "-")
    .replace(/[^\x20-\x7e]/g, "")
    .slice(0, 200);
}

function chunk(id: string, body: Uint8Array): Uint8Array {
  const whole = new Uint8Array(8 + body.length + (body.length % 2));
  whole.set(ascii(id));
  new DataView(whole.buffer).setUint32(4, body.length, true);
  whole.set(body, 8);
  return whole;
}

function joined(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

function cueChunk(before: Uint8Array, markers: readonly Marker[], firstId: number): Uint8Array {
  const body = new Uint8Array(4 + before.length + CUE_POINT_BYTES * markers.length);
  const view = new DataView(body.buffer);
  view.setUint32(0, before.length / CUE_POINT_BYTES + markers.length, true);
  body.set(before, 4);
  markers.forEach(({ atFrame }, index) => {
    const at = 4 + before.length + CUE_POINT_BYTES * index;
    view.setUint32(at, firstId + index, true);
    view.setUint32(at + 4, atFrame, true);
    body.set(ascii("data"), at + 8);
    view.setUint32(at + 20, atFrame, true);
  });
  return chunk("cue ", body);
}

function labelChunk(markers: readonly Marker[], firstId: number): Uint8Array {
  const parts = markers.flatMap(({ label, frames }, index) => {
    const text = new Uint8Array([0, 0, 0, 0, ...ascii(plain(label)), 0]);
    new DataView(text.buffer).setUint32(0, firstId + index, true);
    const labelled = chunk("labl", text);
    if (frames <= 0) return [labelled];
    const length = new Uint8Array(20);
    new DataView(length.buffer).setUint32(0, firstId + index, true);
    new DataView(length.buffer).setUint32(4, frames, true);
    length.set(ascii("rgn "), 8);
    return [labelled, chunk("ltxt", length)];
  });
  return chunk("LIST", joined([new Uint8Array(ascii("adtl")), ...parts]));
}

interface Found {
  /** Where the last whole chunk ends. */
  endBytes: number;
  isRf64: boolean;
  /** Chunks of earlier cue points, and the points. */
  cues: readonly { offset: number; points: Uint8Array }[];
}

async function lookThrough(source: ByteSource): Promise<Found> {
  const header = await readWavHeader(source);
  const cues: { offset: number; points: Uint8Array }[] = [];
  const soundEnds = header.dataOffset + (header.promisedFrames ?? header.frames) * header.bytesPerFrame;
  if (soundEnds > source.sizeBytes) throw new RecordingRefusal({ code: "refused.truncated" });
  let offset = 12;
  for (let count = 0; count < MOST_CHUNKS && offset + 8 <= source.sizeBytes; count += 1) {
    const head = Uint8Array.from(await source.read(offset, 8));
    if (head.length < 8) break;
    const id = String.fromCharCode(...head.subarray(0, 4));
    const isSound = offset + 8 === header.dataOffset;
    const size = isSound ? soundEnds - header.dataOffset : new DataView(head.buffer).getUint32(4, true);
    if (id === "cue ") {
      const body = Uint8Array.from(await source.read(offset + 8, Math.min(size, 1 << 20)));
      const points = Math.floor((body.length - 4) / CUE_POINT_BYTES);
      cues.push({ offset, points: body.subarray(4, 4 + points * CUE_POINT_BYTES) });
    }
    const next = offset + 8 + size + (size % 2);
    if (next > source.sizeBytes + 1) break;
    offset = next;
  }
  return { endBytes: offset, isRf64: header.container !== "WAV", cues };
}

/**
 * What turns a WAV into a copy with markers in its cue and label chunks. Earlier cue points stay; sound is not touched.
 *
 * Frames beyond 2^32 have no cue point and are left out. Errors: RecordingRefusal where the file is no WAV, is cut short, or
 * would pass 4 GB. Source: RIFF/WAVE (1991), cue and associated data chunks; EBU Tech 3306 for the wide size.
 */
export async function markedCopy(source: ByteSource, markers: readonly Marker[]): Promise<MarkedCopy> {
  const { endBytes, isRf64, cues } = await lookThrough(source);
  const own = markers.filter(({ atFrame, frames }) => atFrame + frames <= 0xffffffff);
  const before = joined(cues.map(({ points }) => points));
  let highest = 0;
  const ids = new DataView(before.buffer);
  for (let at = 0; at < before.length; at += CUE_POINT_BYTES) highest = Math.max(highest, ids.getUint32(at, true));
  const keepBytes = Math.min(endBytes, source.sizeBytes);
  const padding = new Uint8Array(endBytes - keepBytes);
  const tail = joined([padding, cueChunk(before, own, highest + 1), labelChunk(own, highest + 1)]);
  const riffBytes = keepBytes + tail.length - 8;
  if (!isRf64 && riffBytes > RIFF_LIMIT) throw new RecordingRefusal({ code: "refused.tooLargeForMarkers" });
  const size = new Uint8Array(isRf64 ? 8 : 4);
  const view = new DataView(size.buffer);
  view.setUint32(0, riffBytes % 2 ** 32, true);
  if (isRf64) view.setUint32(4, Math.floor(riffBytes / 2 ** 32), true);
  // The wide size is the first figure of the ds64 chunk, which comes first by the standard.
  const patches = [{ offset: isRf64 ? 20 : 4, bytes: size }];
  for (const { offset } of cues) patches.push({ offset, bytes: new Uint8Array(ascii("JUNK")) });
  return { keepBytes, patches: patches.sort((one, other) => one.offset - other.offset), tail };
}
