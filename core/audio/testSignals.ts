/** Signals and files made for tests and benches: nothing here is used by the program itself. */

// Looked up once: a test runner's sandbox makes every look-up of a global slow.
const { sin, max, min, round } = Math;

export interface Tone {
  frequencyHz: number;
  /** Peak level, dBFS. */
  levelDbfs: number;
  seconds: number;
  sampleRateHz: number;
  phaseDeg?: number;
}

/** A sine of a peak level. */
export function sine({ frequencyHz, levelDbfs, seconds, sampleRateHz, phaseDeg = 0 }: Tone): Float32Array {
  const amplitude = 10 ** (levelDbfs / 20);
  const phase = (phaseDeg * Math.PI) / 180;
  return Float32Array.from(
    { length: Math.round(seconds * sampleRateHz) },
    (_, index) => amplitude * sin((2 * Math.PI * frequencyHz * index) / sampleRateHz + phase),
  );
}

/** White noise of an RMS level re full scale 1, from a seed. */
export function whiteNoise(seed: number, rmsDb: number, samples: number): Float32Array {
  const { imul } = Math;
  let state = seed >>> 0 || 1;
  const next = () => {
    state = (imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  // A uniform spread of ±√3 has an RMS of 1.
  const spread = 10 ** (rmsDb / 20) * Math.sqrt(3);
  return Float32Array.from({ length: samples }, () => spread * (2 * next() - 1));
}

/** Silences everything outside spans of seconds. */
export function gated(
  samples: Float32Array,
  sampleRateHz: number,
  spansS: readonly (readonly [number, number])[],
): Float32Array {
  return samples.map((value, index) =>
    spansS.some(([from, to]) => index >= from * sampleRateHz && index < to * sampleRateHz) ? value : 0,
  );
}

/** One after the other. */
export function joined(...parts: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** Added sample by sample; as long as the first. */
export function mixed(first: Float32Array, ...others: readonly Float32Array[]): Float32Array {
  return first.map((value, index) => others.reduce((sum, other) => sum + (other[index] ?? 0), value));
}

export interface WavLayout {
  sampleRateHz: number;
  bits: 8 | 16 | 24 | 32 | 64;
  isFloat?: boolean;
}

/** A plain WAV of planar samples in ±1 (float files keep what lies beyond). */
export function toWav(planes: readonly Float32Array[], { sampleRateHz, bits, isFloat = false }: WavLayout): Uint8Array {
  const width = bits / 8;
  const frames = planes[0]?.length ?? 0;
  const dataBytes = frames * planes.length * width;
  const wav = new Uint8Array(44 + dataBytes);
  const view = new DataView(wav.buffer);
  const tag = (at: number, text: string) =>
    wav.set(
      [...text].map((letter) => letter.charCodeAt(0)),
      at,
    );
  tag(0, "RIFF");
  view.setUint32(4, 36 + dataBytes, true);
  tag(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, isFloat ? 3 : 1, true);
  view.setUint16(22, planes.length, true);
  view.setUint32(24, sampleRateHz, true);
  view.setUint32(28, sampleRateHz * planes.length * width, true);
  view.setUint16(32, planes.length * width, true);
  view.setUint16(34, bits, true);
  tag(36, "data");
  view.setUint32(40, dataBytes, true);
  const scale = 2 ** (bits - 1);
  const code = (value: number) => max(-scale, min(scale - 1, round(value * scale)));
  for (let frame = 0; frame < frames; frame += 1)
    planes.forEach((plane, channel) => {
      const at = 44 + (frame * planes.length + channel) * width;
      const value = plane[frame]!;
      if (isFloat && bits === 64) view.setFloat64(at, value, true);
      else if (isFloat) view.setFloat32(at, value, true);
      else if (bits === 8) view.setUint8(at, code(value) + 128);
      else for (let byte = 0; byte < width; byte += 1) view.setUint8(at + byte, code(value) >> (8 * byte));
    });
  return wav;
}
