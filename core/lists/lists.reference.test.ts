import fc from "fast-check";
import * as Type from "@sinclair/typebox";
import Ajv from "ajv";
import Timecode from "smpte-timecode";
import { type CutList, cutEdlOf, cutOtioOf, edlOf, otioOf, type SoundCut } from ".";

const LIST: CutList = {
  title: "Slack Water, day 1",
  frameRate: 25,
  isDrop: false,
  pictures: [
    {
      name: "C01.mp4",
      seconds: 10,
      startS: null,
      sounds: [
        { name: "T01.wav", seconds: 60, sampleRateHz: 48_000, startS: 36_000, offsetS: 2.5, driftPpm: 3.21 },
        { name: "T02.wav", seconds: 60, sampleRateHz: 48_000, startS: null, offsetS: -4, driftPpm: null },
      ],
    },
    { name: "C02 – close.mov", seconds: 4, startS: 36_100, sounds: [] },
    {
      name: "C02_close.mov",
      seconds: 8,
      startS: null,
      sounds: [{ name: "T01.wav", seconds: 60, sampleRateHz: 48_000, startS: 36_000, offsetS: 30.04, driftPpm: null }],
    },
  ],
};

interface EdlEvent {
  number: number;
  reel: string;
  channel: string;
  times: string[];
  comments: string[];
}

/** Reads the line format as its columns are described: number, reel, channel, transition, four timecodes; comments with a star. */
function readEdl(text: string): { title: string; fcm: string; events: EdlEvent[] } {
  const lines = text.split("\r\n");
  expect(lines.pop()).toBe("");
  const [, title] = /^TITLE: (.+)$/.exec(lines[0]!)!;
  const [, fcm] = /^FCM: (DROP FRAME|NON-DROP FRAME)$/.exec(lines[1]!)!;
  const events: EdlEvent[] = [];
  for (const line of lines.slice(2).filter(Boolean)) {
    expect(line).toMatch(/^[\u0020-\uffff]*$/);
    if (line.startsWith("* ")) {
      events.at(-1)!.comments.push(line.slice(2));
      continue;
    }
    const parts = /^(\d{3})  ([A-Z0-9 ]{8}) ([VA]) {5}C {8}((?:\d\d[:;]\d\d[:;]\d\d[:;]\d\d ?){4})$/.exec(line)!;
    events.push({
      ...{ number: Number(parts[1]), reel: parts[2]!.trim(), channel: parts[3]!, comments: [] },
      times: parts[4]!.split(" "),
    });
  }
  return { title: title!, fcm: fcm!, events };
}

const RATES = [24, 25, 29.97, 30, 50, 59.94] as const;

test("the line format (CMX 3600, columns from memory): events in order, lengths alike on both sides", () => {
  const { title, fcm, events } = readEdl(edlOf(LIST));
  expect([title, fcm]).toEqual(["Slack Water, day 1", "NON-DROP FRAME"]);
  expect(events.map(({ number, reel, channel, times }) => [number, reel, channel, ...times])).toEqual([
    [1, "C01", "V", "00:00:00:00", "00:00:10:00", "01:00:00:00", "01:00:10:00"],
    [2, "T01", "A", "10:00:02:13", "10:00:12:13", "01:00:00:00", "01:00:10:00"],
    [3, "T02", "A", "00:00:00:00", "00:00:06:00", "01:00:04:00", "01:00:10:00"],
    [4, "C02CLOSE", "V", "10:01:40:00", "10:01:44:00", "01:00:10:00", "01:00:14:00"],
    [5, "C02CLOS2", "V", "00:00:00:00", "00:00:08:00", "01:00:14:00", "01:00:22:00"],
    [6, "T01", "A", "10:00:30:01", "10:00:38:01", "01:00:14:00", "01:00:22:00"],
  ]);
  expect(events[1]!.comments).toEqual([
    "FROM CLIP NAME: T01.wav",
    "SOUND OFFSET: 120000 SAMPLES AT 48000 HZ",
    "SOUND DRIFT: 3.21 PPM",
  ]);
});

test("no name and no title breaks out of its line", () => {
  const wild = {
    ...LIST,
    title: "a\nFCM: DROP FRAME",
    pictures: [{ ...LIST.pictures[0]!, name: "x\r\n001  Y\t.mov" }],
  };
  const { title, events } = readEdl(edlOf(wild));
  expect(title).toBe("a FCM: DROP FRAME");
  expect(events).toHaveLength(3);
});

test.each(RATES)("timecodes at %s are an npm timecode package's own (smpte-timecode)", (frameRate) => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 3000, noNaN: true }), fc.boolean(), (seconds, isDrop) => {
      const picture = { name: "A.mov", seconds, startS: null, sounds: [] };
      const { events } = readEdl(edlOf({ title: "x", frameRate, isDrop, pictures: [picture, picture] }));
      const drops = isDrop && (frameRate === 29.97 || frameRate === 59.94);
      const of = (text: string) => new Timecode(text, frameRate, drops).frameCount;
      const [one, two] = events.map(({ times }) => times.map(of));
      const exact = Number.isInteger(frameRate) ? frameRate : (Math.round(frameRate) * 1000) / 1001;
      expect(one![1]! - one![0]!).toBe(Math.max(1, Math.round(seconds * exact)));
      expect(one![3]! - one![2]!).toBe(one![1]! - one![0]!);
      // One picture after the other, from one o'clock on.
      expect(events[0]!.times[2]).toMatch(/^01:00:00[:;]00$/);
      expect(two![2]).toBe(one![3]);
    }),
    { numRuns: 40, seed: 7 },
  );
});

const RationalTime = Type.Object(
  { OTIO_SCHEMA: Type.Literal("RationalTime.1"), value: Type.Number(), rate: Type.Number({ exclusiveMinimum: 0 }) },
  { additionalProperties: false },
);
const TimeRange = Type.Object(
  { OTIO_SCHEMA: Type.Literal("TimeRange.1"), start_time: RationalTime, duration: RationalTime },
  { additionalProperties: false },
);
const item = {
  ...{ name: Type.String(), effects: Type.Array(Type.Any()), markers: Type.Array(Type.Any()) },
  ...{ enabled: Type.Boolean(), metadata: Type.Object({}) },
};
const Marker = Type.Object(
  {
    ...{ OTIO_SCHEMA: Type.Literal("Marker.2"), name: Type.String(), marked_range: TimeRange },
    ...{ color: Type.String(), comment: Type.String(), metadata: Type.Object({}) },
  },
  { additionalProperties: false },
);
const Clip = Type.Object({
  ...{ OTIO_SCHEMA: Type.Literal("Clip.2"), ...item, source_range: TimeRange, markers: Type.Array(Marker) },
  media_references: Type.Object({
    DEFAULT_MEDIA: Type.Object({
      ...{ OTIO_SCHEMA: Type.Literal("ExternalReference.1"), target_url: Type.String(), available_range: TimeRange },
    }),
  }),
  active_media_reference_key: Type.Literal("DEFAULT_MEDIA"),
});
const Gap = Type.Object({ OTIO_SCHEMA: Type.Literal("Gap.1"), ...item, source_range: TimeRange });
const Track = Type.Object({
  ...{ OTIO_SCHEMA: Type.Literal("Track.1"), ...item, source_range: Type.Null() },
  ...{
    kind: Type.Union([Type.Literal("Video"), Type.Literal("Audio")]),
    children: Type.Array(Type.Union([Clip, Gap])),
  },
});
const Timeline = Type.Object({
  ...{ OTIO_SCHEMA: Type.Literal("Timeline.1"), name: Type.String(), metadata: Type.Object({}) },
  ...{ global_start_time: RationalTime },
  tracks: Type.Object({
    ...{ OTIO_SCHEMA: Type.Literal("Stack.1"), ...item, source_range: Type.Null(), children: Type.Array(Track) },
  }),
});
type Document = Type.Static<typeof Timeline>;

const readOtio = (list: CutList): Document => readDocument(otioOf(list));

function readDocument(text: string): Document {
  const document = JSON.parse(text) as Document;
  const validate = new Ajv({ strict: false }).compile(Timeline);
  expect([validate(document), validate.errors]).toEqual([true, null]);
  return document;
}
const secondsOf = ({ value, rate }: { value: number; rate: number }) => value / rate;

test("the document keeps to the schemas as they are publicly described (from memory)", () => {
  const { tracks } = readOtio(LIST);
  expect(tracks.children.map(({ name, kind }) => [name, kind])).toEqual([
    ["Picture", "Video"],
    ["Sound 1", "Audio"],
    ["Sound 2", "Audio"],
  ]);
  const [, first] = tracks.children;
  expect(
    first!.children.map(({ OTIO_SCHEMA, source_range }) => [OTIO_SCHEMA, secondsOf(source_range.duration)]),
  ).toEqual([
    ["Clip.2", 10],
    ["Gap.1", 4],
    ["Clip.2", 8],
  ]);
  expect(first!.children[0]!.source_range.start_time).toEqual({
    ...{ OTIO_SCHEMA: "RationalTime.1", rate: 48_000, value: (36_000 + 2.5) * 48_000 },
  });
});

test("whatever a day is, each sound lies under its picture to the sample, and inside its file (property)", () => {
  const sound = fc.record({
    ...{ name: fc.string(), seconds: fc.double({ min: 5, max: 500, noNaN: true }), startS: fc.constant(null) },
    ...{ sampleRateHz: fc.constantFrom(44_100, 48_000), offsetS: fc.double({ min: -4, max: 4, noNaN: true }) },
    driftPpm: fc.constant(null),
  });
  const picture = fc.record({
    ...{ name: fc.string(), seconds: fc.double({ min: 5, max: 500, noNaN: true }), startS: fc.constant(null) },
    sounds: fc.array(sound, { maxLength: 2 }),
  });
  fc.assert(
    fc.property(fc.array(picture, { maxLength: 5 }), fc.constantFrom(...RATES), (pictures, frameRate) => {
      const { tracks } = readOtio({ title: "any", frameRate, isDrop: false, pictures });
      const shots = tracks.children[0]!.children;
      const begins = shots.map((_, at) =>
        shots.slice(0, at).reduce((sum, { source_range }) => sum + secondsOf(source_range.duration), 0),
      );
      for (const [lane, { children }] of tracks.children.slice(1).entries()) {
        const expected = pictures.flatMap(({ sounds }, at) => (sounds[lane] ? [{ at, sound: sounds[lane] }] : []));
        let atS = 0;
        let clips = 0;
        for (const each of children) {
          if (each.OTIO_SCHEMA === "Clip.2") {
            const { at, sound: own } = expected[clips]!;
            clips += 1;
            const { start_time, duration } = each.source_range;
            // Where it lies less where it comes from is the picture's beginning less the offset.
            expect(Math.abs(atS - secondsOf(start_time) - (begins[at]! - own.offsetS))).toBeLessThan(2 / 44_100);
            expect(start_time.value).toBeGreaterThanOrEqual(0);
            expect(start_time.value + duration.value).toBeLessThanOrEqual(
              Math.round(own.seconds * own.sampleRateHz) + 1,
            );
          }
          atS += secondsOf(each.source_range.duration);
        }
        expect(clips).toBe(expected.length);
      }
    }),
    { numRuns: 100, seed: 3 },
  );
});

test("marks of a picture stand in both lists, at their times", () => {
  const [first, ...rest] = LIST.pictures;
  const list = { ...LIST, pictures: [{ ...first!, startS: 50, marks: [{ atS: 4.2, label: "aircraft" }] }, ...rest] };
  const { events } = readEdl(edlOf(list));
  expect(events[0]!.comments).toEqual(["FROM CLIP NAME: C01.mp4", "MARK 01:00:04:05: aircraft"]);
  const [clip] = readOtio(list).tracks.children[0]!.children;
  const { markers } = clip as Type.Static<typeof Clip>;
  expect(markers.map(({ name, marked_range }) => [name, secondsOf(marked_range.start_time)])).toEqual([
    ["aircraft", 54.2],
  ]);
});

describe("a cut of one recording", () => {
  const cut = (segments: SoundCut["segments"], frameRate = 25): SoundCut => ({
    ...{ title: "T01", frameRate, isDrop: frameRate === 29.97, name: "T01.wav", startS: 36_000 },
    ...{ sampleRateHz: 48_000, frames: 48_000 * 600, segments },
  });

  test("is an event for each stretch, with its samples; room tone says so", () => {
    const { events } = readEdl(
      cutEdlOf(
        cut([
          { from: 48_000, to: 96_000, isTone: false },
          { from: 480_000, to: 492_000, isTone: true },
        ]),
      ),
    );
    expect(events.map(({ reel, channel, times }) => [reel, channel, ...times])).toEqual([
      ["T01", "A", "10:00:01:00", "10:00:02:00", "01:00:00:00", "01:00:01:00"],
      ["T01", "A", "10:00:10:00", "10:00:10:06", "01:00:01:00", "01:00:01:06"],
    ]);
    expect(events[1]!.comments).toEqual([
      "FROM CLIP NAME: T01.wav",
      "SOURCE SAMPLES: 480000 TO 492000 AT 48000 HZ",
      "ROOM TONE",
    ]);
  });

  test("leaves no gap and no overlap in frames, and is exact in samples, whatever it is (property; smpte-timecode)", () => {
    const segment = fc
      .tuple(fc.integer({ min: 0, max: 48_000 * 500 }), fc.integer({ min: 600, max: 48_000 * 20 }), fc.boolean())
      .map(([from, length, isTone]) => ({ from, to: from + length, isTone }));
    fc.assert(
      fc.property(fc.array(segment, { minLength: 1, maxLength: 12 }), fc.constantFrom(...RATES), (segments, rate) => {
        const own = cut(segments, rate);
        const { events } = readEdl(cutEdlOf(own));
        const frame = (code: string) => Timecode(code, rate, code.includes(";")).frameCount;
        events.slice(1).forEach(({ times }, at) => expect(times[2]).toBe(events[at]!.times[3]));
        const total = segments.reduce((sum, { from, to }) => sum + to - from, 0);
        const exact = Number.isInteger(rate) ? rate : (Math.round(rate) * 1000) / 1001;
        if (events.length > 0)
          expect(frame(events.at(-1)!.times[3]!) - frame(events[0]!.times[2]!)).toBe(
            Math.round((total * exact) / 48_000),
          );
        const { tracks } = readDocument(cutOtioOf(own));
        const clips = tracks.children[0]!.children;
        expect(clips.map(({ source_range }) => [source_range.start_time.value, source_range.duration.value])).toEqual(
          segments.map(({ from, to }) => [36_000 * 48_000 + from, to - from]),
        );
      }),
      { numRuns: 60, seed: 12 },
    );
  });
});
