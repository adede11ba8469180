import type { Chance } from "./chance";
import { rmsOf } from "./noises";
import { RATE } from "./rate";

const LINES = 6;
const SHORTEST_S = 0.019;
const LONGEST_S = 0.067;

/**
 * The echo of a voice alone, falling by 60 dB in `echoS`: six delay lines that feed each other through a Householder
 * matrix, each losing its share, with the highs dying a little sooner.
 */
function echoOf(chance: Chance, voice: Float32Array, echoS: number): Float32Array {
  const lengths = Array.from({ length: LINES }, (_, line) =>
    Math.round(RATE * (SHORTEST_S + ((LONGEST_S - SHORTEST_S) * (line + chance.between(0, 0.8))) / LINES)),
  );
  const losses = Float64Array.from(lengths, (length) => 10 ** ((-3 * length) / (echoS * RATE)));
  // All lines in one room, each from its own beginning.
  const begins = Int32Array.from(lengths, (_, line) => lengths.slice(0, line).reduce((sum, length) => sum + length, 0));
  const ends = Int32Array.from(lengths, (length, line) => begins[line]! + length);
  const room = new Float32Array(ends[LINES - 1]!);
  const places = begins.slice();
  const dull = new Float64Array(LINES);
  const out = new Float64Array(LINES);
  const echo = new Float32Array(voice.length);
  for (let at = 0; at < voice.length; at += 1) {
    let sum = 0;
    let mixed = 0;
    for (let line = 0; line < LINES; line += 1) {
      const value = room[places[line]!]!;
      const held = 0.75 * value + 0.25 * dull[line]!;
      dull[line] = held;
      out[line] = held * losses[line]!;
      sum += out[line]!;
      mixed += (line & 1) === 0 ? value : -value;
    }
    const enters = voice[at]! - (2 * sum) / LINES;
    for (let line = 0; line < LINES; line += 1) {
      const place = places[line]!;
      room[place] = enters + out[line]!;
      places[line] = place + 1 === ends[line]! ? begins[line]! : place + 1;
    }
    echo[at] = mixed;
  }
  return echo;
}

/** Speech in a room: the voice itself, then its echo falling by 60 dB in `echoS`, `underDb` weaker than the voice. */
export function inRoom(chance: Chance, voice: Float32Array, echoS: number, underDb: number): Float32Array {
  const echo = echoOf(chance, voice, echoS);
  const scale = (rmsOf(voice) / rmsOf(echo)) * 10 ** (-underDb / 20);
  for (let at = 0; at < echo.length; at += 1) echo[at] = voice[at]! + echo[at]! * scale;
  return echo;
}
