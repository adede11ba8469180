import type { Message } from "../message";

/** What taps and a trial of three steps come to. Figures in dB. */
export type MeterCatalogue = {
  "taps.none": object;
  "taps.wantedOnly": object;
  "taps.deviceOnly": object;
  "taps.alike": object;
  "taps.wantedLouder": { byDb: number };
  "taps.deviceLouder": { byDb: number };
  "trial.nothingHeard": object;
  "trial.wrongMicrophone": { overQuietDb: number };
  "trial.clips": { downDb: number };
  "trial.overloadsEarlier": object;
  /** Null: it is right as it is. */
  "trial.peaks": { peakDbfs: number; byDb: number | null };
  "trial.littleOverNoise": { overNoiseDb: number };
  "trial.noiseRises": { byDb: number };
};
export type MeterMessage = Message<MeterCatalogue>;
