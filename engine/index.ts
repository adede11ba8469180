import { HOPS_PER_BLOCK, PARTS_PER_HOP, room } from "./block";
import { bytesOf, decodeChannel } from "./decode";
import { KWeighting } from "./kWeighting";
import { levelHop, LevelRoom } from "./levels";
import { LowBand } from "./lowBand";
import { Repeats } from "./repeats";
import { Runs } from "./runs";
import { BANDS, Spectra } from "./spectra";
import { SEGMENT, truePeakOf } from "./truePeak";

class Channel {
  line: usize = 0;
  levels: LevelRoom = new LevelRoom();
  loudness: usize = 0;
  bands: usize = 0;
  slow: usize = 0;
  peak: f32 = 0;
  runs: Runs;
  repeats: Repeats;

  constructor(rate: i32, fullScale: f32, most: i32, reach: i32) {
    this.runs = new Runs(rate, fullScale, most);
    this.repeats = new Repeats(reach, 256);
  }
}

let rate: i32 = 0;
let hopFrames: i32 = 0;
let encoding: i32 = 0;
let channelCount: i32 = 0;
let history: i32 = 0;
let mostHops: i32 = 0;
let raw: usize = 0;
let channels: StaticArray<Channel> = new StaticArray<Channel>(0);
let pairs: StaticArray<KWeighting> = new StaticArray<KWeighting>(0);
let spectra: Spectra | null = null;
let lowBand: LowBand | null = null;
/** Frames and hops metered in this piece, slow samples made, and the frame where the next slow sample's taps end. */
let framesDone: i32 = 0;
let hopsDone: i32 = 0;
let slowDone: i32 = 0;
let nextSlow: i32 = 0;
/** Where loudness of the odd channel's missing partner goes. */
const nowhere = room(16);

/** Prepares for pieces of up to so many hops of a form of recording. Called once. */
export function setUp(
  sampleRate: i32,
  count: i32,
  sampleEncoding: i32,
  fullScale: f32,
  hops: i32,
  mostRuns: i32,
): void {
  rate = sampleRate;
  hopFrames = <i32>Math.round(<f64>rate / 100);
  encoding = sampleEncoding;
  channelCount = count;
  mostHops = (hops + HOPS_PER_BLOCK + 3) & ~3;
  const bank = new Spectra(rate, hopFrames);
  const slower = new LowBand(rate);
  spectra = bank;
  lowBand = slower;
  const reach = 5 * hopFrames;
  history = (max(max(bank.frames + 2 * hopFrames, slower.tapCount), 2 * reach) + 3) & ~3;
  const blockFrames = HOPS_PER_BLOCK * hopFrames;
  raw = room(<usize>(blockFrames * count * bytesOf(encoding)) + 16) + 4;
  channels = new StaticArray<Channel>(count);
  pairs = new StaticArray<KWeighting>((count + 1) / 2);
  const hopRoom = (<usize>mostHops) << 2;
  for (let index = 0; index < count; index += 1) {
    const channel = new Channel(rate, fullScale * 0.9999990463256836, mostRuns, reach);
    channel.line = room((<usize>(history + blockFrames + bank.frames)) << 2);
    channel.levels.sums = room(hopRoom);
    channel.levels.lowest = room(hopRoom);
    channel.levels.highest = room(hopRoom);
    channel.levels.squares = room(hopRoom * PARTS_PER_HOP);
    channel.levels.absolutes = room(hopRoom * PARTS_PER_HOP);
    channel.levels.steps = room(hopRoom * PARTS_PER_HOP);
    channel.loudness = room(hopRoom);
    // Hop −1 of the first band goes into the spare words.
    channel.bands = room(hopRoom * BANDS + 16) + 16;
    channel.slow = room((<usize>((mostHops * hopFrames) / slower.factor + 4)) << 2);
    channels[index] = channel;
  }
  for (let index = 0; index < pairs.length; index += 1) pairs[index] = new KWeighting(<f64>rate);
}

/** Begins a piece; the filters start at rest. True peaks are those of all pieces so far: what cannot pass them is left out. */
export function begin(): void {
  framesDone = 0;
  hopsDone = 0;
  slowDone = 0;
  nextSlow = lowBand!.tapCount / 2;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    memory.fill(channel.line, 0, (<usize>history) << 2);
    channel.runs.reset();
    channel.repeats.reset();
  }
  for (let index = 0; index < pairs.length; index += 1) pairs[index].reset();
}

/** Decodes raw bytes of one block into the channels' lines; says how many samples were no numbers. */
export function decode(frames: i32): i32 {
  const width = <usize>bytesOf(encoding);
  const stride = width * <usize>channelCount;
  let broken = 0;
  for (let index = 0; index < channelCount; index += 1)
    broken += decodeChannel(encoding, raw + <usize>index * width, stride, frames, lineOf(index));
  return broken;
}

function meterSlow(frames: i32): void {
  const slower = lowBand!;
  const first = slowDone;
  const firstEnd = nextSlow;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    slowDone = first;
    for (nextSlow = firstEnd; nextSlow <= framesDone + frames; nextSlow += slower.factor) {
      const from = history + nextSlow - framesDone - slower.tapCount;
      store<f32>(channel.slow + ((<usize>slowDone) << 2), slower.at(channel.line + ((<usize>from) << 2)));
      slowDone += 1;
    }
  }
}

/** Third-octave powers of four hops. */
function meterBands(channel: Channel, hop: i32): void {
  const bank = spectra!;
  const from = history + hop * hopFrames - framesDone + hopFrames / 2 - bank.frames / 2;
  const to = channel.bands + (((<isize>hop) << 2) as usize);
  bank.push(channel.line + ((<usize>from) << 2), hopFrames, to, (<usize>mostHops) << 2);
}

/** Meters so many frames of every line; fewer than a whole block only at the end of a piece. */
export function meter(frames: i32): void {
  const blockFrames = HOPS_PER_BLOCK * hopFrames;
  const hops = (frames + hopFrames - 1) / hopFrames;
  if (hopsDone + HOPS_PER_BLOCK > mostHops) return;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    const line = lineOf(index);
    // What follows the recording's end is silence.
    memory.fill(line + ((<usize>frames) << 2), 0, (<usize>(blockFrames - frames + spectra!.frames)) << 2);
    for (let hop = 0; hop < hops; hop += 1)
      levelHop(
        line + ((<usize>(hop * hopFrames)) << 2),
        min(hopFrames, frames - hop * hopFrames),
        hopFrames,
        channel.levels,
        hopsDone + hop,
      );
    const last = (<usize>(2 * SEGMENT)) << 2;
    channel.peak = truePeakOf(line - last, frames, rate, channel.peak);
    channel.runs.push(line, frames, framesDone);
    channel.repeats.push(line, frames, framesDone, min(history, framesDone));
  }
  for (let pair = 0; pair < pairs.length; pair += 1) {
    const left = 2 * pair;
    const right = left + 1 < channelCount ? left + 1 : left;
    for (let hop = 0; hop < hops; hop += 1) {
      const offset = (<usize>(hop * hopFrames)) << 2;
      const at = (<usize>(hopsDone + hop)) << 2;
      pairs[pair].hop(
        lineOf(left) + offset,
        lineOf(right) + offset,
        min(hopFrames, frames - hop * hopFrames),
        channels[left].loudness + at,
        right == left ? nowhere : channels[right].loudness + at,
      );
    }
  }
  meterSlow(frames);
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    // The window of a hop reaches into the next: the bands are one hop late.
    meterBands(channel, hopsDone - 1);
    meterBands(channel, hopsDone + 3);
    memory.copy(channel.line, channel.line + ((<usize>frames) << 2), (<usize>history) << 2);
  }
  framesDone += frames;
  hopsDone += hops;
}

/** Ends a piece: what is under way is closed. */
export function finish(): void {
  const tail = SEGMENT * 3;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    channel.runs.finish(framesDone);
    channel.repeats.finish(framesDone);
    const line = lineOf(index);
    memory.fill(line, 0, (<usize>(HOPS_PER_BLOCK * hopFrames)) << 2);
    meterBands(channel, hopsDone - 1);
    channel.peak = truePeakOf(line - ((<usize>(2 * SEGMENT)) << 2), tail, rate, channel.peak);
  }
}

export function rawAt(): usize {
  return raw;
}
export function lineOf(channel: i32): usize {
  return channels[channel].line + ((<usize>history) << 2);
}
export function hopFramesOf(): i32 {
  return hopFrames;
}
export function hopsOf(): i32 {
  return hopsDone;
}
export function hopRoomOf(): i32 {
  return mostHops;
}
export function slowCountOf(): i32 {
  return slowDone;
}
export function slowFactorOf(): i32 {
  return lowBand!.factor;
}
export function peakOf(channel: i32): f32 {
  return channels[channel].peak;
}
/** Another recording begins: the peaks of the one before count no longer. */
export function forgetPeaks(): void {
  for (let index = 0; index < channelCount; index += 1) channels[index].peak = 0;
}

/** Address of a channel's figures: 0 sums, 1 lowest, 2 highest, 3 squares, 4 absolutes, 5 steps, 6 loudness, 7 bands, 8 slow. */
export function figuresOf(channel: i32, which: i32): usize {
  const it = channels[channel];
  if (which == 0) return it.levels.sums;
  if (which == 1) return it.levels.lowest;
  if (which == 2) return it.levels.highest;
  if (which == 3) return it.levels.squares;
  if (which == 4) return it.levels.absolutes;
  if (which == 5) return it.levels.steps;
  if (which == 6) return it.loudness;
  if (which == 7) return it.bands;
  return it.slow;
}
export function runsOf(channel: i32): usize {
  return channels[channel].runs.records;
}
export function runCountOf(channel: i32): i32 {
  return channels[channel].runs.count;
}
export function droppedRunsOf(channel: i32): i32 {
  return channels[channel].runs.dropped;
}
export function repeatsOf(channel: i32): usize {
  return channels[channel].repeats.records;
}
export function repeatCountOf(channel: i32): i32 {
  return channels[channel].repeats.count;
}
