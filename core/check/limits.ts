/**
 * Where a figure becomes a finding.
 *
 * Levels and speech over noise: common practice. All others were set on made recordings with the tuning seed and are
 * held by `bench detectors` (docs/detectors.md) with another; no published source.
 */
export const LIMITS = {
  /** Speech peaks above this are too hot, dBFS. */
  ceilingDbfs: -6,
  /** Peaks below this waste what the recorder can do, dBFS. */
  lowPeakDbfs: -30,
  noisySnrDb: 20,
  veryNoisySnrDb: 12,
  dcOffset: 0.01,
  /** Anything quieter than this all through is a dead channel, dBFS. */
  silentPeakDbfs: -70,
  /** A mains line over what is beside it, and over the voice, dB. */
  humOverBesideDb: 13,
  humUnderVoiceDb: -52,
  /** A third-octave of the noise over those two away, and the voice over it, dB. */
  whineOverDb: 10,
  whineUnderVoiceDb: 48,
  /** Less speech than this in a longer recording is none, s. */
  noSpeechS: 1.5,
  noSpeechOfS: 10,
  /** Noise of 2 to 8 kHz re the voice, dB, and how much it rises from 1 to 8 kHz by third-octaves at least (white: 8). */
  hissUnderVoiceDb: -50,
  hissFallDb: 1.7,
  /** Phrases that die away slower than this are in a strong room, dB/s. */
  roomyDbPerS: 130,
  /** Share of the loud hops within 2 dB of the highest, and how much flatter those tops are than others: an overload. */
  flattenedShare: 0.04,
  flatterTops: 0.09,
  sameTops: 0.03,
  /** So large a share of the loud hops at the top, and no flatter than others: a limiter that looks ahead. */
  heldShare: 0.3,
  /** A line-up tone is no voice: nearly all of it lies at its top, and it has no highs at all or nothing but bass. */
  toneShare: 0.4,
  toneBrightDb: -45,
  toneBassDb: 20,
  /** Share of the loud peaks that crowd into 2 dB under a limiter. */
  crowdShare: 0.5,
  sibilanceDb: -9.5,
  muffledDb: -20,
  boomyDb: 1.8,
  /** The same of a voice whose fundamental lies above the bass, Hz: it has hardly any of its own. */
  highVoiceHz: 280,
  highBoomyDb: -4,
  pumpingDb: 1.9,
  /** Noise under 55 Hz re that of 140 to 280 Hz, in pauses, dB. */
  lowCutDb: -12,
  linkedDb: -45,
  /** Phase correlation that shows two microphones on one voice, and how lonely its peak must be. */
  alike: 0.12,
  second: 0.65,
  delayMs: 3,
} as const;
