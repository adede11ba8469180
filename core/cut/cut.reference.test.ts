import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bytesSource, readMono, readWavHeader } from "../audio";
import { measureWav } from "../check";
import { falseStarts, likenessOf } from ".";

const folder = mkdtempSync(join(tmpdir(), "hypophon-cut-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Sentences with pauses of half a second between them, each in a voice of espeak-ng. */
function spoken(
  name: string,
  voice: string,
  sentences: readonly string[],
  wordsPerMinute = 150,
): Uint8Array<ArrayBuffer> {
  const [path, quiet] = [join(folder, `${name}.wav`), join(folder, `${name}-room.wav`)];
  const parts = sentences.map((sentence, at) => {
    const part = join(folder, `${name}-${at}.wav`);
    execFileSync("espeak-ng", ["-v", voice, "-s", String(wordsPerMinute), "-w", part, sentence]);
    return part;
  });
  execFileSync("sox", [...parts.flatMap((part) => [`|sox ${part} -p pad 0 0.5`]), path]);
  // A room under it: nothing is recorded without one.
  execFileSync("sh", [
    "-c",
    `sox -R "${path}" -p synth pinknoise vol 0.003 | sox -R -m -v 0.7 "${path}" -v 1 - "${quiet}" pad 0.5 0.5`,
  ]);
  return Uint8Array.from(readFileSync(quiet));
}

const TEXTS = [
  "The mill stands on the quay by the water",
  "We opened the gate at low tide",
  "Nobody here had cut a tenon before",
  "My grandfather carried sacks up these stairs",
];

/** Voices with which the limit was not chosen: others of other languages. */
test.each(["da", "nl+f3", "pt", "fi+m4", "cs"])(
  "beginnings of the same words are alike, of others not, in a voice of espeak-ng: %s",
  async (voice) => {
    const read = async (name: string, at: number, pace: number) =>
      readMono(bytesSource(spoken(name, voice, [TEXTS[at]!], pace)), 60);
    const slow = await Promise.all(TEXTS.map((_, at) => read(`${voice}-s${at}`, at, 150)));
    const quick = await Promise.all(TEXTS.map((_, at) => read(`${voice}-q${at}`, at, 170)));
    for (const [one, { samples, sampleRateHz }] of slow.entries())
      for (const [other, { samples: again }] of quick.entries()) {
        const from = 0.55 * sampleRateHz;
        const alike = likenessOf(
          samples.subarray(from, from + 0.6 * sampleRateHz),
          again.subarray(from, from + 0.72 * sampleRateHz),
          sampleRateHz,
        );
        expect([one, other, alike > 0.8]).toEqual([one, other, one === other]);
      }
  },
);

test.each([
  ["en-us", ["We open the", "We open the gate at low water", "The wheel begins to turn"], [0]],
  ["da", ["Nobody here", "It took us three winters", "It took us three winters to find the oak"], [1]],
  ["nl+f3", ["The wheel begins to turn", "You can hear the water under the floor"], []],
])("sentences that are begun again are found, others not (espeak-ng, %s)", async (voice, sentences, expected) => {
  const source = bytesSource(spoken(`restart-${voice}`, voice, sentences));
  const { phrases } = await measureWav(source, "a");
  expect(await falseStarts(source, await readWavHeader(source), phrases[0]!)).toEqual(expected);
});
