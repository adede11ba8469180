import { readFileSync } from "node:fs";
import { bytesSource, readMono } from "../core/audio";
import type { FindingKind } from "../core/check";
import { feedWatch, type HeardEvent } from "../core/meter";
import { whiteNoise } from "../fixtures/testSignals";
import { chanceOf } from "./labelled/chance";
import { cleanWish, clipOf } from "./labelled/clip";
import { faultyClip } from "./labelled/faults";
import { RATE } from "./labelled/rate";
import { voiceOf } from "./voices";

/** What the live feed is marked with: the demo's voices with faults, heard block by block as a microphone gives them. */

const KINDS: ReadonlySet<FindingKind> = new Set<FindingKind>(["plosive", "dropout"]);
const SECONDS = 24;
const BLOCK = 512;
const LOOK_S = 3;

/** All that is told of a feed that is looked at every three seconds, and of its silent end. */
function heardIn(samples: Float32Array): HeardEvent[] {
  const watch = feedWatch(RATE, KINDS);
  const events: HeardEvent[] = [];
  const tail = whiteNoise(5, -75, 2 * RATE);
  const feed = new Float32Array(samples.length + tail.length);
  feed.set(samples);
  feed.set(tail, samples.length);
  let lookedAt = 0;
  for (let from = 0; from < feed.length; from += BLOCK) {
    watch.push(feed.subarray(from, from + BLOCK));
    if (from - lookedAt < LOOK_S * RATE) continue;
    lookedAt = from;
    events.push(...watch.look());
  }
  return [...events, ...watch.look()];
}

async function voice(name: string) {
  const bytes = new Uint8Array(readFileSync(`demo/recordings/voice-${name}.wav`));
  return voiceOf(name, (await readMono(bytesSource(bytes), 60)).samples);
}

test.each([
  ["plosive", "miller", 21],
  ["dropout", "engineer", 22],
] as const)("%s is marked once a place, and where it was", async (fault, name, seed) => {
  const { channels, spans } = faultyClip(chanceOf(seed), fault, await voice(name), 2, SECONDS);
  const events = heardIn(channels[0]!).filter(({ kind }) => kind === fault);
  const near = (atS: number) => spans.some(({ from, to }) => atS > from / RATE - 0.3 && atS < to / RATE + 0.3);
  expect(spans.length).toBeGreaterThan(1);
  expect(events.length).toBeGreaterThan(spans.length / 2);
  expect(events.length).toBeLessThanOrEqual(spans.length);
  expect(events.filter(({ atS }) => !near(atS))).toEqual([]);
});

test("clean speech is not marked, nor is a room without anybody", async () => {
  const all = process.env["HYPOPHON_LONG"] ? ["miller", "engineer", "singer"] : ["miller"];
  for (const [index, name] of all.entries()) {
    const chance = chanceOf(31 + index);
    expect([name, heardIn(clipOf(chance, await voice(name), cleanWish(chance, SECONDS)).samples)]).toEqual([name, []]);
  }
  expect(heardIn(whiteNoise(9, -60, 15 * RATE))).toEqual([]);
});

test("nothing is told of the first moments, and no block is too short or too long", () => {
  const watch = feedWatch(48_000, KINDS);
  expect(watch.look()).toEqual([]);
  watch.push(new Float32Array(1));
  watch.push(new Float32Array(0));
  expect(watch.look()).toEqual([]);
  watch.push(new Float32Array(48_000 * 30));
  expect(watch.look()).toEqual([]);
});
