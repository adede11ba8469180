/**
 * A voice as spectra and directivity, by effort and direction.
 */
export { mouthDirectivityDb } from "./directivity";
export {
  EFFORTS,
  SPEECH_CREST_DB,
  SPEECH_SPECTRUM_DB,
  SPEECH_THIRDS_HZ,
  speechOctavesDb,
  type Effort,
} from "./speechSpectrum";
