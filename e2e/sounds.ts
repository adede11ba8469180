/** Recordings made for browser tests. */

const RATE = 48000;

/** A mono WAV at 48 kHz whose samples come one by one; `random` is an even spread of ±1. */
function wavOf(bits: 16 | 24, seconds: number, sampleAt: (frame: number, random: number) => number): Buffer {
  const bytes = bits / 8;
  const frames = Math.round(RATE * seconds);
  const wav = Buffer.alloc(44 + frames * bytes);
  wav.write("RIFF", 0);
  wav.writeUInt32LE(36 + frames * bytes, 4);
  wav.write("WAVEfmt ", 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(RATE, 24);
  wav.writeUInt32LE(RATE * bytes, 28);
  wav.writeUInt16LE(bytes, 32);
  wav.writeUInt16LE(bits, 34);
  wav.write("data", 36);
  wav.writeUInt32LE(frames * bytes, 40);
  const full = 2 ** (bits - 1);
  let state = 1;
  for (let frame = 0; frame < frames; frame += 1) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const value = Math.round(sampleAt(frame, state / 2 ** 31 - 1) * full);
    wav.writeIntLE(Math.max(-full, Math.min(full - 1, value)), 44 + frame * bytes, bytes);
  }
  return wav;
}

/** A spoken take: tone bursts with pauses over faint noise, 24 bit. Loud ones clip. */
export function takeWav(peakDbfs: number, seconds = 6): Buffer {
  const amplitude = 10 ** (peakDbfs / 20);
  return wavOf(24, seconds, (frame, random) => {
    const isSpeaking = frame % RATE < RATE * 0.6;
    const voice = isSpeaking ? amplitude * Math.sin((2 * Math.PI * 220 * frame) / RATE) : 0;
    return voice + random * 0.0006;
  });
}

/** After a second of faint noise a burst that falls by 60 dB in so many seconds, 16 bit. */
export function clapWav(timeS: number, options: { peak?: number; noise?: number; afterS?: number } = {}): Buffer {
  const { peak = 0.5, noise = 0.00005, afterS = 3 } = options;
  return wavOf(16, 1 + afterS, (frame, random) => {
    const level = frame < RATE ? noise : noise + peak * 10 ** ((-3 * (frame - RATE)) / (timeS * RATE));
    return random * level;
  });
}

/** So many seconds of a quiet place, then somebody speaking at these peaks, 16 bit: for the browser's pretended microphone. */
export function quietThenVoiceWav(quietS: number, voiceS: number, peakDbfs: number): Buffer {
  const amplitude = 10 ** (peakDbfs / 20);
  return wavOf(16, quietS + voiceS, (frame, random) => {
    const isSpeaking = frame > quietS * RATE && frame % (RATE / 2) < RATE * 0.35;
    return (isSpeaking ? amplitude * Math.sin((2 * Math.PI * 330 * frame) / RATE) : 0) + random * 0.001;
  });
}
