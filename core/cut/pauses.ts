import { type ByteSource, readFrames, type WavHeader } from "../audio";
import type { Phrase } from "../check";

/** What somebody does in a pause that is not speech. */
export interface PauseEvent {
  kind: "breath" | "smack";
  startS: number;
  endS: number;
}

/** A pause between phrases, or before the first and after the last. */
export interface Pause {
  startS: number;
  endS: number;
  events: readonly PauseEvent[];
  /** Stretches of nothing but the room, longest first. */
  quiet: readonly (readonly [fromS: number, toS: number])[];
}

/** Levels are taken so often, s. */
const STEP_S = 0.005;
/** Something stands over the room by so much; a smack is short and louder, dB and s. */
const STANDS_DB = 8;
const SMACK_DB = 12;
const LONGEST_SMACK_S = 0.09;
const LEAST_BREATH_S = 0.12;
const LEAST_SMACK_S = 0.008;
/** Holes in one event. */
const JOINED_S = 0.03;
/** A phrase dies away so long, and begins so much before it is heard. */
const AFTER_PHRASE_S = 0.1;
const BEFORE_PHRASE_S = 0.04;
/** Room tone is at least so long and stays so near the room's level. */
const LEAST_QUIET_S = 0.08;
const QUIET_DB = 5;
/** Longer pauses are looked at in part: what is far from speech is room tone or nothing of the talent's, s. */
const LOOKED_AT_S = 20;

/** All channels as one. */
export async function readMix(
  source: ByteSource,
  header: WavHeader,
  fromS: number,
  toS: number,
): Promise<Float32Array> {
  const { sampleRateHz, frames, channels } = header;
  const from = Math.max(0, Math.min(frames, Math.round(fromS * sampleRateHz)));
  const count = Math.max(0, Math.min(frames, Math.round(toS * sampleRateHz)) - from);
  const mix = new Float32Array(count);
  let at = 0;
  if (count > 0)
    await readFrames(
      source,
      header,
      (planes, got) => {
        for (const plane of planes)
          for (let index = 0; index < Math.min(got, count - at); index += 1)
            mix[at + index]! += plane[index]! / channels;
        at += got;
      },
      { from, frames: count },
    );
  return mix;
}

/** Levels of steps of 5 ms, dB. */
function levelsOf(samples: Float32Array, sampleRateHz: number): Float32Array {
  const step = Math.round(STEP_S * sampleRateHz);
  return Float32Array.from({ length: Math.floor(samples.length / step) }, (_, index) => {
    let sum = 0;
    for (let at = index * step; at < (index + 1) * step; at += 1) sum += samples[at]! ** 2;
    return 10 * Math.log10(sum / step + 1e-14);
  });
}

/** Runs of steps for which something holds; holes of up to `joined` steps belong to them. */
function runsOf(count: number, holds: (step: number) => boolean, joined: number): [number, number][] {
  const runs: [number, number][] = [];
  for (let step = 0; step < count; step += 1) {
    if (!holds(step)) continue;
    const last = runs.at(-1);
    if (last && step - last[1] <= joined) last[1] = step + 1;
    else runs.push([step, step + 1]);
  }
  return runs;
}

const percentile = (values: Float32Array, share: number): number =>
  values.toSorted()[Math.floor(share * values.length)]!;

/** What happens in a pause whose samples begin at `startS`; `roomDb` is the take's usual level between phrases. */
function pauseOf(samples: Float32Array, sampleRateHz: number, startS: number, roomDb: number | null): Pause {
  const levels = levelsOf(samples, sampleRateHz);
  const pause = { startS, endS: startS + samples.length / sampleRateHz };
  if (levels.length < 4) return { ...pause, events: [], quiet: [] };
  const own = percentile(levels, 0.2);
  // A pause full of breath has no quiet of its own.
  const floor = roomDb === null ? own : Math.min(own, roomDb + 3);
  const at = (step: number) => startS + step * STEP_S;
  const [early, late] = [AFTER_PHRASE_S / STEP_S, levels.length - BEFORE_PHRASE_S / STEP_S];
  const events = runsOf(levels.length, (step) => levels[step]! > floor + STANDS_DB, JOINED_S / STEP_S).flatMap(
    ([first, end]): PauseEvent[] => {
      const seconds = (end - first) * STEP_S;
      // The end of one phrase and the beginning of the next belong to them.
      const [from, to] = [
        first <= 1 ? Math.min(end, early) : first,
        end >= levels.length - 1 ? Math.max(first, late) : end,
      ];
      const isWhole = first > 1 && end < levels.length - 1;
      const loudest = levels.subarray(first, end).reduce((most, level) => Math.max(most, level), -200);
      if (isWhole && seconds <= LONGEST_SMACK_S)
        return seconds >= LEAST_SMACK_S && loudest > floor + SMACK_DB
          ? [{ kind: "smack", startS: at(first), endS: at(end) }]
          : [];
      return (to - from) * STEP_S >= LEAST_BREATH_S ? [{ kind: "breath", startS: at(from), endS: at(to) }] : [];
    },
  );
  const isEvent = (step: number) =>
    events.some((event) => at(step) >= event.startS - 0.02 && at(step) < event.endS + 0.02);
  const quiet = runsOf(
    levels.length,
    (step) => step >= early && step < late && levels[step]! < floor + QUIET_DB && !isEvent(step),
    1,
  )
    .filter(([first, end]) => (end - first) * STEP_S >= LEAST_QUIET_S)
    .map(([first, end]) => [at(first), at(end)] as const)
    .toSorted((one, other) => other[1] - other[0] - (one[1] - one[0]));
  return { ...pause, events, quiet };
}

/**
 * The pauses between phrases (which are in order) with what happens in them: one more than there are phrases. Errors: what
 * reading raises.
 */
export async function lookAtPauses(
  source: ByteSource,
  header: WavHeader,
  phrases: readonly Phrase[],
): Promise<Pause[]> {
  const durationS = header.frames / header.sampleRateHz;
  const edges = [0, ...phrases.flatMap(({ startS, endS }) => [startS, endS]), durationS];
  const spans = Array.from({ length: phrases.length + 1 }, (_, at) => [edges[2 * at]!, edges[2 * at + 1]!] as const);
  const lows: number[] = [];
  const read = ([fromS, toS]: readonly [number, number]) =>
    readMix(source, header, fromS, Math.min(toS, fromS + LOOKED_AT_S));
  for (const span of spans) {
    const levels = levelsOf(await read(span), header.sampleRateHz);
    if (levels.length >= 20) lows.push(percentile(levels, 0.2));
  }
  const roomDb = lows.length > 0 ? lows.toSorted((a, b) => a - b)[lows.length >> 1]! : null;
  const pauses: Pause[] = [];
  for (const span of spans)
    pauses.push({ ...pauseOf(await read(span), header.sampleRateHz, span[0], roomDb), endS: Math.max(...span) });
  return pauses;
}
