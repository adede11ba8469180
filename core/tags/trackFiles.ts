import { type ByteSource, MAX_CHANNELS, readWavHeader, RecordingRefusal, type WavHeader } from "../audio";
import { withHistory } from "./bext";
import { ascii, type Chunk, chunkOf, chunksOf, contentOf, joined } from "./chunks";
import { cueChunk, labelChunk } from "./cueMarkers";
import { channelNames, fromUtf8, type IxmlFacts, ixmlFacts, ixmlWith, readIxml, toUtf8, type TrackName } from "./ixml";
import { readTags } from "./taggedCopy";

/** A file of one track out of a poly file. */
export interface MonoFile {
  /** Which channel of the poly file, from 0. */
  channel: number;
  /** What the file says it is called; empty where it says nothing. */
  name: string;
  /** All that stands before the sound. */
  head: Uint8Array<ArrayBuffer>;
}

/** Sound is read and written in pieces of about so many bytes. */
const PIECE_BYTES = 1 << 20;
const RIFF_LIMIT = 0xffffffff;
/** Content of a ds64 chunk without a table: three sizes of 8 bytes and a count. Source: EBU Tech 3306. */
const DS64_BYTES = 28;
const MOST_WORDS = 1 << 20;
/** The format that WAVE_FORMAT_EXTENSIBLE names by a GUID ends so. Source: Microsoft, multiple channel audio data. */
const GUID_END = [0x00, 0x00, 0x00, 0x00, 0x10, 0x00, 0x80, 0x00, 0x00, 0xaa, 0x00, 0x38, 0x9b, 0x71];

/** The format of so many channels, samples as in another file; the long form where not all bits carry sound. */
function formatChunk({ encoding, sampleRateHz, bitsPerSample, bytesPerSample }: WavHeader, channels: number) {
  const tag = encoding === "float" ? 3 : 1;
  const isLong = bitsPerSample !== bytesPerSample * 8;
  const body = new Uint8Array(isLong ? 40 : 16);
  const view = new DataView(body.buffer);
  view.setUint16(0, isLong ? 0xfffe : tag, true);
  view.setUint16(2, channels, true);
  view.setUint32(4, sampleRateHz, true);
  view.setUint32(8, sampleRateHz * channels * bytesPerSample, true);
  view.setUint16(12, channels * bytesPerSample, true);
  view.setUint16(14, bytesPerSample * 8, true);
  if (isLong) {
    view.setUint16(16, 22, true);
    view.setUint16(18, bitsPerSample, true);
    view.setUint16(24, tag, true);
    body.set(GUID_END, 26);
  }
  return chunkOf("fmt ", body);
}

/** All that stands before the sound of a file: words first, RF64 where it passes 4 GB. Source: RIFF/WAVE; EBU Tech 3306. */
function headOf(like: WavHeader, channels: number, frames: number, words: readonly Uint8Array[]) {
  const soundBytes = frames * channels * like.bytesPerSample;
  const room = new Uint8Array(DS64_BYTES);
  const before = [formatChunk(like, channels), ...words];
  const wordBytes = before.reduce((sum, { length }) => sum + length, 0);
  const riffBytes = 4 + 8 + DS64_BYTES + wordBytes + 8 + soundBytes + (soundBytes % 2);
  const isWide = riffBytes > RIFF_LIMIT;
  if (isWide) {
    const view = new DataView(room.buffer);
    [riffBytes, soundBytes, frames].forEach((value, at) => view.setBigUint64(at * 8, BigInt(value), true));
  }
  const size = (value: number) => {
    const bytes = new Uint8Array(4);
    new DataView(bytes.buffer).setUint32(0, isWide ? RIFF_LIMIT : value, true);
    return bytes;
  };
  const letters = (text: string) => new Uint8Array(ascii(text));
  return joined([
    ...[letters(isWide ? "RF64" : "RIFF"), size(riffBytes), letters("WAVE")],
    ...[chunkOf(isWide ? "ds64" : "JUNK", room), ...before, letters("data"), size(soundBytes)],
  ]);
}

interface Words {
  header: WavHeader;
  bext: Uint8Array | null;
  ixml: Record<string, unknown> | null;
  markers: readonly Uint8Array[];
}

/** The words of a file that its tracks share. */
async function wordsOf(source: ByteSource): Promise<Words> {
  const { all, header } = await chunksOf(source);
  const content = (chunk: Chunk) => contentOf(source, chunk, MOST_WORDS);
  const [bext, xml] = ["bext", "iXML"].map((id) => all.find((chunk) => chunk.id === id));
  const { markers } = await readTags(source);
  const isMarked = markers.length > 0;
  return {
    header,
    bext: bext ? chunkOf("bext", await content(bext)) : null,
    ixml: xml ? readIxml(fromUtf8(await content(xml))) : null,
    markers: isMarked ? [cueChunk(new Uint8Array(0), markers, 1), labelChunk(markers, 1)] : [],
  };
}

function chunksWith({ header, bext, ixml, markers }: Words, tracks: readonly TrackName[]): Uint8Array[] {
  const facts: IxmlFacts = { ...ixmlFacts(ixml ?? {}), tracks };
  const { sampleRateHz, bitsPerSample, timeReference } = header;
  const isSaying = ixml !== null || tracks.some(({ name }) => name !== "");
  const text = ixmlWith(ixml, facts, { sampleRateHz, bitsPerSample, timeReference });
  return [...(bext ? [bext] : []), ...(isSaying ? [chunkOf("iXML", toUtf8(text))] : []), ...markers];
}

/**
 * The tracks of a poly file as files of their own: broadcast chunk, iXML with the one track, markers. Samples stay as they are.
 * Errors: RecordingRefusal where it is no whole WAV, or has one track only. Source: EBU Tech 3285; iXML 1.61; RIFF/WAVE.
 */
export async function monoFiles(source: ByteSource): Promise<readonly MonoFile[]> {
  const words = await wordsOf(source);
  const { header } = words;
  if (header.channels < 2) throw new RecordingRefusal({ code: "refused.oneTrack" });
  return channelNames(words.ixml, header.channels).map((track, channel) => {
    const head = headOf(header, 1, header.frames, chunksWith(words, [track]));
    return { channel, name: track.name, head };
  });
}

/** What a new file made from another is like. */
export interface RenderedForm {
  sampleRateHz: number;
  channels: number;
  bits: 16 | 24 | 32;
  isFloat: boolean;
  frames: number;
  /** Which channels of the first file these are, from 0; null where they are mixed. */
  from: readonly number[] | null;
  /** Whether every frame stands where it stood: then markers stay. */
  isAligned: boolean;
  /** A line of what was done, for the coding history. Source: EBU R 98. */
  history: string;
}

/**
 * What stands before the sound of a file that was made from another: its words, its format and what was done, in the history.
 * Errors: RecordingRefusal where the other is no whole WAV.
 */
export async function renderedHead(source: ByteSource, form: RenderedForm): Promise<Uint8Array<ArrayBuffer>> {
  const words = await wordsOf(source);
  const { header, ixml, bext } = words;
  const { sampleRateHz, channels, bits, isFloat, frames, from } = form;
  const like: WavHeader = {
    ...header,
    ...{ sampleRateHz, bitsPerSample: bits, bytesPerSample: bits / 8, encoding: isFloat ? "float" : "pcm" },
  };
  const named = channelNames(ixml, header.channels);
  const tracks = (from ?? []).flatMap((channel) => named[channel] ?? []);
  const before = bext?.subarray(8, 8 + new DataView(bext.buffer).getUint32(4, true)) ?? null;
  const own: Words = {
    ...{ header: like, ixml, bext: chunkOf("bext", withHistory(before, form.history)) },
    markers: form.isAligned ? words.markers : [],
  };
  return headOf(like, channels, frames, chunksWith(own, tracks));
}

/** A byte behind sound of odd length. Source: RIFF/WAVE. */
const padding = (bytes: number): Uint8Array<ArrayBuffer>[] => (bytes % 2 === 1 ? [new Uint8Array(1)] : []);

/** The sound of one channel, piece by piece, with its padding; what goes behind a MonoFile's head. */
export async function* monoSound(source: ByteSource, channel: number): AsyncGenerator<Uint8Array<ArrayBuffer>> {
  const { dataOffset, frames, bytesPerFrame, bytesPerSample } = await readWavHeader(source);
  const piece = Math.max(1, Math.floor(PIECE_BYTES / bytesPerFrame));
  for (let frame = 0; frame < frames; frame += piece) {
    const count = Math.min(piece, frames - frame);
    const bytes = await source.read(dataOffset + frame * bytesPerFrame, count * bytesPerFrame);
    if (bytes.length < count * bytesPerFrame) throw new RecordingRefusal({ code: "refused.shrank" });
    const own = new Uint8Array(count * bytesPerSample);
    for (let at = 0, from = channel * bytesPerSample; at < own.length; from += bytesPerFrame - bytesPerSample)
      for (let byte = 0; byte < bytesPerSample; byte += 1, at += 1, from += 1) own[at] = bytes[from]!;
    yield own;
  }
  yield* padding(frames * bytesPerSample);
}

/** The tracks of several files in one: what stands before the sound, and the sound piece by piece. */
export interface PolyFile {
  head: Uint8Array<ArrayBuffer>;
  sound: () => AsyncGenerator<Uint8Array<ArrayBuffer>>;
}

/**
 * Several files of one take as one poly file, in the order they are given; shorter ones are followed by silence.
 * @param names what tracks are called whose files say nothing, one for each file
 * Errors: RecordingRefusal where one is no whole WAV, where sample rates, sample formats or starting times differ, or where
 * there are more tracks than a file is read with. Source: as monoFiles.
 */
export async function polyFile(sources: readonly ByteSource[], names: readonly string[]): Promise<PolyFile> {
  const words = await Promise.all(sources.map(wordsOf));
  const headers = words.map(({ header }) => header);
  const [first] = words;
  const channels = headers.reduce((sum, header) => sum + header.channels, 0);
  if (!first || channels > MAX_CHANNELS)
    throw new RecordingRefusal({ code: "refused.manyChannels", channels, most: MAX_CHANNELS });
  for (const field of ["sampleRateHz", "bitsPerSample", "encoding", "bytesPerSample", "timeReference"] as const)
    if (headers.some((header) => header[field] !== first.header[field]))
      throw new RecordingRefusal({ code: "refused.tracksDiffer", isTime: field === "timeReference" });
  const tracks = words.flatMap(({ header, ixml }, file) => {
    const suffix = (channel: number) => (header.channels > 1 ? ` ${channel + 1}` : "");
    return channelNames(ixml, header.channels).map(
      ({ name }, channel) => name || `${names[file] ?? ""}${suffix(channel)}`,
    );
  });
  const frames = Math.max(...headers.map((header) => header.frames));
  const { bytesPerSample } = first.header;
  const bytesPerFrame = channels * bytesPerSample;
  /** Unsigned samples are silent in the middle of their range. */
  const silence = first.header.encoding === "pcm" && bytesPerSample === 1 ? 128 : 0;
  async function* sound() {
    const piece = Math.max(1, Math.floor(PIECE_BYTES / bytesPerFrame));
    for (let frame = 0; frame < frames; frame += piece) {
      const whole = new Uint8Array(Math.min(piece, frames - frame) * bytesPerFrame).fill(silence);
      let channelAt = 0;
      for (const [file, header] of headers.entries()) {
        const count = Math.max(0, Math.min(piece, header.frames - frame));
        const wanted = count * header.bytesPerFrame;
        const bytes = await sources[file]!.read(header.dataOffset + frame * header.bytesPerFrame, wanted);
        if (bytes.length < wanted) throw new RecordingRefusal({ code: "refused.shrank" });
        for (let at = 0; at < count; at += 1) {
          const to = at * bytesPerFrame + channelAt;
          const from = at * header.bytesPerFrame;
          for (let byte = 0; byte < header.bytesPerFrame; byte += 1) whole[to + byte] = bytes[from + byte]!;
        }
        channelAt += header.bytesPerFrame;
      }
      yield whole;
    }
    yield* padding(frames * bytesPerFrame);
  }
  const named = tracks.map((name, at) => ({ channel: at + 1, name }));
  return { head: headOf(first.header, channels, frames, chunksWith(first, named)), sound };
}
