import { ALL_FORMATS, CanvasSink, CustomSource, Input } from "mediabunny";
import { type ByteSource, RecordingRefusal } from "../core/audio";

/** Frames of a picture file, one by one. Needs WebCodecs: a browser. */
export interface Stills {
  frameRate: number;
  /** The frame that is shown at a time after the first one, s, as a picture of at most that width; null where there is none. */
  at(atS: number): Promise<Blob | null>;
}

const FRAMES_LOOKED_AT = 120;

/** Opens a picture file to look at single frames. Errors: RecordingRefusal where it holds none that can be shown here. */
export async function openStills(source: ByteSource, widthPx: number): Promise<Stills> {
  const input = new Input({
    formats: ALL_FORMATS,
    source: new CustomSource({
      getSize: () => source.sizeBytes,
      read: async (from, to) => (await source.read(from, to - from)).slice(),
    }),
  });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track) throw new RecordingRefusal({ code: "refused.notPicture" });
    const codec = (await track.getCodec()) ?? "unknown";
    if (!(await track.canDecode())) throw new RecordingRefusal({ code: "refused.noStills", codec });
    const firstS = await track.getFirstTimestamp();
    const { averagePacketRate } = await track.computePacketStats(FRAMES_LOOKED_AT);
    const sink = new CanvasSink(track, { width: widthPx });
    return {
      frameRate: averagePacketRate,
      async at(atS) {
        // Frames' times are rounded in the file: the middle of a frame is surely in it.
        const wrapped = await sink.getCanvas(firstS + atS + 0.5 / averagePacketRate);
        if (!wrapped) return null;
        const { canvas } = wrapped;
        return "convertToBlob" in canvas ? canvas.convertToBlob({ type: "image/jpeg", quality: 0.8 }) : null;
      },
    };
  } catch (error) {
    if (error instanceof RecordingRefusal) throw error;
    throw new RecordingRefusal({ code: "refused.brokenPicture" });
  }
}
