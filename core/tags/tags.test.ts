import { createHash } from "node:crypto";
import fc from "fast-check";
import { WaveFile } from "../../fixtures/wavefile";
import { sine } from "../../fixtures/testSignals";
import { bytesSource, readWavHeader, RecordingRefusal, toWav } from "../audio";
import type { Marker } from "./cueMarkers";
import { type IxmlFacts, rateRatio, readIxml } from "./ixml";
import { readTags, taggedCopy, type TaggedCopy } from "./taggedCopy";

const RATE = 48000;
const tone = (frequencyHz: number, levelDbfs: number, seconds: number) =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: RATE });
const copyWith = (wav: Uint8Array, markers: readonly Marker[]) => taggedCopy(bytesSource(wav), { markers });
/** A hash of the sound of a file of 24-bit mono with a plain header. */
const soundOf = (wav: Uint8Array): string => {
  const at = Buffer.from(wav).indexOf("data") + 8;
  const bytes = new DataView(wav.buffer, wav.byteOffset).getUint32(at - 4, true);
  return createHash("sha256")
    .update(wav.subarray(at, at + bytes))
    .digest("hex");
};

/** The copy as the browser puts it together. */
function applied(wav: Uint8Array, { keepBytes, patches, tail }: TaggedCopy): Uint8Array {
  const copy = new Uint8Array(keepBytes + tail.length);
  copy.set(wav.subarray(0, keepBytes));
  for (const { offset, bytes } of patches) copy.set(bytes, offset);
  copy.set(tail, keepBytes);
  return copy;
}

describe("a copy with markers", () => {
  const markers: Marker[] = [
    { atFrame: 480, frames: 960, label: "Rustle, track 1" },
    { atFrame: 24000, frames: 0, label: "Knocks − “ü”" },
  ];
  const cuesIn = (wav: Uint8Array) => {
    const file = new WaveFile(wav);
    return file.listCuePoints() as { position: number; end?: number; label: string }[];
  };

  test("has its cue points and labels by another reader, and the same sound", async () => {
    const wav = toWav([tone(440, -12, 1)], { sampleRateHz: RATE, bits: 24 });
    const copy = applied(wav, await copyWith(wav, markers));
    // The package gives positions in milliseconds.
    expect(cuesIn(copy).map(({ position, label }) => [Math.round(position), label])).toEqual([
      [10, "Rustle, track 1"],
      [500, 'Knocks - "u"'.replaceAll('"', "")],
    ]);
    expect(soundOf(copy)).toEqual(soundOf(wav));
    expect((await readWavHeader(bytesSource(copy))).frames).toBe(RATE);
    expect(new DataView(copy.buffer).getUint32(4, true)).toBe(copy.length - 8);
  });

  test("keeps earlier cue points, also in a copy of a copy", async () => {
    const file = new WaveFile(toWav([tone(440, -12, 1)], { sampleRateHz: RATE, bits: 24 }));
    file.setCuePoint({ position: 250, label: "slate" });
    const first = file.toBuffer();
    const copy = applied(first, await copyWith(first, markers));
    expect(
      cuesIn(copy)
        .map(({ position }) => Math.round(position))
        .sort((a, b) => a - b),
    ).toEqual([10, 250, 500]);
    const again = applied(copy, await copyWith(copy, [{ atFrame: 4800, frames: 0, label: "more" }]));
    expect(cuesIn(again)).toHaveLength(4);
  });

  test("an odd number of bytes of sound is padded first", async () => {
    const wav = toWav([tone(440, -12, 0.001).slice(0, 47)], { sampleRateHz: RATE, bits: 24 });
    const copy = applied(wav, await copyWith(wav, [{ atFrame: 3, frames: 0, label: "x" }]));
    expect(copy.length % 2).toBe(0);
    expect(cuesIn(copy)).toHaveLength(1);
  });

  test("a wide file's size stands in its own chunk", async () => {
    const wav = toWav([tone(440, -12, 0.1)], { sampleRateHz: RATE, bits: 16 });
    const wide = new Uint8Array(wav.length + 36);
    wide.set(wav.subarray(0, 12));
    wide.set(
      [..."RF64"].map((letter) => letter.charCodeAt(0)),
      0,
    );
    wide.set(
      [..."ds64"].map((letter) => letter.charCodeAt(0)),
      12,
    );
    const view = new DataView(wide.buffer);
    view.setUint32(4, 0xffffffff, true);
    view.setUint32(16, 28, true);
    view.setUint32(28, wav.length - 44, true);
    wide.set(wav.subarray(12), 48);
    view.setUint32(48 + 28, 0xffffffff, true);
    const copy = applied(wide, await copyWith(wide, markers.slice(0, 1)));
    expect(new DataView(copy.buffer).getUint32(20, true)).toBe(copy.length - 8);
    expect(new DataView(copy.buffer).getUint32(4, true)).toBe(0xffffffff);
    expect((await readWavHeader(bytesSource(copy))).frames).toBe(4800);
  });

  test("what is cut short or would pass 4 GB is refused in words", async () => {
    const wav = toWav([tone(440, -12, 1)], { sampleRateHz: RATE, bits: 24 });
    await expect(copyWith(wav.subarray(0, 9000), markers)).rejects.toThrow("refused.truncated");
    const big = wav.slice(0, 44);
    new DataView(big.buffer).setUint32(40, 0xffffffff - 44 - 80, true);
    await expect(
      taggedCopy(
        { sizeBytes: 0xffffffff, read: (offset, length) => Promise.resolve(big.slice(offset, offset + length)) },
        { markers },
      ),
    ).rejects.toThrow(RecordingRefusal);
  });
});

const FACTS: IxmlFacts = {
  ...{ project: "Slack Water", scene: "Interview <1> & more", take: "3", tape: "D1", note: "Möwe über „Mühle“ 🎬" },
  ...{ isCircled: true, isNoGood: false, isFalseStart: false, isWild: false },
  tracks: [
    { channel: 1, name: "Tam" },
    { channel: 2, name: "Boom" },
  ],
  ...{ frameRate: rateRatio(25), isDrop: false },
};
const BEXT = {
  ...{ description: "sSCENE=1", originator: "Hypophon", reference: "0123", date: "2027-05-11", time: "09:31:07" },
  timeReference: 34_267 * RATE,
};
const copied = async (wav: Uint8Array, tags: Parameters<typeof taggedCopy>[1]) =>
  applied(wav, await taggedCopy(bytesSource(wav), tags));

describe("a copy with words", () => {
  const wav = toWav([tone(440, -12, 1)], { sampleRateHz: RATE, bits: 24 });

  test("gives back what was written, and the same sound", async () => {
    const copy = await copied(wav, { bext: BEXT, ixml: FACTS, markers: [{ atFrame: 480, frames: 0, label: "clap" }] });
    const { bext, ixml, markers } = await readTags(bytesSource(copy));
    expect(bext).toEqual({ ...BEXT, history: "" });
    expect(ixml).toEqual(FACTS);
    expect(markers).toEqual([{ atFrame: 480, frames: 0, label: "clap" }]);
    expect(soundOf(copy)).toBe(soundOf(wav));
    expect((await readWavHeader(bytesSource(copy))).timeReference).toBe(BEXT.timeReference);
  });

  test("a second copy says each thing once, and keeps what others wrote", async () => {
    const first = await copied(wav, { bext: { ...BEXT, description: "of another" }, ixml: FACTS });
    // An element of another program, in place of one of the same length.
    const theirs = Buffer.from(first);
    const at = theirs.indexOf("<TAPE>D1</TAPE>");
    theirs.write("<UBIT>42</UBIT>", at, "latin1");
    const second = await copied(new Uint8Array(theirs), {
      bext: { description: "ours" },
      ixml: { ...FACTS, take: "4" },
    });
    const { bext, ixml } = await readTags(bytesSource(second));
    expect([bext!.description, bext!.originator, ixml!.take]).toEqual(["ours", "Hypophon", "4"]);
    expect(Buffer.from(second).toString("latin1").match(/JUNK/g)).toHaveLength(1);
    expect(Buffer.from(second).toString("latin1")).toContain("<UBIT>42</UBIT>");
    expect(soundOf(second)).toBe(soundOf(wav));
  });

  test("room that a recorder left before the sound takes the broadcast chunk", async () => {
    const room = 900;
    const roomy = new Uint8Array(wav.length + 8 + room);
    roomy.set(wav.subarray(0, 12));
    roomy.set([...Buffer.from("JUNK")], 12);
    new DataView(roomy.buffer).setUint32(16, room, true);
    roomy.set(wav.subarray(12), 20 + room);
    new DataView(roomy.buffer).setUint32(4, roomy.length - 8, true);
    const copy = await copied(roomy, { bext: BEXT });
    expect(copy.length).toBe(roomy.length);
    expect(Buffer.from(copy).indexOf("bext")).toBeLessThan(Buffer.from(copy).indexOf("data"));
    expect((await readTags(bytesSource(copy))).bext!.date).toBe("2027-05-11");
    expect(soundOf(copy)).toBe(soundOf(roomy));
  });

  test("any text comes back whole, or without what no XML holds (property)", async () => {
    await fc.assert(
      fc.asyncProperty(fc.string({ unit: "grapheme", maxLength: 60 }), async (note) => {
        const copy = await copied(wav.subarray(0, 44 + 48), {
          ixml: { ...FACTS, note, scene: note },
        }).catch(() => null);
        if (!copy) return;
        const { ixml } = await readTags(bytesSource(copy));
        expect(ixml!.note).toBe(note.trim());
      }),
      { numRuns: 60 },
    );
  });

  test("iXML that brings entities of its own, or is none, is not read", async () => {
    expect(readIxml('<!DOCTYPE a [<!ENTITY x "y">]><BWFXML><NOTE>&x;</NOTE></BWFXML>')).toBeNull();
    expect(readIxml("no xml")).toBeNull();
    expect(readIxml("<OTHER/>")).toBeNull();
    expect(readIxml(`<BWFXML>${"<A>".repeat(5000)}`)).toBeDefined();
  });

  test("frame rates are ratios", () => {
    expect([23.976, 24, 25, 29.97, 59.94].map(rateRatio)).toEqual([
      "24000/1001",
      "24/1",
      "25/1",
      "30000/1001",
      "60000/1001",
    ]);
  });
});
