import * as Comlink from "comlink";
import { readMono, RecordingRefusal, type Refusal } from "../core/audio";
import { analyseTone, type ToneResult } from "../core/noise";
import { analyseClap, type ClapResult } from "../core/room";
import { quietDay, type QuietDay, type QuietDayWishes } from "../core/planning";
import type { ShootBundle } from "../core/records";
import { blobSource } from "./blobSource";

/** Longest recordings of a clap and of a room's tone, s. */
const LONGEST_CLAP_S = 120;
const LONGEST_TONE_S = 600;

/** A file, or what the microphone gave. */
export type Sound = File | { samples: Float32Array; sampleRateHz: number };

const readSound = (sound: Sound, mostS: number) =>
  sound instanceof File ? readMono(blobSource(sound), mostS) : Promise.resolve(sound);

const refusalOf = (error: unknown): { isMeasured: false; says: Refusal } => ({
  isMeasured: false,
  says: error instanceof RecordingRefusal ? error.says : { code: "refused.unreadable" },
});

const door = {
  /** Echo from a recorded clap. */
  async clap(sound: Sound): Promise<ClapResult> {
    try {
      const { samples, sampleRateHz } = await readSound(sound, LONGEST_CLAP_S);
      return analyseClap(samples, sampleRateHz);
    } catch (error) {
      return refusalOf(error);
    }
  },

  /** Noise from a recording without voices; `calibrationDb` is the SPL of 0 dBFS, null when it is not known. */
  async tone(sound: Sound, calibrationDb: number | null): Promise<ToneResult> {
    try {
      const { samples, sampleRateHz } = await readSound(sound, LONGEST_TONE_S);
      return analyseTone(samples, sampleRateHz, calibrationDb);
    } catch (error) {
      return refusalOf(error);
    }
  },

  /** A day's scenes against the noises of their places, and the best order. */
  quietDay(bundle: ShootBundle, day: number, wishes: QuietDayWishes): QuietDay {
    return quietDay(bundle, day, wishes);
  },
};

export type PlaceDoor = typeof door;

Comlink.expose(door);
