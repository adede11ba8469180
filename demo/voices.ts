import { RATE } from "./labelled/rate";
import type { Voice } from "./labelled/voice";

/** The demo's voices are kept at half the rate; one sample becomes two. */
const VOICE_RATE = RATE / 2;
/** Sentences are this far apart at least, samples of silence. */
const SILENCE = VOICE_RATE * 0.4;
/** Half length of the filter between samples. */
const REACH = 16;

/** Every second sample lies between two that are kept: sinc under a Hann window. Source: interpolation by band-limited sinc. */
function doubled(samples: Float32Array): Float32Array {
  const between = Float32Array.from({ length: 2 * REACH }, (_, tap) => {
    const at = tap - REACH + 0.5;
    return (Math.sin(Math.PI * at) / (Math.PI * at)) * (0.5 + 0.5 * Math.cos((Math.PI * at) / (REACH + 0.5)));
  });
  const twice = new Float32Array(samples.length * 2);
  for (let at = 0; at < samples.length; at += 1) {
    twice[2 * at] = samples[at]!;
    let sum = 0;
    for (let tap = 0; tap < 2 * REACH; tap += 1) sum += between[tap]! * (samples[at + tap - REACH + 1] ?? 0);
    twice[2 * at + 1] = sum;
  }
  return twice;
}

/** A voice from its 24 kHz recording: what stands between silences is a sentence. */
export function voiceOf(name: string, samples: Float32Array): Voice {
  const sentences: Float32Array[] = [];
  let [from, quiet] = [-1, 0];
  for (let at = 0; at <= samples.length; at += 1) {
    const isSound = at < samples.length && Math.abs(samples[at]!) > 1e-4;
    if (isSound && from < 0) from = at;
    quiet = isSound ? 0 : quiet + 1;
    if (from >= 0 && (quiet >= SILENCE || at === samples.length)) {
      sentences.push(doubled(samples.slice(from, at - quiet + 1)));
      from = -1;
    }
  }
  return { name, isReal: false, sentences };
}
