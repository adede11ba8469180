import { PARTS_PER_HOP } from "../../audio";
import { joinSpots, type Spot } from "../spot";
import { dbOver, mostIn, type Scene } from "./scene";

/** A gap stands in sound: so much power within 6 ms before or after it, dB re full scale (mean square). */
const SOUND_DB = -62;
const BESIDE_PARTS = 6;
/** And where somebody speaks at all, the voice is so near before it, or after a brief one: silence between words is a gate, which closes when it is quiet and opens at once. dB, s. */
const CUTS_UNDER_VOICE_DB = -25;
const BRIEF_GAP_S = 0.03;
const HELD_SHARE = 0.6;
const LONGEST_GAP_S = 3;
/** What repeats longer than this, or more often than so many times in a row, is a tone and not a fault. */
const LONGEST_REPEAT_S = 0.6;
const MOST_TURNS = 12;

function powerBeside({ heard }: Scene, frame: number, side: -1 | 1): number {
  const partFrames = heard.hopFrames / PARTS_PER_HOP;
  const part = Math.floor(frame / partFrames);
  let most = 0;
  for (let step = 1; step <= BESIDE_PARTS; step += 1)
    most = Math.max(most, heard.figures.squares[part + side * step] ?? 0);
  return most / partFrames;
}

/** Samples that stand still in the midst of sound: blocks that never came. */
function findGaps(scene: Scene): Spot[] {
  const { heard, startS } = scene;
  const shortest = heard.sampleRateHz / 1000;
  const highest = mostIn(heard.figures.highest, { from: 0, to: heard.hops });
  const spots = heard.figures.runs
    .filter(
      ({ frames, value }) =>
        frames >= shortest &&
        frames < LONGEST_GAP_S * heard.sampleRateHz &&
        // What stands still well under the peaks was held; at them it is clipped.
        Math.abs(value) < Math.max(0.02, HELD_SHARE * highest),
    )
    .filter(
      ({ frame, frames }) =>
        Math.min(powerBeside(scene, frame, -1), powerBeside(scene, frame + frames, 1)) > 10 ** (SOUND_DB / 10) &&
        Math.max(
          powerBeside(scene, frame, -1),
          frames < BRIEF_GAP_S * heard.sampleRateHz ? powerBeside(scene, frame + frames, 1) : 0,
        ) >
          scene.speech * 10 ** (CUTS_UNDER_VOICE_DB / 10),
    )
    .map(({ frame, frames }): Spot => ({
      kind: "gap",
      startS: startS + frame / heard.sampleRateHz,
      endS: startS + (frame + frames) / heard.sampleRateHz,
      sizeDb: dbOver(frames / heard.sampleRateHz, 0.001),
      confidence: 0.95,
    }));
  return joinSpots(spots, 0.02);
}

/** Blocks that came twice. */
function findRepeats({ heard, startS }: Scene): Spot[] {
  const spots = heard.figures.repeats
    .filter(({ frames, distance }) => frames < LONGEST_REPEAT_S * heard.sampleRateHz && frames <= MOST_TURNS * distance)
    .map(({ frame, frames, distance }): Spot => ({
      kind: "repeated",
      startS: startS + (frame - distance) / heard.sampleRateHz,
      endS: startS + (frame + frames) / heard.sampleRateHz,
      sizeDb: dbOver(frames / heard.sampleRateHz, 0.001),
      confidence: 0.95,
    }));
  return joinSpots(
    spots.sort((a, b) => a.startS - b.startS),
    0.05,
  );
}

/** Gaps and repeated blocks: what goes wrong between converter and file. */
export function findDigitalFaults(scene: Scene): Spot[] {
  return [...findGaps(scene), ...findRepeats(scene)];
}
