import { alignPair, type Match, type Side } from "./alignPair";
import { type Candidate, findCandidates } from "./candidates";
import type { Landmarks } from "./landmarks";

/** A picture or sound file of a day, as far as finding candidates knows it. */
export interface Known {
  seconds: number;
  /** When it began by its own clock, s on any line all files of one device share; null where it says nothing. */
  startS: number | null;
  /** Which camera or recorder made it: a folder, a card. Files of one share one clock. */
  device: string;
  /** Null where it has no sound, or none that can be read. */
  landmarks: Landmarks | null;
}

/** One whose windows can be read here. */
export type Recorded = Known & Side;

/** Holds one candidate against its sound. */
export type Align = (candidate: Candidate) => Promise<Match | null>;

/** Why a file has no partner. */
export type Unmatched = "noSound" | "silent" | "tooShort" | "nothingAlike";

/** A pair that only the clocks of both know. */
export interface ClockPair {
  picture: number;
  sound: number;
  /** Time in the sound file at the picture's beginning, by the clocks, s. */
  offsetS: number;
}

/** How two devices' clocks lie to each other. */
export interface ClockOffset {
  camera: string;
  recorder: string;
  /** Recorder's clock less camera's, s. */
  offsetS: number;
}

/** Everything a day's files are told to be. */
export interface LinedUp {
  /** The surest first. */
  matches: Match[];
  byClock: ClockPair[];
  /** How clocks of a camera and a recorder lie to each other, as the matches of both say. */
  clocks: ClockOffset[];
  pictures: (Unmatched | null)[];
  sounds: (Unmatched | null)[];
}

export interface LineUpOptions {
  /** Called after each candidate with the share done, 0…1. */
  onProgress?: (share: number) => void;
  /** Asked after each candidate; true stops, and what is found so far is told. */
  isCancelled?: () => boolean;
  /** Who compares sound, each one pair at a time. */
  aligners: readonly Align[];
}

/** Shorter recordings are not lined up, s: too few windows to agree. */
export const SHORTEST_S = 4;
/** Candidates beyond so many of one picture are not looked at. */
const MOST_OF_ONE = 8;
/** Clocks of two devices agree from match to match within this, s. */
const SAME_CLOCK_S = 3;

/** A picture whose whole length has its sound is not compared with what sounds so much less alike. */
const FAINT = 0.12;
const SURE = 0.99;
const WHOLE = 0.9;
const isWhole = ({ confidence, overlap }: Match, { seconds }: Known): boolean =>
  confidence >= SURE && overlap.toS - overlap.fromS >= WHOLE * seconds;

const whyNot = ({ landmarks, seconds }: Known): Unmatched | null => {
  if (!landmarks) return "noSound";
  if (landmarks.isSilent) return "silent";
  return seconds < SHORTEST_S ? "tooShort" : null;
};

const NONE: Landmarks = { seconds: 0, hashes: new Uint32Array(0), steps: new Uint32Array(0), isSilent: true };

const median = (values: readonly number[]): number => values.toSorted((one, other) => one - other)[values.length >> 1]!;

/** Recorder's clock less camera's, as the matches of most pictures of both say; null where they do not agree. */
function agreedOffset(matches: readonly Match[], pictures: readonly Known[], sounds: readonly Known[]) {
  // A picture over two sound files speaks once.
  const said = new Map<number, number>();
  for (const { picture, sound, offsetS } of matches) {
    const [a, b] = [pictures[picture]!.startS, sounds[sound]!.startS];
    if (a !== null && b !== null) said.set(picture, b + offsetS - a);
  }
  if (said.size === 0) return null;
  const middle = median([...said.values()]);
  const agree = [...said.values()].filter((each) => Math.abs(each - middle) <= SAME_CLOCK_S);
  // A clock that was set anew during the day says nothing of what no match tells.
  return 2 * agree.length > said.size ? median(agree) : null;
}

function clocksOf(matches: readonly Match[], pictures: readonly Known[], sounds: readonly Known[]): ClockOffset[] {
  const cameras = new Set(pictures.map(({ device }) => device));
  const recorders = new Set(sounds.map(({ device }) => device));
  return [...cameras].flatMap((camera) =>
    [...recorders].flatMap((recorder) => {
      const ofBoth = matches.filter(
        ({ picture, sound }) => pictures[picture]!.device === camera && sounds[sound]!.device === recorder,
      );
      const offsetS = agreedOffset(ofBoth, pictures, sounds);
      return offsetS === null ? [] : [{ camera, recorder, offsetS }];
    }),
  );
}

/** Pictures without a partner whose clock falls into a sound file. */
function pairsByClock(
  clocks: readonly ClockOffset[],
  isOpen: (picture: number) => boolean,
  pictures: readonly Known[],
  sounds: readonly Known[],
): ClockPair[] {
  return pictures.flatMap(({ startS, seconds, device }, picture) => {
    if (startS === null || !isOpen(picture)) return [];
    return sounds.flatMap((each, sound) => {
      const clock = clocks.find(({ camera, recorder }) => camera === device && recorder === each.device);
      if (each.startS === null || !clock) return [];
      const offsetS = startS + clock.offsetS - each.startS;
      const overlapS = Math.min(seconds, each.seconds - offsetS) - Math.max(0, -offsetS);
      return overlapS >= Math.min(SHORTEST_S, seconds / 2) ? [{ picture, sound, offsetS }] : [];
    });
  });
}

/** Compares here, one after the other. */
export const alignHere =
  (pictures: readonly Recorded[], sounds: readonly Recorded[]): Align =>
  (candidate) =>
    alignPair(candidate, pictures[candidate.picture]!, sounds[candidate.sound]!);

/**
 * Finds all pairs of a day: every picture file against every sound file by landmarks, candidates held against their sound.
 * Pictures that nothing sounds like are paired by the clocks where the matches say how those differ.
 */
export async function lineUp(
  pictures: readonly Known[],
  sounds: readonly Known[],
  { onProgress, isCancelled, aligners }: LineUpOptions,
): Promise<LinedUp> {
  const why = { pictures: pictures.map(whyNot), sounds: sounds.map(whyNot) };
  const fit = (all: readonly Known[], reasons: readonly (Unmatched | null)[]) =>
    all.map(({ landmarks }, at) => (reasons[at] === null && landmarks ? landmarks : NONE));
  const seen = pictures.map(() => 0);
  const candidates = findCandidates(fit(pictures, why.pictures), fit(sounds, why.sounds)).filter(
    ({ picture }) => (seen[picture]! += 1) <= MOST_OF_ONE,
  );
  const matches: Match[] = [];
  /** Scores of sure matches that cover their picture. */
  const settled = new Map<number, number>();
  let next = 0;
  let done = 0;
  await Promise.all(
    aligners.map(async (align) => {
      for (let at = next++; at < candidates.length && !isCancelled?.(); at = next++) {
        const candidate = candidates[at]!;
        const match = candidate.score < FAINT * (settled.get(candidate.picture) ?? 0) ? null : await align(candidate);
        if (match) matches.push(match);
        if (match && isWhole(match, pictures[match.picture]!)) settled.set(match.picture, candidate.score);
        done += 1;
        onProgress?.(done / candidates.length);
      }
    }),
  );
  // The same order however the work was shared out.
  matches.sort(
    (one, other) => other.confidence - one.confidence || one.picture - other.picture || one.sound - other.sound,
  );
  const clocks = clocksOf(matches, pictures, sounds);
  const hasPicture = new Set(matches.map(({ picture }) => picture));
  const byClock = pairsByClock(clocks, (picture) => !hasPicture.has(picture), pictures, sounds);
  const reasonsOf = (reasons: readonly (Unmatched | null)[], paired: ReadonlySet<number>) =>
    reasons.map((reason, at) => (paired.has(at) ? null : (reason ?? "nothingAlike")));
  return {
    ...{ matches, byClock, clocks },
    pictures: reasonsOf(why.pictures, hasPicture),
    sounds: reasonsOf(why.sounds, new Set(matches.map(({ sound }) => sound))),
  };
}
