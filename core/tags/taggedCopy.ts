import { type ByteSource, RecordingRefusal } from "../audio";
import { bextWith, BEXT_BYTES, type BroadcastFacts, readBext } from "./bext";
import { ascii, type Chunk, chunkOf, type Chunks, chunksOf, contentOf, joined } from "./chunks";
import { CUE_POINT_BYTES, cueChunk, labelChunk, type Marker, markersIn, pointsIn } from "./cueMarkers";
import { fromUtf8, ixmlFacts, type IxmlFacts, ixmlWith, readIxml, toUtf8 } from "./ixml";

/** How a tagged copy differs from its file: some bytes replaced in place, the rest appended. */
export interface TaggedCopy {
  /** Bytes of the file that are kept; what lies beyond is cut off. */
  keepBytes: number;
  patches: readonly { offset: number; bytes: Uint8Array<ArrayBuffer> }[];
  tail: Uint8Array<ArrayBuffer>;
}

/** What is to stand in a copy; what is left out stays as it is. */
export interface Tags {
  markers?: readonly Marker[];
  bext?: Partial<BroadcastFacts>;
  ixml?: IxmlFacts;
}

/** What stands in a file. */
export interface FileTags {
  bext: BroadcastFacts | null;
  ixml: IxmlFacts | null;
  markers: readonly Marker[];
}

/** A size field of RIFF ends here; RF64 has another one. */
const RIFF_LIMIT = 0xffffffff - 1;
/** No honest chunk of words is larger. */
const MOST_BEXT = 1 << 16;
const MOST_IXML = 1 << 20;
const MOST_CUES = 1 << 20;
/** Room that recorders leave before the sound. */
const SPARE: readonly string[] = ["JUNK", "junk", "PAD ", "FLLR"];

type Patch = TaggedCopy["patches"][number];

/** What stands in a file beside its sound. Errors: RecordingRefusal where it is no whole WAV. Source: EBU Tech 3285; iXML 1.61; RIFF/WAVE. */
export async function readTags(source: ByteSource): Promise<FileTags> {
  const { all } = await chunksOf(source);
  const first = (id: string) => all.find((chunk) => chunk.id === id);
  const each = (id: string) =>
    Promise.all(all.filter((chunk) => chunk.id === id).map((chunk) => contentOf(source, chunk, MOST_CUES)));
  const [bext, xml] = [first("bext"), first("iXML")];
  const fields = xml ? readIxml(fromUtf8(await contentOf(source, xml, MOST_IXML))) : null;
  return {
    bext: bext ? readBext(await contentOf(source, bext, MOST_BEXT)) : null,
    ixml: fields && ixmlFacts(fields),
    markers: markersIn(await each("cue "), await each("LIST")),
  };
}

/** A broadcast chunk over the one there is, in room that the recorder left, or appended. */
async function withBext(source: ByteSource, { all, header }: Chunks, facts: Partial<BroadcastFacts>) {
  const own = all.find(({ id, bytes }) => id === "bext" && bytes >= BEXT_BYTES);
  if (own) {
    const before = await contentOf(source, own, MOST_BEXT);
    return { patches: [{ offset: own.offset + 8, bytes: bextWith(before, facts) }], tail: [] };
  }
  const body = bextWith(null, facts);
  const isRoom = ({ id, offset, bytes }: Chunk) =>
    SPARE.includes(id) && offset < header.dataOffset && (bytes === body.length || bytes >= body.length + 8);
  const spare = all.find(isRoom);
  if (!spare) return { patches: [], tail: [chunkOf("bext", body)] };
  const left = spare.bytes - body.length;
  const rest = left >= 8 ? chunkOf("JUNK", new Uint8Array(left - 8)).subarray(0, 8) : new Uint8Array(0);
  // What is left of the room stays room.
  return { patches: [{ offset: spare.offset, bytes: joined([chunkOf("bext", body), rest]) }], tail: [] };
}

/** Old chunks of a kind become room, so that nothing is said twice. */
const emptied = (chunks: readonly Chunk[], id: string): Patch[] =>
  chunks.filter((chunk) => chunk.id === id).map(({ offset }) => ({ offset, bytes: new Uint8Array(ascii("JUNK")) }));

async function withMarkers(source: ByteSource, { all }: Chunks, markers: readonly Marker[]) {
  const cues = await Promise.all(
    all.filter(({ id }) => id === "cue ").map((chunk) => contentOf(source, chunk, MOST_CUES)),
  );
  const own = markers.filter(({ atFrame, frames }) => atFrame + frames <= 0xffffffff);
  const before = joined(cues.map(pointsIn));
  let highest = 0;
  const ids = new DataView(before.buffer);
  for (let at = 0; at < before.length; at += CUE_POINT_BYTES) highest = Math.max(highest, ids.getUint32(at, true));
  return {
    patches: emptied(all, "cue "),
    tail: [cueChunk(before, own, highest + 1), labelChunk(own, highest + 1)],
  };
}

async function withIxml(source: ByteSource, { all, header }: Chunks, facts: IxmlFacts, bext: Partial<BroadcastFacts>) {
  const old = all.find(({ id }) => id === "iXML");
  const before = old ? readIxml(fromUtf8(await contentOf(source, old, MOST_IXML))) : null;
  const { sampleRateHz, bitsPerSample } = header;
  const timeReference = bext.timeReference ?? header.timeReference;
  const text = ixmlWith(before, facts, { sampleRateHz, bitsPerSample, timeReference });
  return { patches: emptied(all, "iXML"), tail: [chunkOf("iXML", toUtf8(text))] };
}

/**
 * What turns a WAV into a copy with words in it: broadcast chunk, iXML, cue points with labels. Sound is not touched, and what
 * others have written stays. Frames beyond 2^32 have no cue point and are left out.
 * Errors: RecordingRefusal where the file is no WAV, is cut short, or would pass 4 GB. Source: EBU Tech 3285 (bext), EBU Tech
 * 3306 (the wide size), RIFF/WAVE (1991), iXML 1.61.
 */
export async function taggedCopy(source: ByteSource, { markers, bext, ixml }: Tags): Promise<TaggedCopy> {
  const chunks = await chunksOf(source);
  const { endBytes, isRf64 } = chunks;
  const parts = [
    ...(bext ? [await withBext(source, chunks, bext)] : []),
    ...(markers && markers.length > 0 ? [await withMarkers(source, chunks, markers)] : []),
    ...(ixml ? [await withIxml(source, chunks, ixml, bext ?? {})] : []),
  ];
  const keepBytes = Math.min(endBytes, source.sizeBytes);
  const tail = joined([new Uint8Array(endBytes - keepBytes), ...parts.flatMap((part) => part.tail)]);
  const riffBytes = keepBytes + tail.length - 8;
  if (!isRf64 && riffBytes > RIFF_LIMIT) throw new RecordingRefusal({ code: "refused.tooLargeForMarkers" });
  const size = new Uint8Array(isRf64 ? 8 : 4);
  const view = new DataView(size.buffer);
  view.setUint32(0, riffBytes % 2 ** 32, true);
  if (isRf64) view.setUint32(4, Math.floor(riffBytes / 2 ** 32), true);
  // The wide size is the first figure of the ds64 chunk, which comes first by the standard.
  const patches: Patch[] = [{ offset: isRf64 ? 20 : 4, bytes: size }, ...parts.flatMap((part) => part.patches)];
  return { keepBytes, patches: patches.toSorted((one, other) => one.offset - other.offset), tail };
}
