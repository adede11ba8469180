import * as Comlink from "comlink";
import type { MeasureDoor, MeasureOutcome } from "@/workers/measureWorker";
import { decodeFile } from "../sound/decodeFile";

const DECODED_BLOCK = 1 << 16;

/** Measures what the browser can decode: compressed files, whole in memory. */
export async function measureDecoded(
  door: Comlink.Remote<MeasureDoor>,
  file: File,
  onShare: (share: number) => void,
): Promise<MeasureOutcome> {
  const buffer = await decodeFile(file);
  if ("code" in buffer) return { outcome: "refused", says: buffer };
  const container = file.name.split(".").at(-1)?.toLowerCase() ?? "decoded";
  await door.beginDecoded({
    file: file.name,
    container,
    sampleRateHz: buffer.sampleRate,
    channels: buffer.numberOfChannels,
  });
  const channels = Array.from({ length: buffer.numberOfChannels }, (_, channel) => buffer.getChannelData(channel));
  for (let from = 0; from < buffer.length; from += DECODED_BLOCK) {
    const planes = channels.map((samples) => samples.slice(from, from + DECODED_BLOCK));
    await door.pushDecoded(
      Comlink.transfer(
        planes,
        planes.map((plane) => plane.buffer),
      ),
    );
    onShare(Math.min(1, (from + DECODED_BLOCK) / buffer.length));
  }
  return door.finishDecoded();
}
