import * as Comlink from "comlink";
import { type MeasuredRecording, measureWav, recordingMeter, type RecordingMeter } from "../core/check";
import { clipText } from "../core/schema";
import { MeasurementCancelled, RecordingRefusal, type Refusal } from "../core/audio";
import { blobSource } from "./blobSource";
import { makeGate, type Gate } from "./gate";

/** What a measurement came to, free of classes so that it crosses the worker's door. */
export type MeasureOutcome =
  | { outcome: "measured"; recording: MeasuredRecording }
  | { outcome: "refused"; says: Refusal }
  | { outcome: "cancelled" };

const PROGRESS_EVERY_MS = 250;

let isCancelled = false;
let held: Gate | null = null;
let decoded: RecordingMeter | null = null;

const door = {
  /** Measures a WAV by streaming; the file stays where it is. */
  async measure(file: File, onProgress: (share: number) => void): Promise<MeasureOutcome> {
    isCancelled = false;
    let told = 0;
    try {
      const recording = await measureWav(blobSource(file), clipText(file.name, 1024), {
        keepsSteps: true,
        isCancelled: () => isCancelled,
        holdUp: () => held?.opens ?? null,
        onProgress: (share) => {
          const now = performance.now();
          if (now - told < PROGRESS_EVERY_MS && share < 1) return;
          told = now;
          onProgress(share);
        },
      });
      return { outcome: "measured", recording };
    } catch (error) {
      if (error instanceof MeasurementCancelled) return { outcome: "cancelled" };
      if (error instanceof RecordingRefusal) return { outcome: "refused", says: error.says };
      return { outcome: "refused", says: { code: "refused.unreadable" } };
    }
  },
  cancel(): void {
    isCancelled = true;
  },
  /** Holds a measurement up where it is; nothing of it is lost. */
  hold(): void {
    held ??= makeGate();
  },
  goOn(): void {
    held?.open();
    held = null;
  },
  /** Starts a measurement of sound the browser has decoded, fed by {@link pushDecoded}. */
  beginDecoded(form: { file: string; container: string; sampleRateHz: number; channels: number }): void {
    decoded = recordingMeter({ ...form, encoding: "decoded", bitsPerSample: null, fullScale: 1 });
  },
  pushDecoded(planes: Float32Array[]): void {
    decoded?.push(planes, planes[0]?.length ?? 0);
  },
  finishDecoded(): MeasureOutcome {
    if (!decoded) return { outcome: "cancelled" };
    const recording = decoded.finish();
    decoded = null;
    return { outcome: "measured", recording };
  },
};

export type MeasureDoor = typeof door;

Comlink.expose(door);
