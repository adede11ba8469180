import { Activity } from "./activity";
import { HOPS_PER_BLOCK, PARTS_PER_HOP, room } from "./block";
import { bytesOf, decodeChannel } from "./decode";
import { Hearing, SUMS } from "./hearing";
import { KWeighting } from "./kWeighting";
import { levelHop, LevelRoom } from "./levels";
import { LowBand } from "./lowBand";
import { Relation } from "./relation";
import { Repeats } from "./repeats";
import { Runs } from "./runs";
import { BANDS, Spectra } from "./spectra";
import { SEGMENT, truePeakOf } from "./truePeak";

/** Blocks that find room in a line before what must be kept of it is copied to its beginning. */
const LINE_BLOCKS: i32 = 2;

class Channel {
  line: usize = 0;
  levels: LevelRoom;
  loudness: usize = 0;
  bands: usize = 0;
  slow: usize = 0;
  peak: f32 = 0;
  repeats: Repeats;

  constructor(rate: i32, hopFrames: i32, fullScale: f32, most: i32, reach: i32) {
    this.levels = new LevelRoom(new Activity(rate, hopFrames), new Runs(rate, fullScale, most));
    this.repeats = new Repeats(reach, 256);
  }
}

let rate: i32 = 0;
let hopFrames: i32 = 0;
let encoding: i32 = 0;
let channelCount: i32 = 0;
let history: i32 = 0;
/** How far the newest block has moved on in the lines, frames. */
let moved: i32 = 0;
let mostHops: i32 = 0;
let raw: usize = 0;
let channels: StaticArray<Channel> = new StaticArray<Channel>(0);
let pairs: StaticArray<KWeighting> = new StaticArray<KWeighting>(0);
let spectra: Spectra | null = null;
let lowBand: LowBand | null = null;
let hearing: Hearing | null = null;
let relation: Relation | null = null;
/** Frames and hops metered in this piece, slow samples made, and the frame where the next slow sample's taps end. */
let framesDone: i32 = 0;
let hopsDone: i32 = 0;
/** Hops of the piece that are context only. */
let leadHops: i32 = 0;
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
    const channel = new Channel(rate, hopFrames, fullScale * 0.9999990463256836, mostRuns, reach);
    channel.line = room((<usize>(history + LINE_BLOCKS * blockFrames + bank.frames)) << 2);
    channel.levels.sums = room(hopRoom);
    channel.levels.lowest = room(hopRoom);
    channel.levels.highest = room(hopRoom);
    channel.levels.tops = room(hopRoom);
    channel.levels.squares = room(hopRoom * PARTS_PER_HOP);
    channel.levels.steps = room(hopRoom * PARTS_PER_HOP);
    channel.loudness = room(hopRoom);
    // Hop −1 of the first band goes into the spare words.
    channel.bands = room(hopRoom * BANDS + 16) + 16;
    channel.slow = room((<usize>((mostHops * hopFrames) / slower.factor + 4)) << 2);
    channels[index] = channel;
  }
  for (let index = 0; index < pairs.length; index += 1) pairs[index] = new KWeighting(<f64>rate);
  hearing = new Hearing(rate, hopFrames, mostHops, slower.factor);
  relation = new Relation();
}

/** Begins a piece with so many hops of context; the filters start at rest. True peaks are those of all pieces so far: what cannot pass them is left out. */
export function begin(contextHops: i32): void {
  leadHops = contextHops;
  moved = 0;
  framesDone = 0;
  hopsDone = 0;
  slowDone = 0;
  nextSlow = lowBand!.ahead;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    memory.fill(channel.line, 0, (<usize>history) << 2);
    channel.levels.activity.reset();
    channel.levels.shapes.reset();
    channel.levels.total = channel.levels.count = 0;
    channel.levels.runs.reset();
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

/** The slow samples of one channel that end in this block. */
function meterSlow(channel: Channel, frames: i32): void {
  const slower = lowBand!;
  let to = channel.slow + ((<usize>slowDone) << 2);
  for (let end = nextSlow; end <= framesDone + frames; end += slower.factor, to += 4) {
    const from = history + moved + end - framesDone - slower.tapCount;
    store<f32>(to, slower.at(channel.line + ((<usize>from) << 2)));
  }
}

/** Third-octave powers of four hops. */
function meterBands(channel: Channel, hop: i32): void {
  const bank = spectra!;
  const from = history + moved + hop * hopFrames - framesDone + hopFrames / 2 - bank.frames / 2;
  const to = channel.bands + (((<isize>hop) << 2) as usize);
  bank.push(channel.line + ((<usize>from) << 2), hopFrames, to, (<usize>mostHops) << 2);
}

/** Levels, peaks, runs and repeats of one channel's block. */
function meterChannel(channel: Channel, frames: i32, hops: i32): void {
  const line = channel.line + ((<usize>(history + moved)) << 2);
  const blockFrames = HOPS_PER_BLOCK * hopFrames;
  // What follows the recording's end is silence.
  memory.fill(line + ((<usize>frames) << 2), 0, (<usize>(blockFrames - frames + spectra!.frames)) << 2);
  channel.levels.peak = 0;
  for (let hop = 0; hop < hops; hop += 1)
    levelHop(
      line + ((<usize>(hop * hopFrames)) << 2),
      min(hopFrames, frames - hop * hopFrames),
      hopFrames,
      channel.levels,
      hopsDone + hop,
      framesDone + hop * hopFrames,
      hopsDone + hop < leadHops,
    );
  channel.peak = truePeakOf(line - ((<usize>(2 * SEGMENT)) << 2), frames, rate, channel.peak, channel.levels.peak);
  channel.repeats.push(line, frames, framesDone, min(history, framesDone));
}

/** Loudness of two neighbouring channels' block, or of the last one alone. */
function meterLoudness(pair: i32, frames: i32, hops: i32): void {
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

/** Meters so many frames of every line; fewer than a whole block only at the end of a piece. */
export function meter(frames: i32): void {
  const hops = (frames + hopFrames - 1) / hopFrames;
  if (hopsDone + HOPS_PER_BLOCK > mostHops) return;
  const next = moved + frames;
  const isFull = next + HOPS_PER_BLOCK * hopFrames > LINE_BLOCKS * HOPS_PER_BLOCK * hopFrames;
  // All of one pair before the next: its lines are still at hand.
  for (let pair = 0; pair < pairs.length; pair += 1) {
    const last = min(channelCount, 2 * pair + 2);
    for (let index = 2 * pair; index < last; index += 1) meterChannel(channels[index], frames, hops);
    meterLoudness(pair, frames, hops);
    for (let index = 2 * pair; index < last; index += 1) {
      const channel = channels[index];
      meterSlow(channel, frames);
      // The window of a hop reaches into the next: the bands are one hop late.
      meterBands(channel, hopsDone - 1);
      meterBands(channel, hopsDone + 3);
      if (isFull) memory.copy(channel.line, channel.line + ((<usize>next) << 2), (<usize>history) << 2);
    }
  }
  for (; nextSlow <= framesDone + frames; nextSlow += lowBand!.factor) slowDone += 1;
  moved = isFull ? 0 : next;
  framesDone += frames;
  hopsDone += hops;
}

/** Takes the DC offset off a channel's slow samples. */
function centreSlow(channel: Channel): void {
  let sum: f64 = 0;
  const end = channel.slow + ((<usize>slowDone) << 2);
  for (let at = channel.slow; at < end; at += 4) sum += <f64>load<f32>(at);
  const mean = <f32>(sum / <f64>max(1, slowDone));
  for (let at = channel.slow; at < end; at += 4) store<f32>(at, load<f32>(at) - mean);
}

/** Ends a piece: what is under way is closed. */
export function finish(): void {
  const tail = SEGMENT * 3;
  for (let index = 0; index < channelCount; index += 1) {
    const channel = channels[index];
    channel.levels.runs.finish(framesDone);
    channel.repeats.finish(framesDone);
    const line = lineOf(index);
    memory.fill(line, 0, (<usize>(HOPS_PER_BLOCK * hopFrames)) << 2);
    meterBands(channel, hopsDone - 1);
    centreSlow(channel);
    channel.peak = truePeakOf(line - ((<usize>(2 * SEGMENT)) << 2), tail, rate, channel.peak, 0);
  }
}

export function rawAt(): usize {
  return raw;
}
export function lineOf(channel: i32): usize {
  return channels[channel].line + ((<usize>(history + moved)) << 2);
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

/** Address of a channel's figures: 0 sums, 1 lowest, 2 highest, 3 squares, 4 activity (doubles), 5 steps, 6 loudness, 7 bands, 8 slow, 9 tops. */
export function figuresOf(channel: i32, which: i32): usize {
  const it = channels[channel];
  if (which == 0) return it.levels.sums;
  if (which == 1) return it.levels.lowest;
  if (which == 2) return it.levels.highest;
  if (which == 3) return it.levels.squares;
  if (which == 4) return it.levels.activity.counts;
  if (which == 5) return it.levels.steps;
  if (which == 6) return it.loudness;
  if (which == 7) return it.bands;
  if (which == 9) return it.levels.tops;
  return it.slow;
}
export function runsOf(channel: i32): usize {
  return channels[channel].levels.runs.records;
}
export function runCountOf(channel: i32): i32 {
  return channels[channel].levels.runs.count;
}
export function droppedRunsOf(channel: i32): i32 {
  return channels[channel].levels.runs.dropped;
}
export function repeatsOf(channel: i32): usize {
  return channels[channel].repeats.records;
}
export function repeatCountOf(channel: i32): i32 {
  return channels[channel].repeats.count;
}

/** Works out what a finished piece's channel is judged by; valid until the next channel is listened to. */
export function listen(channel: i32): void {
  const it = channels[channel];
  hearing!.listen(it.levels, it.bands, it.slow, slowDone, hopsDone, framesDone);
}

/**
 * Address of what was worked out: 0 levels, 1 power under 55 Hz, 2 under 220 Hz, 3 crackling, 4 loud (bytes),
 * 5 voicing, 6 pitch, 7 noise by band, 8 lines, 9 fine structure by part, 10 masks (bytes), 11 masked sums (doubles).
 */
export function heardOf(which: i32): usize {
  const it = hearing!;
  if (which == 0) return it.level;
  if (which == 1) return it.low;
  if (which == 2) return it.lows;
  if (which == 3) return it.crackle;
  if (which == 4) return it.loud;
  if (which == 5) return it.voicing;
  if (which == 6) return it.pitch;
  if (which == 7) return it.noise;
  if (which == 8) return it.lines;
  if (which == 9) return it.fine;
  if (which == 10) return it.masks;
  return it.masked;
}

/** Adds up neighbouring bands of a channel, or of its noise, by hop; gives the address, in one of so many rooms ({@link sumRoomsOf}). */
export function addBands(channel: i32, isNoise: bool, first: i32, last: i32, to: i32): usize {
  const bands = isNoise ? hearing!.noise : channels[channel].bands;
  return hearing!.add(bands, first, last, to % SUMS, hopsDone);
}

export function sumRoomsOf(): i32 {
  return SUMS;
}

/** Adds up each band of a channel over the hops of both masks, from a hop on. */
export function addMasked(channel: i32, from: i32): void {
  hearing!.addMasked(channels[channel].bands, from, hopsDone);
}

/** Sums of products of two channels' slow signals, from a sample on; gives their address. */
export function multiply(one: i32, other: i32, from: i32): usize {
  relation!.multiply(channels[one].slow, channels[other].slow, from, slowDone);
  return relation!.products;
}

/** Where windows' starts go (whole numbers of slow samples). */
export function startsAt(): usize {
  return relation!.starts;
}

/** Phases of the cross spectrum of so many windows of two channels between two bins; gives their address. */
export function relate(one: i32, other: i32, windows: i32, first: i32, last: i32): usize {
  relation!.relate(channels[one].slow, channels[other].slow, windows, first, last);
  return relation!.phases;
}
