import { pcmEncoder, type PcmForm } from "./encodePcm";

/** So many bytes are gathered before they are written. */
const PORTION = 1 << 20;

/** Takes planes as they come; the same ones may be used again when it is done. */
export type TakePlanes = (planes: readonly Float32Array[], frames: number) => Promise<void>;

export interface SoundWriter {
  take: TakePlanes;
  /** Writes what is left, and the byte behind sound of odd length. Source: RIFF/WAVE. */
  end(): Promise<void>;
}

/**
 * Writes planes as bytes, in portions of at most a megabyte; what `write` is given is valid until its promise is kept. Dither
 * is the same for the same seed.
 */
export function soundWriter(
  form: PcmForm,
  seed: number,
  write: (bytes: Uint8Array<ArrayBuffer>) => Promise<unknown>,
): SoundWriter {
  const encode = pcmEncoder(form, seed);
  const portion = new Uint8Array(PORTION);
  let [filled, soundBytes] = [0, 0];
  const flush = async (): Promise<void> => {
    if (filled > 0) await write(portion.subarray(0, filled));
    filled = 0;
  };
  return {
    async take(planes, frames) {
      const step = Math.max(1, Math.floor(PORTION / 8 / planes.length / (form.bits / 8)));
      for (let from = 0; from < frames; from += step) {
        const count = Math.min(step, frames - from);
        const bytes = encode(
          planes.map((plane) => plane.subarray(from, from + count)),
          count,
        );
        if (filled + bytes.length > PORTION) await flush();
        portion.set(bytes, filled);
        filled += bytes.length;
        soundBytes += bytes.length;
      }
    },
    async end() {
      await flush();
      if (soundBytes % 2 === 1) await write(new Uint8Array(1));
    },
  };
}
