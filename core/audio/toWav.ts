// Looked up once: a test runner's sandbox makes every look-up of a global slow.
const { max, min, round } = Math;

export interface WavLayout {
  sampleRateHz: number;
  bits: 8 | 16 | 24 | 32 | 64;
  isFloat?: boolean;
  /** When it began, seconds after midnight: written into a broadcast chunk. */
  startedAtS?: number;
}

/** Length of a broadcast chunk without history, and where its time stands. Source: EBU Tech 3285, version 0. */
const BEXT_BYTES = 602;
const BEXT_TIME_AT = 338;

/** A plain WAV of planar samples in ±1 (float files keep what lies beyond). Source: RIFF WAVE, formats 1 and 3; EBU Tech 3285. */
export function toWav(
  planes: readonly Float32Array[],
  { sampleRateHz, bits, isFloat = false, startedAtS }: WavLayout,
): Uint8Array<ArrayBuffer> {
  const width = bits / 8;
  const frames = planes[0]?.length ?? 0;
  const dataBytes = frames * planes.length * width;
  const bext = startedAtS === undefined ? 0 : 8 + BEXT_BYTES;
  const soundAt = 44 + bext;
  const wav = new Uint8Array(soundAt + dataBytes);
  const view = new DataView(wav.buffer);
  const tag = (at: number, text: string) =>
    wav.set(
      [...text].map((letter) => letter.charCodeAt(0)),
      at,
    );
  tag(0, "RIFF");
  view.setUint32(4, soundAt - 8 + dataBytes, true);
  tag(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, isFloat ? 3 : 1, true);
  view.setUint16(22, planes.length, true);
  view.setUint32(24, sampleRateHz, true);
  view.setUint32(28, sampleRateHz * planes.length * width, true);
  view.setUint16(32, planes.length * width, true);
  view.setUint16(34, bits, true);
  if (startedAtS !== undefined) {
    const time = BigInt(round(startedAtS * sampleRateHz));
    tag(36, "bext");
    view.setUint32(40, BEXT_BYTES, true);
    view.setBigUint64(44 + BEXT_TIME_AT, time, true);
  }
  tag(soundAt - 8, "data");
  view.setUint32(soundAt - 4, dataBytes, true);
  const scale = 2 ** (bits - 1);
  const code = (value: number) => max(-scale, min(scale - 1, round(value * scale)));
  for (let frame = 0; frame < frames; frame += 1)
    planes.forEach((plane, channel) => {
      const at = soundAt + (frame * planes.length + channel) * width;
      const value = plane[frame]!;
      if (isFloat && bits === 64) view.setFloat64(at, value, true);
      else if (isFloat) view.setFloat32(at, value, true);
      else if (bits === 8) view.setUint8(at, code(value) + 128);
      else for (let byte = 0; byte < width; byte += 1) view.setUint8(at + byte, code(value) >> (8 * byte));
    });
  return wav;
}
