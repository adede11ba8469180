import type { ChannelHearing } from "../audio";

/** Where somebody speaks and where nobody does. */
export interface SpeechDecision {
  /** 1 where somebody speaks, by hop. */
  isSpeech: Uint8Array;
  /** 1 where surely nobody does: speech is at least 150 ms away. */
  isPause: Uint8Array;
}

/** A voice is at least this periodic somewhere. */
const VOICED = 0.55;
/** Speech is at least so long, holes in it at most; pauses keep so far away, hops. */
const SHORTEST = 8;
const HOLE = 22;
const AWAY = 15;
/** How far unvoiced sound belongs to the voiced beside it, hops. */
const BESIDE = 20;

/** Fills holes, drops what is too short or has no voice in it. */
function tidy(isLoud: Uint8Array, voicing: Float32Array): Uint8Array {
  const speech = new Uint8Array(isLoud.length);
  let from = -1;
  let lastLoud = -HOLE - 1;
  const close = (end: number): void => {
    if (from < 0 || end - from < SHORTEST) return;
    let voiced = -BESIDE - 1;
    const firstVoiced: number[] = [];
    for (let hop = from; hop < end; hop += 1) if (voicing[hop]! >= VOICED) firstVoiced.push(hop);
    if (firstVoiced.length < 3) return;
    for (const hop of firstVoiced) {
      const begin = Math.max(from, hop - BESIDE, voiced);
      speech.fill(1, begin, Math.min(end, hop + BESIDE));
      voiced = hop;
    }
  };
  for (let hop = 0; hop < isLoud.length; hop += 1) {
    if (isLoud[hop]) {
      if (from >= 0 && hop - lastLoud > HOLE) {
        close(lastLoud + 1);
        from = hop;
      }
      if (from < 0) from = hop;
      lastLoud = hop;
    }
  }
  close(lastLoud + 1);
  return speech;
}

function pausesOf(isLoud: Uint8Array, speech: Uint8Array): Uint8Array {
  const pause = new Uint8Array(speech.length).fill(1);
  for (let hop = 0; hop < speech.length; hop += 1)
    if (speech[hop]) pause.fill(0, Math.max(0, hop - AWAY), hop + AWAY + 1);
    else if (isLoud[hop]) pause[hop] = 0;
  return pause;
}

/**
 * Decides where somebody speaks, by how far third-octaves stand over the noise and by the voice's pitch.
 *
 * Works from about 5 dB of speech over noise (see docs). Sound without any pitch (a knock, cloth, wind) is no speech.
 */
export function findSpeech({ isLoud, voicing }: Pick<ChannelHearing, "isLoud" | "voicing">): SpeechDecision {
  const isSpeech = tidy(isLoud, voicing);
  return { isSpeech, isPause: pausesOf(isLoud, isSpeech) };
}
