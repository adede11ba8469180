/** A term of the trade and what it means, in a sentence or two. */
export interface Term {
  name: string;
  means: string;
}

const terms = {
  activeLevel: {
    name: "speech level",
    means: "Mean level of speech without its pauses (ITU-T P.56). Peaks are about 18 dB above it.",
  },
  agc: {
    name: "automatic gain",
    means: "The device sets the gain by itself: quiet passages come up with their noise, and the noise pumps.",
  },
  balanced: {
    name: "balanced",
    means: "The signal runs on two wires with opposite polarity, so that what a cable picks up cancels at the input.",
  },
  callTime: { name: "call time", means: "When somebody has to be on set." },
  clipping: {
    name: "clipping",
    means: "The tops of the waveform are cut off because a stage could not go higher. It cannot be repaired.",
  },
  combFiltering: {
    name: "comb filtering",
    means: "A sound meets a late copy of itself: some frequencies add, others cancel, and it sounds hollow.",
  },
  companyMove: { name: "company move", means: "The whole crew moves to another location." },
  criticalDistance: {
    name: "critical distance",
    means: "Where the direct sound and the reverberation are equally loud. Keep the microphone well inside it.",
  },
  c50: {
    name: "C50",
    means:
      "Clarity: energy of the first 50 ms against all that comes later, in dB (ISO 3382-1). Above 0 is good for speech.",
  },
  dbfs: { name: "dBFS", means: "Level below full scale, the highest value that a digital file can hold." },
  dbSpl: { name: "dB SPL", means: "Sound pressure level. 0 dB SPL is the threshold of hearing, 94 dB SPL is 1 Pa." },
  dba: { name: "dBA", means: "Sound level weighted as the ear hears quiet sounds: lows count less (IEC 61672-1)." },
  dbu: { name: "dBu", means: "Voltage level: 0 dBu is 0.775 V. Professional line level is +4 dBu." },
  dcOffset: { name: "DC offset", means: "The waveform does not swing round zero. Cuts can then click." },
  directToReverberant: {
    name: "direct to reverberant",
    means: "How far the voice itself is above the reverberation at the microphone, in dB.",
  },
  diversity: {
    name: "antenna diversity",
    means: "The receiver has two antennas and uses whichever has the better signal at the moment.",
  },
  dropout: { name: "dropout", means: "The radio link fails for a moment, and the sound with it." },
  dualMono: { name: "dual mono", means: "Both channels of a stereo file hold the same sound." },
  fifthOrder: {
    name: "fifth-order intermodulation",
    means: "Weaker products that transmitters create in each other, at 3 × one frequency − 2 × another.",
  },
  gainStaging: {
    name: "gain staging",
    means: "Setting each stage so that none clips on the loudest line and none adds noise to the softest.",
  },
  handlingNoise: {
    name: "handling noise",
    means: "Sound of hands, cables and clothes that reaches the capsule through its body.",
  },
  headroom: { name: "headroom", means: "How far the level can still rise before something clips, in dB." },
  hum: { name: "hum", means: "A steady low tone at the mains frequency (50 or 60 Hz) and its multiples." },
  intermodulation: {
    name: "third-order intermodulation",
    means:
      "Transmitters close to each other create new signals, at 2 × one frequency − another. No link may be tuned near them.",
  },
  latency: { name: "latency", means: "How late the sound arrives, in ms. One frame of picture at 25 fps is 40 ms." },
  lavalier: { name: "lavalier", means: "A small microphone that is worn; lav for short." },
  limiter: { name: "limiter", means: "Holds peaks below a ceiling. A safety device: it should rest on normal lines." },
  loudness: {
    name: "LUFS",
    means: "Loudness of a programme, weighted and gated (ITU-R BS.1770). Deliveries ask for a value, such as −23 LUFS.",
  },
  lowCut: { name: "low cut", means: "A filter that removes what is below the voice: rumble, wind, handling noise." },
  noiseFloor: { name: "noise floor", means: "The level that is there when nobody speaks." },
  offAxis: { name: "off axis", means: "Away from where a microphone or a mouth points. Highs drop first." },
  pad: { name: "pad", means: "Lowers a signal by a fixed number of dB, so that it fits a more sensitive input." },
  phantomPower: {
    name: "phantom power",
    means:
      "48 V on both wires of a balanced cable, for condenser microphones (IEC 61938). Some other devices are damaged by it.",
  },
  plosive: { name: "plosive", means: "The blast of air of a p or b, heard as a thump." },
  plugInPower: {
    name: "plug-in power",
    means: "2 to 5 V on a 3.5 mm microphone socket, for small lavaliers. It is not phantom power.",
  },
  polarity: {
    name: "polarity",
    means: "Whether a push on the capsule raises or lowers the waveform. Two microphones must agree.",
  },
  proximityEffect: {
    name: "proximity effect",
    means: "Directional microphones lift the lows of close sources: the closer, the boomier.",
  },
  randomEnergy: {
    name: "random energy efficiency",
    means: "What share of a room's sound a pattern picks up: 1 for omni, 1/3 for cardioid, 1/4 for hypercardioid.",
  },
  roomTone: {
    name: "room tone",
    means: "Half a minute of the place with nobody speaking, for the edit to fill gaps with.",
  },
  rt60: {
    name: "RT60",
    means: "Reverberation time: how long a sound takes to fall by 60 dB after it stops (ISO 3382-2).",
  },
  safetyTrack: {
    name: "safety track",
    means: "The same microphone again, recorded 6 to 12 dB lower, in case the other clips.",
  },
  sensitivity: {
    name: "sensitivity",
    means:
      "How much signal a microphone gives for 1 Pa of sound, in mV; on a pack, the control that sets its input gain.",
  },
  selfNoise: {
    name: "self-noise",
    means: "The noise of the microphone itself, as the level in dBA of a sound that would be as loud.",
  },
  sibilance: { name: "sibilance", means: "S and sh sounds that stand out sharply." },
  snr: { name: "above noise", means: "How far the voice is above the noise, in dB. Dialogue wants 30 dB or more." },
  squelch: {
    name: "squelch",
    means: "Mutes a receiver while its carrier is weak, so that no radio noise comes through.",
  },
  sti: {
    name: "STI",
    means: "Speech transmission index: 0 is unintelligible, 1 perfect (IEC 60268-16). Above 0.75 is excellent.",
  },
  strainRelief: {
    name: "strain-relief loop",
    means: "A small loop of cable by the capsule, so that a pull ends there and is not heard.",
  },
  swing: { name: "swing", means: "How far the level changes as the head turns, in dB." },
  timecode: {
    name: "timecode",
    means: "The time of day written into picture and sound, so that they can be lined up.",
  },
  trs: {
    name: "TRS",
    means: "A jack with three contacts (tip, ring, sleeve): one balanced or two unbalanced signals.",
  },
  trrs: { name: "TRRS", means: "A jack with four contacts: a headset's two earphones and its microphone." },
  truePeak: {
    name: "true peak",
    means: "The highest point of the waveform between its samples too, in dBTP (ITU-R BS.1770).",
  },
  unbalanced: { name: "unbalanced", means: "The signal runs on one wire and the screen. Keep such cables short." },
} as const satisfies Record<string, Term>;

export type TermId = keyof typeof terms;

/** The glossary, by term. */
export const TERMS: Readonly<Record<TermId, Term>> = terms;
