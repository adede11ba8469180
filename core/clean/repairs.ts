import { fillIn } from "./fillIn";
import { filterOf, lowPass } from "./filters";
import type { CleaningEngine } from "./engine";

/** A stretch of a channel, with where it begins in the recording, samples. */
export interface Stretch {
  samples: Float32Array;
  beginsAt: number;
  sampleRateHz: number;
}

type Place = readonly [fromS: number, toS: number];

/** Samples to either side from which missing ones are worked out, s; and how many predict one, at most. */
const AROUND_S = 0.03;
const longOrder = (sampleRateHz: number): number => Math.min(256, Math.round(sampleRateHz / 375));
/** Between clipped peaks much is known: fewer are enough. */
const shortOrder = (sampleRateHz: number): number => Math.min(96, Math.round(sampleRateHz / 1000));
/** A hole's own edges are looked for so far beyond where it was found, s. */
const EDGE_S = 0.02;
/** Longer holes are not filled: nothing around them knows what was there, s. */
const LONGEST_FILLED_S = 0.04;
/** Fewer samples that stay the same are no hole. */
const FEWEST_HELD = 12;
/** Samples beside a hole that are given up with it. */
const BESIDE = 2;
/** A hole cuts into sound: right before and behind it there is as much as around, but for so many dB; else it is a pause, s. */
const RIGHT_BESIDE_S = 0.004;
const ROUND_ABOUT_S = 0.06;
const CUT_INTO_DB = 20;

const spanOf = ({ beginsAt, sampleRateHz, samples }: Stretch, [fromS, toS]: Place, beyondS: number) =>
  [
    Math.max(0, Math.round((fromS - beyondS) * sampleRateHz) - beginsAt),
    Math.min(samples.length, Math.round((toS + beyondS) * sampleRateHz) - beginsAt),
  ] as const;

/** Works out samples at rising places of a stretch from those around them. */
function fillAt({ samples }: Stretch, missing: readonly number[], around: number, mostOrder: number): Float64Array {
  const from = Math.max(0, missing[0]! - around);
  const to = Math.min(samples.length, missing.at(-1)! + 1 + around);
  const line = Float64Array.from(samples.subarray(from, to));
  fillIn(
    line,
    missing.map((at) => at - from),
    Math.max(8, Math.min(mostOrder, 3 * missing.length + 2)),
  );
  return Float64Array.from(missing, (at) => line[at - from]!);
}

/** The longest run of samples that stay the same. */
function heldIn(samples: Float32Array, from: number, to: number): readonly [number, number] {
  let best: readonly [number, number] = [from, from];
  let begin = from;
  for (let at = from + 1; at <= to; at += 1) {
    if (at < to && Math.abs(samples[at]! - samples[begin]!) < 1e-7) continue;
    if (at - begin > best[1] - best[0]) best = [begin, at];
    begin = at;
  }
  return best;
}

const rmsOf = (line: Float32Array, from: number, to: number): number => {
  let sum = 0;
  for (let at = Math.max(0, from); at < Math.min(line.length, to); at += 1) sum += line[at]! ** 2;
  return Math.sqrt(sum / Math.max(1, to - from));
};

/** Whether sound stops and goes on where a hole is, and does not end and begin by itself. */
function cutsIntoSound({ samples, sampleRateHz }: Stretch, first: number, last: number): boolean {
  const [beside, about] = [RIGHT_BESIDE_S, ROUND_ABOUT_S].map((seconds) => Math.round(seconds * sampleRateHz)) as [
    number,
    number,
  ];
  const around = Math.max(rmsOf(samples, first - about, first), rmsOf(samples, last, last + about));
  const least = around * 10 ** (-CUT_INTO_DB / 20);
  return rmsOf(samples, first - beside, first) > least && rmsOf(samples, last, last + beside) > least;
}

/**
 * Fills short holes: where samples stay the same, by what is around; else the place as it was found. In place; says how many
 * were filled. Holes of more than 40 ms stay.
 */
export function fillGaps(stretch: Stretch, places: readonly Place[]): number {
  const { samples, sampleRateHz } = stretch;
  let filled = 0;
  for (const place of places) {
    const [from, to] = spanOf(stretch, place, EDGE_S);
    const [heldFrom, heldTo] = heldIn(samples, from, to);
    const isHeld = heldTo - heldFrom >= FEWEST_HELD;
    const [first, last] = isHeld ? [heldFrom - BESIDE, heldTo + BESIDE] : spanOf(stretch, place, 0);
    const count = last - first;
    if (count < 1 || count > LONGEST_FILLED_S * sampleRateHz || first < 64 || last + 64 > samples.length) continue;
    if (!cutsIntoSound(stretch, first, last)) continue;
    const missing = Array.from({ length: count }, (_, at) => first + at);
    const around = Math.round(AROUND_S * sampleRateHz) + count;
    samples.set(fillAt(stretch, missing, around, longOrder(sampleRateHz)), first);
    filled += 1;
  }
  return filled;
}

/** A peak is clipped from so near its place's highest sample on; taken together when closer than this, s. */
const CLIPPED_SHARE = 0.985;
const TOGETHER_S = 0.01;
const MOST_TOGETHER = 400;
/** A guess goes at most so far beyond, of what was clipped. */
const MOST_BEYOND = 2.5;

/** Draws clipped peaks in by what is around them: a guess. In place; says how many samples. */
export function drawPeaks(stretch: Stretch, places: readonly Place[]): number {
  const { samples, sampleRateHz } = stretch;
  let drawn = 0;
  for (const place of places) {
    const [from, to] = spanOf(stretch, place, 0.002);
    let highest = 0;
    for (let at = from; at < to; at += 1) highest = Math.max(highest, Math.abs(samples[at]!));
    const limit = CLIPPED_SHARE * highest;
    const groups: number[][] = [];
    for (let at = from; at < to; at += 1) {
      if (Math.abs(samples[at]!) < limit) continue;
      const group = groups.at(-1);
      if (group && at - group.at(-1)! < TOGETHER_S * sampleRateHz && group.length < MOST_TOGETHER) group.push(at);
      else groups.push([at]);
    }
    for (const group of groups) {
      if (group.length < 2) continue;
      const around = Math.round((AROUND_S / 2) * sampleRateHz);
      fillAt(stretch, group, around, shortOrder(sampleRateHz)).forEach((value, index) => {
        const at = group[index]!;
        const before = samples[at]!;
        // A peak was beyond where it was clipped, on the same side.
        if (value * Math.sign(before) <= Math.abs(before)) return;
        samples[at] = Math.sign(before) * Math.min(value * Math.sign(before), MOST_BEYOND * highest);
        drawn += 1;
      });
    }
  }
  return drawn;
}

/** Pops live below this; how far around one is looked at; how slowly its gain comes and goes, s. */
const POP_HZ = 150;
const POP_AROUND_S = 0.8;
const POP_EDGE_S = 0.015;
/** A pop is brought to so much of what is around, and by no more than this. */
const POP_OVER = 1.6;
const LEAST_POP_GAIN = 10 ** (-20 / 20);

/** Turns pops down: only what is below 150 Hz, only while they last, to the level of the lows around. */
export function popTamer(engine: CleaningEngine, sampleRateHz: number) {
  const filter = filterOf(engine, lowPass(2, POP_HZ, sampleRateHz));
  const most = Math.ceil((2 * POP_AROUND_S + 2) * sampleRateHz);
  const room = engine.roomFor(4 * most);
  return (stretch: Stretch, places: readonly Place[]): number => {
    const { samples } = stretch;
    let tamed = 0;
    for (const place of places) {
      const [from, to] = spanOf(stretch, place, POP_AROUND_S);
      const [first, last] = spanOf(stretch, place, POP_EDGE_S);
      if (last - first < 8 || to - from > most) continue;
      const line = new Float32Array(engine.memory.buffer, room, to - from);
      line.set(samples.subarray(from, to));
      filter.bothWays(room, to - from);
      const [own, before, after] = [
        rmsOf(line, first - from, last - from),
        rmsOf(line, 0, first - from),
        rmsOf(line, last - from, line.length),
      ];
      const around = Math.max(before, after, 1e-6);
      const gain = Math.max(LEAST_POP_GAIN, Math.min(1, (POP_OVER * around) / Math.max(own, 1e-12)));
      if (gain > 0.9) continue;
      const edge = POP_EDGE_S * stretch.sampleRateHz;
      for (let at = first; at < last; at += 1) {
        const near = Math.min(1, (at - first) / edge, (last - 1 - at) / edge);
        samples[at]! -= (1 - gain) * (0.5 - 0.5 * Math.cos(Math.PI * near)) * line[at - from]!;
      }
      tamed += 1;
    }
    return tamed;
  };
}
