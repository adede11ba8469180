import { readFileSync } from "node:fs";
import { bytesSource, readMono, toWav } from "../core/audio";
import { type FindingKind, measureWav } from "../core/check";
import { inLong } from "../fixtures/inLong";
import { chanceOf } from "./labelled/chance";
import { faultyClip } from "./labelled/faults";
import { RATE } from "./labelled/rate";
import { voiceOf } from "./voices";

/** What one fault must not be taken for: the demo's voices with faults at places the card does not have. */

const SECONDS = 24;

async function kindsOf(fault: FindingKind, voice: string, seed: number): Promise<ReadonlySet<FindingKind>> {
  const { samples } = await readMono(bytesSource(readFileSync(`demo/recordings/voice-${voice}.wav`)), 60);
  const { channels } = faultyClip(chanceOf(seed), fault, voiceOf(voice, samples), 2, SECONDS);
  const wav = toWav(channels, { sampleRateHz: RATE, bits: 24 });
  return new Set((await measureWav(bytesSource(wav), "take.wav")).measurement.findings.map(({ kind }) => kind));
}

test("claps in an empty place are not taken for a voice", async () => {
  const clap = readFileSync("demo/recordings/granary-clap.wav");
  expect((await measureWav(bytesSource(clap), "clap.wav")).measurement.findings).toEqual([]);
});

inLong.each([
  ["wind", ["headTurn", "knock"], "engineer"],
  ["roomy", ["breath", "headTurn"], "miller"],
  ["dropout", ["breath", "knock"], "engineer"],
  ["gap", ["knock", "plosive"], "miller"],
  ["knock", ["plosive", "dropout"], "singer"],
  ["plosive", ["wind", "limited"], "miller"],
] as const)("%s is taken for none of %s", async (fault, others, voice) => {
  for (const seed of [11, 13]) {
    const kinds = await kindsOf(fault, voice, seed);
    expect(kinds).toContain(fault);
    expect([...kinds].filter((kind) => others.some((other) => other === kind))).toEqual([]);
  }
});
