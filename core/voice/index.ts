/**
 * A voice as spectra and directivity, by effort and direction.
 */
export { mouthDirectivityDb } from "./directivity";
export { deepestOf, LOWEST_PITCH_HZ, USUAL_PITCH_HZ, VOICES, type Voice } from "./pitch";
export {
  EFFORTS,
  SPEECH_CREST_DB,
  SPEECH_SPECTRUM_DB,
  SPEECH_THIRDS_HZ,
  speechOctavesDb,
  type Effort,
} from "./speechSpectrum";
