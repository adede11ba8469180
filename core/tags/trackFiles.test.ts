import { bytesSource, type ByteSource, readFrames, readWavHeader, RecordingRefusal, toWav } from "../audio";
import { sine } from "../../fixtures/testSignals";
import { monoFiles, monoSound, polyFile, readTags, taggedCopy, type TaggedCopy } from "./index";

const RATE = 48_000;
const tone = (hz: number, seconds = 0.5) => sine({ frequencyHz: hz, levelDbfs: -12, seconds, sampleRateHz: RATE });

function applied(wav: Uint8Array, { keepBytes, patches, tail }: TaggedCopy): Uint8Array {
  const whole = new Uint8Array(keepBytes + tail.length);
  whole.set(wav.subarray(0, keepBytes));
  for (const { offset, bytes } of patches) whole.set(bytes, offset);
  whole.set(tail, keepBytes);
  return whole;
}

async function gathered(head: Uint8Array, sound: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const parts = [head];
  for await (const part of sound) parts.push(part);
  return new Uint8Array(Buffer.concat(parts));
}

const IXML = {
  ...{ project: "Slack Water", scene: "12A", take: "3", tape: "Day 1", note: "plane at the end" },
  ...{ isCircled: true, isNoGood: false, isFalseStart: false, isWild: false, frameRate: "25/1", isDrop: false },
  tracks: [
    { channel: 1, name: "Tam" },
    { channel: 2, name: "Boom" },
    { channel: 5, name: "Hall ✓" },
  ],
};

async function poly(bits: 8 | 16 | 24 | 32, isFloat = false): Promise<Uint8Array> {
  const wav = toWav([tone(300), tone(500), tone(700)], { sampleRateHz: RATE, bits, isFloat });
  const tags = {
    bext: { description: "12A take 3", timeReference: 7 * 3600 * RATE },
    ixml: IXML,
    markers: [{ atFrame: 480, frames: 0, label: "clap" }],
  };
  return applied(wav, await taggedCopy(bytesSource(wav), tags));
}

/** Samples of one channel as they are decoded. */
async function planeOf(source: ByteSource, channel: number): Promise<Float32Array> {
  const header = await readWavHeader(source);
  const own = new Float32Array(header.frames);
  let at = 0;
  await readFrames(source, header, (planes, count) => {
    own.set(planes[channel]!.subarray(0, count), at);
    at += count;
  });
  return own;
}

const mono = (whole: Uint8Array, channel: number, head: Uint8Array) =>
  gathered(head, monoSound(bytesSource(whole), channel));

describe.each([
  [8, false],
  [16, false],
  [24, false],
  [32, false],
  [32, true],
] as const)("%i bit, float: %s", (bits, isFloat) => {
  test("each track is alone in a file, to the bit, with its name and the take's words", async () => {
    const whole = await poly(bits, isFloat);
    const files = await monoFiles(bytesSource(whole));
    expect(files.map(({ name }) => name)).toEqual(["Tam", "Boom", "Hall ✓"]);
    for (const { channel, head } of files) {
      const bytes = await mono(whole, channel, head);
      const source = bytesSource(bytes);
      expect(await readWavHeader(source)).toMatchObject({
        ...{ channels: 1, bitsPerSample: bits, frames: RATE / 2, sampleRateHz: RATE },
        timeReference: 7 * 3600 * RATE,
      });
      expect(await planeOf(source, 0)).toEqual(await planeOf(bytesSource(whole), channel));
      expect(await readTags(source)).toMatchObject({
        bext: { description: "12A take 3" },
        ixml: { scene: "12A", isCircled: true, tracks: [IXML.tracks[channel]] },
        markers: [{ atFrame: 480, label: "clap" }],
      });
      // RIFF: the size in the head is that of the file.
      expect(new DataView(bytes.buffer, bytes.byteOffset).getUint32(4, true)).toBe(bytes.length - 8);
    }
  });

  test("and back again it is the same sound and the same names", async () => {
    const whole = await poly(bits, isFloat);
    const files = await monoFiles(bytesSource(whole));
    const sources = await Promise.all(
      files.map(async ({ channel, head }) => bytesSource(await mono(whole, channel, head))),
    );
    const { head, sound } = await polyFile(sources, ["a", "b", "c"]);
    const again = bytesSource(await gathered(head, sound()));
    for (const channel of [0, 1, 2])
      expect(await planeOf(again, channel)).toEqual(await planeOf(bytesSource(whole), channel));
    const { ixml } = await readTags(again);
    expect(ixml!.tracks.map(({ name }) => name)).toEqual(["Tam", "Boom", "Hall ✓"]);
  });
});

describe("names of others", () => {
  const named = async (tracks: string) => {
    const wav = toWav([tone(300), tone(500), tone(700)], { sampleRateHz: RATE, bits: 16 });
    const text = `<BWFXML><TRACK_LIST>${tracks}</TRACK_LIST></BWFXML>`;
    const body = Buffer.from(text.padEnd(text.length + (text.length % 2)));
    const head = Buffer.alloc(8);
    head.write("iXML");
    head.writeUInt32LE(body.length, 4);
    const whole = Buffer.concat([wav, head, body]);
    whole.writeUInt32LE(whole.length - 8, 4);
    return monoFiles(bytesSource(new Uint8Array(whole)));
  };
  const track = (channel: number, place: number, name: string) =>
    `<TRACK><CHANNEL_INDEX>${channel}</CHANNEL_INDEX><INTERLEAVE_INDEX>${place}</INTERLEAVE_INDEX><NAME>${name}</NAME></TRACK>`;

  test("go to the channel they are interleaved at, in whatever order and with whatever gaps they are listed", async () => {
    const files = await named(track(7, 3, "Boom") + track(2, 1, "Tam"));
    expect(files.map(({ name }) => name)).toEqual(["Tam", "", "Boom"]);
  });

  test("come without a frame rate where the file says none", async () => {
    const [first] = await named(track(1, 1, "Tam"));
    const text = Buffer.from(first!.head).toString("latin1");
    expect(text).toContain("<NAME>Tam</NAME>");
    expect(text).not.toContain("TIMECODE_RATE");
  });
});

describe("files of tracks", () => {
  const file = (seconds: number, layout: { sampleRateHz?: number; bits?: 16 | 24; startedAtS?: number } = {}) =>
    bytesSource(toWav([tone(400, seconds)], { sampleRateHz: RATE, bits: 24, ...layout }));

  test("a shorter one is followed by silence, and tracks without a name are called by their file", async () => {
    const { head, sound } = await polyFile([file(0.5), file(0.2)], ["boom", "lav"]);
    const source = bytesSource(await gathered(head, sound()));
    const second = await planeOf(source, 1);
    expect(second).toHaveLength(RATE / 2);
    expect(Math.max(...second.slice(0, RATE * 0.2).map(Math.abs))).toBeCloseTo(0.251, 2);
    expect(second.slice(RATE * 0.2).every((value) => value === 0)).toBe(true);
    expect((await readTags(source)).ixml!.tracks.map(({ name }) => name)).toEqual(["boom", "lav"]);
  });

  test.each([
    ["another rate", file(0.2, { sampleRateHz: 44_100 }), false],
    ["other bits", file(0.2, { bits: 16 }), false],
    ["another take", file(0.2, { startedAtS: 60 }), true],
  ])("%s is refused: it would play wrong", async (_, other, isTime) => {
    const refused = await polyFile([file(0.2), other], ["a", "b"]).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(RecordingRefusal);
    expect((refused as RecordingRefusal).says).toEqual({ code: "refused.tracksDiffer", isTime });
  });

  test("one track is not split, and more than 64 are not joined", async () => {
    await expect(monoFiles(file(0.2))).rejects.toMatchObject({ says: { code: "refused.oneTrack" } });
    const many = Array.from({ length: 65 }, () => file(0.01));
    await expect(polyFile(many, [])).rejects.toMatchObject({ says: { code: "refused.manyChannels", channels: 65 } });
  });

  test("a file that passes 4 GB gets the wide size", async () => {
    // Only the head is made: a source that says it is that long, without being read.
    const small = toWav([tone(400, 0.01)], { sampleRateHz: RATE, bits: 24 });
    const frames = 800_000_000;
    const data = frames * 3;
    const patched = Uint8Array.from(small.subarray(0, 44));
    new DataView(patched.buffer).setUint32(40, data, true);
    const source = {
      sizeBytes: 44 + data,
      read: (offset: number, length: number) => Promise.resolve(patched.subarray(offset, offset + length)),
    };
    const { head } = await polyFile([source, source], ["a", "b"]);
    expect(String.fromCharCode(...head.subarray(0, 4))).toBe("RF64");
    const view = new DataView(head.buffer);
    expect(view.getBigUint64(28, true)).toBe(BigInt(data * 2));
    expect(view.getBigUint64(36, true)).toBe(BigInt(frames));
  });
});
