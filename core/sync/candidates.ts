import { HASHES, STEP_S, type Landmarks } from "./landmarks";

/** A picture file and a sound file that may have been made at the same time. */
export interface Candidate {
  picture: number;
  sound: number;
  /** Time in the sound file when the picture's `atS` is, less `atS`, s; one for each stretch that voted so. */
  votes: { atS: number; offsetS: number; count: number }[];
  /** How far the votes stand above what chance gives, in standard deviations of chance; summed over stretches. */
  score: number;
}

/** A picture is cut into stretches in which clocks cannot drift apart by more than a step, s. */
const STRETCH_S = 120;
/** Votes this near are one, steps. */
const TOGETHER = 1;
/** A stretch speaks for the best so many offsets of a sound file. */
const BEST = 2;
/** What chance would give this seldom is looked at, standard deviations; and so many votes at least. */
const LEAST_SCORE = 6;
const LEAST_VOTES = 6;
/** Offsets of stretches that one pair of clocks could have: this much and this much drift. */
const SAME_S = 0.06;
const MOST_PPM = 300;

/** Where each landmark of all sound files is found by its hash. */
export interface LandmarkIndex {
  /** Begins of each hash's list. */
  starts: Uint32Array;
  /** Steps on one common line on which every file has its own stretch. */
  places: Uint32Array;
  sounds: readonly { from: number; steps: number }[];
  /** Steps before and after each file that only offsets of long pictures reach. */
  margin: number;
}

/** Puts all sound files on one line, far enough from each other that no picture of `longestS` reaches two. */
export function indexLandmarks(sounds: readonly Landmarks[], longestS: number): LandmarkIndex {
  const margin = Math.ceil(longestS / STEP_S) + 2 * TOGETHER + 1;
  const starts = new Uint32Array(HASHES + 1);
  for (const { hashes } of sounds) for (let at = 0; at < hashes.length; at += 1) starts[hashes[at]! + 1]! += 1;
  for (let hash = 0; hash < HASHES; hash += 1) starts[hash + 1]! += starts[hash]!;
  const next = starts.slice();
  const places = new Uint32Array(starts[HASHES]!);
  const on: { from: number; steps: number }[] = [];
  let from = margin;
  for (const { hashes, steps, seconds } of sounds) {
    for (let at = 0; at < hashes.length; at += 1) places[next[hashes[at]!]!++] = from + steps[at]!;
    const length = Math.ceil(seconds / STEP_S);
    on.push({ from, steps: length });
    from += length + margin;
  }
  return { starts, places, sounds: on, margin };
}

interface Vote {
  sound: number;
  atS: number;
  offsetS: number;
  count: number;
  score: number;
}

/** What the landmarks of one stretch of a picture vote for. */
function votesOf(
  index: LandmarkIndex,
  picture: Landmarks,
  range: { from: number; to: number },
  counts: Uint16Array,
): Vote[] {
  const { starts, places, sounds, margin } = index;
  const { hashes, steps } = picture;
  let all = 0;
  for (let at = 0; at < hashes.length; at += 1) {
    const step = steps[at]!;
    if (step < range.from || step >= range.to) continue;
    const to = starts[hashes[at]! + 1]!;
    for (let each = starts[hashes[at]!]!; each < to; each += 1) {
      const place = places[each]! - step + margin;
      if (counts[place]! < 65_535) counts[place]! += 1;
    }
    all += to - starts[hashes[at]!]!;
  }
  if (all === 0) return [];
  const length = range.to - range.from;
  const votes: Vote[] = [];
  for (const [sound, { from, steps: own }] of sounds.entries()) {
    // Offsets at which the stretch and the file have something in common.
    const first = from - range.to + margin;
    const last = from + own - range.from + margin;
    let sum = 0;
    for (let place = first; place <= last; place += 1) sum += counts[place]!;
    if (sum === 0) continue;
    const width = 2 * TOGETHER + 1;
    const best: Vote[] = [];
    let near = 0;
    for (let place = first; place < first + width; place += 1) near += counts[place]!;
    for (let place = first + TOGETHER; place + TOGETHER < last; place += 1) {
      if (near >= LEAST_VOTES && counts[place]! >= counts[place - 1]! && counts[place]! >= counts[place + 1]!) {
        const offset = place - margin - from;
        // Chance gives the more the longer both run together.
        const shared = Math.min(range.to + offset, own) - Math.max(range.from + offset, 0);
        const share = Math.max(0.02, shared / Math.min(length, own));
        const chance = Math.max(0.3, (sum / Math.max(length, own)) * share * width);
        const score = (near - chance) / Math.sqrt(chance);
        if (score >= LEAST_SCORE) {
          const [a, b, c] = [counts[place - 1]!, counts[place]!, counts[place + 1]!];
          const offsetS = (offset + (c - a) / (a + b + c)) * STEP_S;
          best.push({ sound, atS: ((range.from + range.to) / 2) * STEP_S, offsetS, count: near, score });
        }
      }
      near += counts[place + TOGETHER + 1]! - counts[place - TOGETHER]!;
    }
    best.sort((one, other) => other.score - one.score);
    votes.push(...best.slice(0, BEST));
  }
  return votes;
}

/** Votes of one picture for one sound file that one pair of clocks could give, the strongest line of them. */
function together(votes: readonly Vote[]): Vote[] {
  let best: Vote[] = [];
  let most = 0;
  for (const vote of votes) {
    const like = votes.filter(
      (other) => Math.abs(other.offsetS - vote.offsetS) <= SAME_S + (Math.abs(other.atS - vote.atS) * MOST_PPM) / 1e6,
    );
    const score = like.reduce((sum, each) => sum + each.score, 0);
    if (score > most) [best, most] = [like, score];
  }
  return best;
}

/** Pairs whose landmarks agree more often than chance lets them, the likeliest first. */
export function findCandidates(pictures: readonly Landmarks[], sounds: readonly Landmarks[]): Candidate[] {
  const longestS = pictures.reduce((most, { seconds }) => Math.max(most, seconds), 0);
  const index = indexLandmarks(sounds, longestS);
  const last = index.sounds.at(-1);
  if (!last) return [];
  const counts = new Uint16Array(last.from + last.steps + 3 * index.margin);
  const found: Candidate[] = [];
  for (const [at, picture] of pictures.entries()) {
    const steps = Math.ceil(picture.seconds / STEP_S);
    const stretches = Math.max(1, Math.round(picture.seconds / STRETCH_S));
    const votes: Vote[] = [];
    for (let stretch = 0; stretch < stretches; stretch += 1) {
      const range = {
        from: Math.floor((stretch * steps) / stretches),
        to: Math.floor(((stretch + 1) * steps) / stretches),
      };
      counts.fill(0);
      votes.push(...votesOf(index, picture, range, counts));
    }
    for (const sound of index.sounds.keys()) {
      const line = together(votes.filter((vote) => vote.sound === sound));
      if (line.length > 0)
        found.push({
          ...{ picture: at, sound, score: line.reduce((sum, { score }) => sum + score, 0) },
          votes: line.map(({ atS, offsetS, count }) => ({ atS, offsetS, count })),
        });
    }
  }
  return found.sort((one, other) => other.score - one.score);
}
