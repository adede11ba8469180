import { DEMO_LOG } from "../../demo/log";
import { SLACK_WATER } from "../../demo/slackWater";
import { stored, wholeBundleOf } from "../../fixtures/testShoot";
import { bytesSource, toWav } from "../audio";
import { readTags, taggedCopy } from "../tags";
import { takeTags, type TakeWords } from "./takeTags";

const bundle = {
  ...wholeBundleOf(SLACK_WATER),
  rolls: DEMO_LOG.rolls.map(({ id, body }) => stored<"roll">(id, body)),
  marks: DEMO_LOG.marks.map(({ id, body }) => stored<"mark">(id, body)),
};
const rollOf = (slate: string, take: number, type = "take") =>
  bundle.rolls.find(({ body }) => body.slate === slate && body.take === take && body.type === type)!;
const marksOf = (id: string) => bundle.marks.filter(({ body }) => body.rollId === id);
const words: TakeWords = { name: "take", labelOf: ({ body }) => body.kind };
const whole = { fromS: 0, lengthS: 30, sampleRateHz: 48_000 };

test("a take's files say scene, take, rating, note, tracks, date and time", () => {
  const roll = rollOf("1", 6);
  const { bext, ixml, markers } = takeTags(bundle, roll, marksOf(roll.id), words, whole);
  expect(bext).toEqual({
    description: "take; Interview with the miller; Fridge in the kitchen was on again",
    ...{ originator: "Hypophon", date: "2027-05-11", time: "10:04:13" },
  });
  expect(ixml).toMatchObject({ project: "Slack Water", scene: "1", take: "6", tape: "Day 1", frameRate: "25/1" });
  expect(ixml).toMatchObject({ isCircled: true, isNoGood: false, isFalseStart: false, isWild: false, isDrop: false });
  expect(ixml!.tracks).toEqual([{ channel: 1, name: "Tam, miller" }]);
  expect(markers).toEqual([
    { atFrame: 57_600, frames: 0, label: "clap" },
    { atFrame: 144_000, frames: 0, label: "hum" },
  ]);
});

test("room tone and wild lines are wild, what was no good is said, and a false start is one", () => {
  const of = (roll: ReturnType<typeof rollOf>) => takeTags(bundle, roll, [], words, whole).ixml!;
  expect(of(rollOf("1", 1, "roomTone"))).toMatchObject({ isWild: true, isCircled: true });
  expect(of(rollOf("4", 1, "wild")).isWild).toBe(true);
  expect(of(rollOf("1", 1)).isNoGood).toBe(true);
  const falseStart = { ...rollOf("1", 1), body: { ...rollOf("1", 1).body, type: "falseStart" as const } };
  expect(of(falseStart)).toMatchObject({ isFalseStart: true, isWild: false });
});

test("of a take in two files each has its own marks and its own time", () => {
  const roll = rollOf("1", 1);
  const part = (fromS: number) =>
    takeTags(bundle, roll, marksOf(roll.id), words, { fromS, lengthS: 66, sampleRateHz: 1000 });
  expect(part(0).markers!.map(({ atFrame, label }) => [atFrame, label])).toEqual([
    [1200, "clap"],
    [64_000, "aircraft"],
  ]);
  expect(part(66).markers!.map(({ atFrame, label }) => [atFrame, label])).toEqual([[5000, "fluffed"]]);
  expect(part(66).bext!.time).toBe("09:31:39");
});

test("proposals that nobody has taken are not written", () => {
  const roll = rollOf("1", 4);
  const [mark] = marksOf(roll.id);
  const proposed = { ...mark!, body: { ...mark!.body, isProposal: true } };
  expect(takeTags(bundle, roll, [proposed], words, whole).markers).toEqual([]);
});

test("what is written is read back from a file", async () => {
  const roll = rollOf("3", 2);
  const wav = toWav([new Float32Array(48_000 * 2)], { sampleRateHz: 48_000, bits: 24 });
  const tags = takeTags(bundle, roll, marksOf(roll.id), words, { ...whole, lengthS: 2 });
  const { keepBytes, patches, tail } = await taggedCopy(bytesSource(wav), tags);
  const copy = new Uint8Array(keepBytes + tail.length);
  copy.set(wav.subarray(0, keepBytes));
  for (const { offset, bytes } of patches) copy.set(bytes, offset);
  copy.set(tail, keepBytes);
  const { ixml, bext, markers } = await readTags(bytesSource(copy));
  expect(ixml).toMatchObject({ scene: "3", take: "2", note: "Sensitivity down 9 dB", isCircled: true });
  expect(bext!.description).toContain("Welding the sluice hinge");
  expect(markers).toHaveLength(1);
});
