// Looked up once: a test runner's sandbox makes every look-up of a global slow.
const { max, min, round } = Math;

export interface WavLayout {
  sampleRateHz: number;
  bits: 8 | 16 | 24 | 32 | 64;
  isFloat?: boolean;
}

/** A plain WAV of planar samples in ±1 (float files keep what lies beyond). Source: RIFF WAVE, formats 1 and 3. */
export function toWav(
  planes: readonly Float32Array[],
  { sampleRateHz, bits, isFloat = false }: WavLayout,
): Uint8Array<ArrayBuffer> {
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
