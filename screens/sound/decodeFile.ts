import type { Refusal } from "@/core/audio";

/** Files that are not WAV go through the browser's decoder, which holds them whole. */
export const DECODE_LIMIT_BYTES = 30_000_000;
const DECODE_RATE_HZ = 48_000;
/** By its name or its first bytes: what calls itself a WAV is read as one, and refused as one. */
export async function looksLikeWav(file: File): Promise<boolean> {
  if (/\.(wav|bwf|rf64)$/i.test(file.name)) return true;
  const head = new Uint8Array(await file.slice(0, 12).arrayBuffer());
  const text = String.fromCharCode(...head);
  return /^(RIFF|RF64|BW64)/.test(text) || text.length < 12;
}

export function isSound(file: File): boolean {
  return /^(audio|video)\//.test(file.type) || /\.(m4a|mp3|ogg|oga|opus|flac|aac|mp4|webm|mov)$/i.test(file.name);
}

/** The whole of a compressed file, by the browser's own decoder; what is wrong where it cannot. */
export async function decodeFile(file: File): Promise<AudioBuffer | Refusal> {
  if (file.size > DECODE_LIMIT_BYTES)
    return { code: "refused.largeCompressed", megabytes: file.size / 1e6, most: DECODE_LIMIT_BYTES / 1e6 };
  try {
    const context = new OfflineAudioContext(1, 1, DECODE_RATE_HZ);
    return await context.decodeAudioData(await file.arrayBuffer());
  } catch {
    return { code: "refused.cannotDecode" };
  }
}
