import { PARTS_PER_HOP } from "../../audio";
import { joinSpots, type Spot } from "../spot";
import { dbOver, meanIn, mostIn, runsOf, type Run, type Scene } from "./scene";

/** A lull in the voice's lows is no event; this far over the usual lows something moved the air or the capsule, dB. */
const OVER_FLOOR_DB = 14;
/** And it matters from this far under the voice, dB. */
const UNDER_VOICE_DB = -17;
/** In pops and wind the air moves slowly: so much of the power under 220 Hz lies under 55 Hz, dB. */
const POP_SHARE_DB = -5;
const WIND_SHARE_DB = -8;
/** Longer than this it is wind, s; pops and knocks are shorter than that. */
const WIND_S = 0.45;
const SHORT_S = 0.3;
/** Single milliseconds of a crackling contact differ so much. */
const LEAPS = 0.48;
const FEWEST_FREE = 8;
/** How close to speech a pop is, hops. */
const NEAR = 12;

/** A knock: how far the lows jump within two hops and fall within six, and how its click stands out of the highs, dB. */
const JUMP_DB = 15;
const FALL_DB = 8;
const CLICK_DB = 6;
const KNOCK_UNDER_VOICE_DB = -13;
/** A knock without a click: so much of its lows at most is under 55 Hz, and it is no further under the voice, dB. */
const RING_SHARE_DB = -4;
const DULL_FALL_DB = 7;
const DULL_UNDER_VOICE_DB = -9;
/** A knock whose click the voice covers: the lows jump and fall while the voice goes on as it was, dB. */
const COVERED_UNDER_VOICE_DB = -16;
const COVERED_JUMP_DB = 12;
const COVERED_FALL_DB = 17;
const GOES_ON_DB = 6;
/**
 * A brief strike: the lows are there for two hops, most of them over 55 Hz, and gone within four more; the highs fall
 * with them. Neither air nor a voice is over so soon, however weak it is. dB.
 */
const BRIEF_UNDER_VOICE_DB = -18;
const BRIEF_JUMP_DB = 9;
const BRIEF_FALL_DB = 16;
const BRIEF_HIGH_FALL_DB = 4;
const BRIEF_HOPS = 2;
/** A ring: not so far under the voice, most of it over 55 Hz, and falling by so much in three hops, dB. */
const RING_UNDER_VOICE_DB = -11;
const RING_MOST_SHARE_DB = -6;
const RING_FALL_DB = 11.5;
/** Air pushes at least so many hops of those that follow within this of their loudest, dB. */
const PUSHES = 5;
const PUSH_WITHIN = 12;
const PUSH_DB = 12;
const PUSH_SHARE_DB = -3;
/** Hops before, in which the lows were quiet, to the loudest, and to where they have fallen. */
const BEFORE = 8;
const RINGS = 3;
const FALLEN = 6;

function isNear(mask: Uint8Array, run: Run): boolean {
  for (let hop = Math.max(0, run.from - NEAR); hop < Math.min(mask.length, run.to + NEAR); hop += 1)
    if (mask[hop]) return true;
  return false;
}

/** A knock, and whether its click was heard: where the voice covers it, air may look alike. */
interface Strike extends Run {
  hasClick: boolean;
}

const isBeside = (knock: Run, run: Run): boolean => knock.from < run.to + 3 && run.from < knock.to + 3;

/** Whether the fine structure leaps where no voice is in it; a voice's own pulses do. */
function leaps({ heard, crackle }: Scene, run: Run): boolean {
  let [sum, count] = [0, 0];
  for (let hop = run.from; hop < run.to; hop += 1) {
    if (heard.isSpeech[hop]) continue;
    sum += crackle[hop]!;
    count += 1;
  }
  return count >= FEWEST_FREE && sum / count > LEAPS;
}

/** Pops and wind: air that moves slowly, told apart by how long it does. */
function findAir(scene: Scene, knocks: readonly Strike[]): Spot[] {
  const { heard, low, lows, lowFloor, speech, startS } = scene;
  const { hops, hopS } = heard;
  const limit = Math.max(lowFloor * 10 ** (OVER_FLOOR_DB / 10), speech * 10 ** (UNDER_VOICE_DB / 10), 1e-9);
  const runs = runsOf(hops, (hop) => low[hop]! > limit, 8);
  return runs.flatMap((run): Spot[] => {
    const seconds = (run.to - run.from) * hopS;
    const share = dbOver(meanIn(low, run), meanIn(lows, run));
    if (share < (seconds > WIND_S ? WIND_SHARE_DB : POP_SHARE_DB)) return [];
    if (seconds <= WIND_S && knocks.some((knock) => knock.hasClick && isBeside(knock, run))) return [];
    const place = {
      startS: startS + run.from * hopS,
      endS: startS + run.to * hopS,
      sizeDb: dbOver(mostIn(low, run), speech || limit),
      confidence: Math.min(1, 0.6 + dbOver(mostIn(low, run), limit) / 30),
    };
    // Air moves smoothly; a contact that opens and closes leaps.
    if (seconds > WIND_S) return [{ kind: leaps(scene, run) ? "crackle" : "wind", ...place }];
    return seconds >= 0.025 && seconds <= SHORT_S && isNear(heard.isSpeech, run) ? [{ kind: "plosive", ...place }] : [];
  });
}

/** A click: for a few milliseconds fine structure stands alone, out of what was before and what comes after. */
function hasClick(steps: Float32Array, hop: number): boolean {
  const first = Math.max(20, (hop - 2) * PARTS_PER_HOP);
  for (let part = first; part < (hop + 2) * PARTS_PER_HOP && part + 24 < steps.length; part += 1) {
    const before = mostIn(steps, { from: part - 16, to: part - 1 });
    const after = mostIn(steps, { from: part + 8, to: part + 24 });
    if (dbOver(steps[part]!, before) > CLICK_DB && dbOver(steps[part]!, after) > CLICK_DB) return true;
  }
  return false;
}

/** How many of the hops that follow lie within some decibels of the loudest of them. */
function loudAfter(low: Float32Array, hop: number): number {
  const after = { from: hop, to: hop + PUSH_WITHIN };
  const least = mostIn(low, after) * 10 ** (-PUSH_DB / 10);
  let count = 0;
  for (let at = hop; at < Math.min(low.length, after.to); at += 1) if (low[at]! > least) count += 1;
  return count;
}

/** Air pushes for longer than a thing rings, and nearly all of it under 55 Hz. */
function isPush({ low, lows }: Scene, hop: number): boolean {
  const after = { from: hop, to: hop + PUSH_WITHIN };
  return loudAfter(low, hop) >= PUSHES && dbOver(mostIn(low, after), mostIn(lows, after)) > PUSH_SHARE_DB;
}

/** How little of a strike lies under 55 Hz, dB. */
const shareOf = ({ low, lows }: Scene, hop: number, top: number): number =>
  dbOver(low[top]!, mostIn(lows, { from: hop, to: top + 2 }));

/** Strong lows over 55 Hz that die away as things do that ring, also while somebody speaks. */
function isRing(scene: Scene, hop: number, top: number): boolean {
  const { low, speech } = scene;
  return (
    dbOver(low[top]!, speech) > RING_UNDER_VOICE_DB &&
    shareOf(scene, hop, top) < RING_MOST_SHARE_DB &&
    dbOver(low[top]!, low[top + 3]!) > RING_FALL_DB
  );
}

/** Something short and hard, also while somebody speaks. */
function isBrief(scene: Scene, hop: number, top: number): boolean {
  const { low, high } = scene;
  let sharp = hop - 1;
  for (let at = hop; at < hop + 2; at += 1) if (high[at]! > high[sharp]!) sharp = at;
  return (
    dbOver(low[top]!, mostIn(low, { from: hop - 4, to: hop - 1 })) > BRIEF_JUMP_DB &&
    dbOver(low[top]!, low[top + 4]!) > BRIEF_FALL_DB &&
    shareOf(scene, hop, top) < RING_SHARE_DB &&
    dbOver(high[sharp]!, mostIn(high, { from: sharp + 2, to: sharp + 5 })) > BRIEF_HIGH_FALL_DB &&
    loudAfter(low, hop) <= BRIEF_HOPS
  );
}

/** A thump in the midst of a vowel: only the lows know of it. */
function isCovered({ heard, low, middle, speech }: Scene, hop: number, top: number): boolean {
  const before = { from: hop - 4, to: hop - 1 };
  return (
    heard.isSpeech[hop - 3] === 1 &&
    low[top]! > speech * 10 ** (COVERED_UNDER_VOICE_DB / 10) &&
    dbOver(low[top]!, mostIn(low, before)) > COVERED_JUMP_DB &&
    dbOver(low[top]!, low[top + 3]!) > COVERED_FALL_DB &&
    dbOver(mostIn(middle, { from: hop, to: top + 2 }), meanIn(middle, before)) < GOES_ON_DB
  );
}

/** Knocks: the lows jump at once and die away at once, mostly with a click. */
function findStrikes(scene: Scene): Strike[] {
  const { heard, low, lows, speech, lowFloor } = scene;
  const { hops, figures } = heard;
  const found: Strike[] = [];
  const loud = speech * 10 ** (KNOCK_UNDER_VOICE_DB / 10);
  const overFloor = Math.max(lowFloor * 10 ** (OVER_FLOOR_DB / 10), 1e-9);
  const [least, leastBrief] = [COVERED_UNDER_VOICE_DB, BRIEF_UNDER_VOICE_DB].map((underDb) =>
    Math.max(speech * 10 ** (underDb / 10), overFloor),
  ) as [number, number];
  for (let hop = BEFORE + 2; hop < hops - 8; hop += 1) {
    if (low[hop]! < leastBrief || low[hop]! < 4 * low[hop - 2]!) continue;
    let top = hop;
    for (let at = hop; at < hop + RINGS; at += 1) if (low[at]! > low[top]!) top = at;
    const brief = isBrief(scene, hop, top);
    if (brief || isRing(scene, hop, top)) {
      found.push({ from: hop - 1, to: hop + 6, hasClick: brief || hasClick(figures.steps, hop) });
      hop = top + FALLEN;
      continue;
    }
    if (low[hop]! < least || low[hop]! < 6 * low[hop - 2]!) continue;
    if (isCovered(scene, hop, top)) {
      found.push({ from: hop - 1, to: hop + 6, hasClick: false });
      hop = top + FALLEN;
      continue;
    }
    if (low[hop]! < loud || isPush(scene, hop)) continue;
    if (dbOver(low[top]!, mostIn(low, { from: hop - BEFORE, to: hop - 1 })) < JUMP_DB) continue;
    const fallsDb = dbOver(low[top]!, Math.min(low[top + FALLEN]!, low[top + FALLEN + 1]!));
    if (fallsDb < FALL_DB) continue;
    if (!hasClick(figures.steps, hop)) {
      // Without a click it must ring like a thing, not push like air, and louder than a voice begins.
      const share = dbOver(low[top]!, mostIn(lows, { from: hop, to: top + 2 }));
      if (
        dbOver(low[top]!, low[top + 4]!) < DULL_FALL_DB ||
        share > RING_SHARE_DB ||
        low[top]! < speech * 10 ** (DULL_UNDER_VOICE_DB / 10)
      )
        continue;
    }
    found.push({ from: hop - 1, to: hop + 6, hasClick: true });
    hop = top + FALLEN;
  }
  return found;
}

/** Pops, knocks and wind: whatever shakes the lows. */
export function findLowEvents(scene: Scene): Spot[] {
  const { heard, lows, speech, startS } = scene;
  const strikes = findStrikes(scene);
  const air = findAir(scene, strikes);
  const inAir = (run: Run) =>
    air.some(
      (spot) => spot.startS < startS + (run.to + 3) * heard.hopS && spot.endS > startS + (run.from - 3) * heard.hopS,
    );
  const sure = strikes.filter((strike) => strike.hasClick || !inAir(strike));
  const knocks = sure.map((run): Spot => ({
    kind: "knock",
    startS: startS + run.from * heard.hopS,
    endS: startS + run.to * heard.hopS,
    sizeDb: dbOver(mostIn(lows, run), speech),
    confidence: 0.8,
  }));
  return [...joinSpots(knocks, 0.1), ...air];
}
