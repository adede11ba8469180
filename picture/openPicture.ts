import {
  ALL_FORMATS,
  AudioSampleSink,
  CustomSource,
  EncodedPacketSink,
  Input,
  type AudioSample,
  type InputAudioTrack,
} from "mediabunny";
import { type ByteSource, RecordingRefusal } from "../core/audio";
import { landmarkMaker, type Landmarks, type ReadStretch } from "../core/sync";

/** The sound of a picture file. */
interface PictureSound {
  sampleRateHz: number;
  channels: number;
  /** Listens to all of it once. */
  scan: (options?: { onProgress?: (share: number) => void; isCancelled?: () => boolean }) => Promise<Landmarks>;
  read: ReadStretch;
}

/** A picture file that is there, before any of its sound is listened to. */
export interface OpenPicture {
  /** From its first frame on, s. */
  seconds: number;
  /** Frames a second by the times of its frames; null where it holds no picture. */
  frameRate: number | null;
  /** Why its sound cannot be had here: none, or of a kind that is not decoded here, by name. */
  sound: PictureSound | { codec: string } | null;
}

/** Frames are looked at for their rate, so many. */
const FRAMES_LOOKED_AT = 120;
/** Longer than a day is no take, s. */
const MOST_S = 24 * 3600;

const COMMON_RATES = [
  24_000 / 1001,
  24,
  25,
  30_000 / 1001,
  30,
  48,
  50,
  60_000 / 1001,
  60,
  100,
  120_000 / 1001,
  120,
] as const;

/** The usual rate that is meant; phones' frames come at slightly uneven times. */
const usualRate = (measured: number): number => {
  const nearest = COMMON_RATES.reduce((best, rate) =>
    Math.abs(rate - measured) < Math.abs(best - measured) ? rate : best,
  );
  return Math.abs(nearest / measured - 1) < 0.003 ? nearest : measured;
};

/** Puts a piece's channels together into one. */
function monoOf(sample: AudioSample, planes: Float32Array): Float32Array {
  const { numberOfFrames: frames, numberOfChannels: channels } = sample;
  const out = new Float32Array(frames);
  const plane = planes.length >= frames ? planes.subarray(0, frames) : new Float32Array(frames);
  for (let planeIndex = 0; planeIndex < channels; planeIndex += 1) {
    sample.copyTo(plane, { planeIndex, format: "f32-planar" });
    for (let at = 0; at < frames; at += 1) out[at]! += plane[at]! / channels;
  }
  return out;
}

/** Decoders begin so much earlier: their first pieces are not yet whole, s. */
const WARM_UP_S = 0.1;
/** Rate at which an Opus stream counts what its decoder is to leave out at the beginning, Hz. Source: RFC 7845. */
const OPUS_HZ = 48_000;

/**
 * By how much decoded sound comes too early, s: browsers leave out the beginning of an Opus stream that only warms the decoder
 * up, and give what follows the time of what was left out. Source: RFC 7845 for where it stands; that browsers do so was
 * measured.
 */
async function leadOf(track: InputAudioTrack, sink: AudioSampleSink): Promise<number> {
  if ((await track.getCodec()) !== "opus") return 0;
  const { description } = (await track.getDecoderConfig()) ?? {};
  if (!description) return 0;
  const head = ArrayBuffer.isView(description)
    ? new DataView(description.buffer, description.byteOffset, description.byteLength)
    : new DataView(description);
  if (head.byteLength < 12) return 0;
  const leadS = head.getUint16(10, true) / OPUS_HZ;
  const packet = await new EncodedPacketSink(track).getFirstPacket();
  for await (const sample of sink.samples()) {
    const isLeftOut = packet !== null && sample.duration < packet.duration - 0.5 * leadS;
    sample.close();
    return isLeftOut ? leadS : 0;
  }
  return 0;
}

/** The sound of a track, told from the picture's first frame on, which comes at `firstS`. */
async function soundOf(track: InputAudioTrack, firstS: number, seconds: number): Promise<PictureSound> {
  const [sampleRateHz, channels] = [await track.getSampleRate(), await track.getNumberOfChannels()];
  const sink = new AudioSampleSink(track);
  const leadS = await leadOf(track, sink);
  const plane = new Float32Array(8192);
  /** Pieces of a stretch, each with its place in samples from the picture's beginning. */
  async function pieces(
    fromS: number,
    toS: number,
    onPiece: (place: number, samples: Float32Array) => boolean,
  ): Promise<void> {
    for await (const sample of sink.samples(firstS + fromS - WARM_UP_S, firstS + toS)) {
      const place = Math.round((sample.timestamp - firstS + leadS) * sampleRateHz);
      const samples = monoOf(sample, plane);
      sample.close();
      if (!onPiece(place, samples)) return;
    }
  }
  return {
    ...{ sampleRateHz, channels },
    async scan({ onProgress, isCancelled } = {}) {
      const maker = landmarkMaker(sampleRateHz);
      const gap = new Float32Array(4096);
      let at = 0;
      await pieces(0, seconds, (place, samples) => {
        // Where sound sets in late or leaves out something, silence keeps the time.
        while (at < place) {
          const missing = Math.min(gap.length, place - at);
          maker.push(gap, missing);
          at += missing;
        }
        const known = Math.max(0, at - place);
        if (known < samples.length) {
          maker.push(samples.subarray(known), samples.length - known);
          at += samples.length - known;
        }
        onProgress?.(Math.min(1, at / (seconds * sampleRateHz)));
        return !isCancelled?.();
      });
      return maker.end();
    },
    async read(fromS, wantedS) {
      const from = Math.round(fromS * sampleRateHz);
      const samples = new Float32Array(Math.max(0, Math.round(Math.min(wantedS, seconds - fromS) * sampleRateHz)));
      await pieces(fromS, fromS + wantedS, (place, piece) => {
        const to = place - from;
        const cut = Math.max(0, -to);
        if (cut < piece.length && to + cut < samples.length)
          samples.set(piece.subarray(cut, Math.min(piece.length, samples.length - to)), to + cut);
        return to + piece.length < samples.length;
      });
      return { samples, sampleRateHz };
    },
  };
}

/**
 * A picture file (mp4, mov, webm and what else mediabunny reads) as lining up sees it: only its sound is read. Errors:
 * RecordingRefusal where it is none, is only half there, is locked, or is longer than a day.
 */
export async function openPicture(source: ByteSource): Promise<OpenPicture> {
  const input = new Input({
    formats: ALL_FORMATS,
    source: new CustomSource({
      getSize: () => source.sizeBytes,
      // What is handed on is kept by its cache.
      read: async (from, to) => (await source.read(from, to - from)).slice(),
    }),
  });
  try {
    const video = await input.getPrimaryVideoTrack();
    const track = await input.getPrimaryAudioTrack();
    const first = video ?? track;
    if (!first) throw new RecordingRefusal({ code: "refused.notPicture" });
    const firstS = await first.getFirstTimestamp();
    const seconds = (await first.computeDuration()) - firstS;
    if (seconds > MOST_S) throw new RecordingRefusal({ code: "refused.tooLong", seconds, mostS: MOST_S });
    const rate = video ? (await video.computePacketStats(FRAMES_LOOKED_AT)).averagePacketRate : null;
    const frameRate = rate === null ? null : usualRate(rate);
    if (!track) return { seconds, frameRate, sound: null };
    const codec = (await track.getCodec()) ?? "unknown";
    if (!(await track.canDecode())) return { seconds, frameRate, sound: { codec } };
    return { seconds, frameRate, sound: await soundOf(track, firstS, seconds) };
  } catch (error) {
    if (error instanceof RecordingRefusal) throw error;
    throw new RecordingRefusal({ code: "refused.brokenPicture" });
  }
}
