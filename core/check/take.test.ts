import { type ByteSource, bytesSource, firstLook, readWavHeader, shapeBetween, spectrumBetween, toWav } from "../audio";
import { mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { joinCourse } from "./course";
import { measureWav } from "./measureWav";
import type { CoursePoint, Finding } from "./measurement";
import { reviewOf, standing, withoutReview, withReview, type Review } from "./review";

const RATE = 48000;
const tone = (frequencyHz: number, levelDbfs: number, seconds: number) =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: RATE });

async function opened(wav: Uint8Array) {
  const source = bytesSource(wav);
  return { source, header: await readWavHeader(source) };
}

describe("looking at a take", () => {
  const silence = new Float32Array(RATE);
  const samples = Float32Array.from([...silence, ...tone(1000, -6, 1), ...silence]);
  const wav = toWav([silence.slice(0, samples.length), samples], { sampleRateHz: RATE, bits: 24 });

  test("a first look shows where the sound is, on its channel", async () => {
    const { source, header } = await opened(
      toWav([new Float32Array(samples.length), samples], { sampleRateHz: RATE, bits: 24 }),
    );
    const [left, right] = await firstLook(source, header, 60);
    expect(Math.max(...left!.high)).toBe(0);
    expect(right!.high[5]).toBe(0);
    expect(right!.high[30]).toBeCloseTo(0.5012, 2);
    expect(right!.low[30]).toBeCloseTo(-0.5012, 2);
    expect(right!.high[55]).toBe(0);
  });

  test("a stretch is exact down to single samples", async () => {
    const { source, header } = await opened(toWav([samples], { sampleRateHz: RATE, bits: 24 }));
    const shape = await shapeBetween(source, header, 0, { from: RATE + 10, frames: 20 }, 20);
    shape.low.forEach((value, index) => expect(value).toBeCloseTo(samples[RATE + 10 + index]!, 5));
    expect([...shape.high]).toEqual([...shape.low]);
    const wide = await shapeBetween(source, header, 0, { from: 0, frames: samples.length }, 3);
    expect([...wide.high].map((value) => Number(value.toFixed(3)))).toEqual([0, 0.501, 0]);
  });

  test("a stretch beyond the end is cut, more columns than samples repeat the one before", async () => {
    const { source, header } = await opened(wav);
    const shape = await shapeBetween(source, header, 0, { from: header.frames - 5, frames: 100 }, 20);
    expect(shape.frames).toBe(5);
    expect([...shape.low].every(Number.isFinite)).toBe(true);
  });

  test("a line of a spectrum stands in the row of its frequency, at its level", async () => {
    const loud = mixed(tone(1000, -20, 2), tone(8000, -40, 2));
    const { source, header } = await opened(toWav([loud], { sampleRateHz: RATE, bits: 24 }));
    const rows = 120;
    const { levels, lowestHz, highestHz } = await spectrumBetween(
      source,
      header,
      0,
      { from: 0, frames: loud.length },
      10,
      rows,
    );
    const rowOf = (hz: number) => Math.floor((rows * Math.log(hz / lowestHz)) / Math.log(highestHz / lowestHz));
    const dbAt = (row: number) => (levels[5 * rows + row]! / 255) * 110 - 110;
    const near = (hz: number) => Math.max(...[-1, 0, 1].map((by) => dbAt(rowOf(hz) + by)));
    expect(near(1000)).toBeGreaterThan(-21.5);
    expect(near(1000)).toBeLessThan(-19.5);
    expect(near(8000)).toBeGreaterThan(-42);
    expect(near(3000)).toBeLessThan(-95);
  });

  test("a very long stretch is probed, not read whole", async () => {
    const bytesRead: number[] = [];
    const { source, header } = await opened(toWav([whiteNoise(3, -20, RATE * 120)], { sampleRateHz: RATE, bits: 24 }));
    const counting: ByteSource = {
      sizeBytes: source.sizeBytes,
      read: (offset, length) => {
        bytesRead.push(length);
        return source.read(offset, length);
      },
    };
    const shape = await shapeBetween(counting, header, 0, { from: 0, frames: header.frames }, 100);
    expect(bytesRead.reduce((sum, count) => sum + count, 0)).toBeLessThan(200_000);
    expect(Math.min(...shape.high)).toBeGreaterThan(0.1);
  });
});

describe("files that are not what they were", () => {
  const RATE_16 = { sampleRateHz: RATE, bits: 16 } as const;
  const wav = toWav([mixed(tone(440, -12, 40), whiteNoise(5, -50, RATE * 40))], RATE_16);
  /** Reads as long as something holds; then does something else. */
  const until = (holds: (offset: number) => boolean, then: () => Promise<Uint8Array>): ByteSource => {
    const source = bytesSource(wav);
    return {
      sizeBytes: source.sizeBytes,
      read: (offset, length) => (holds(offset) ? source.read(offset, length) : then()),
    };
  };

  test("one that shrinks while it is read is measured as far as it goes, and says so", async () => {
    const { measurement } = await measureWav(
      until(
        (offset) => offset < 2e6,
        () => Promise.resolve(new Uint8Array(0)),
      ),
      "shrinks.wav",
    );
    expect(measurement.format.durationS).toBeGreaterThan(15);
    expect(measurement.format.durationS).toBeLessThan(40);
    expect(measurement.findings.map(({ kind }) => kind)).toContain("cutShort");
  });

  test("a card that is pulled ends this file in an error, and spoils nothing of the next", async () => {
    const whole = (await measureWav(bytesSource(wav), "a.wav")).measurement;
    await expect(
      measureWav(
        until(
          (offset) => offset < 2e6,
          () => Promise.reject(new Error("gone")),
        ),
        "pulled.wav",
      ),
    ).rejects.toThrow("gone");
    expect((await measureWav(bytesSource(wav), "a.wav")).measurement).toEqual(whole);
    // A quieter one after it has peaks of its own.
    const quiet = toWav([tone(440, -30, 2)], RATE_16);
    const { channels } = (await measureWav(bytesSource(quiet), "b.wav")).measurement;
    expect(channels[0]!.truePeakDbtp).toBeCloseTo(-30, 1);
  });

  test("reading is held up until it may go on", async () => {
    let release = (): void => undefined;
    const held = new Promise<void>((resolve) => (release = resolve));
    let reads = 0;
    const source: ByteSource = {
      sizeBytes: wav.length,
      read: (offset, length) => {
        reads += 1;
        return bytesSource(wav).read(offset, length);
      },
    };
    const measured = measureWav(source, "a.wav", { holdUp: () => held });
    await new Promise((resolve) => setTimeout(resolve, 300));
    const before = reads;
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(reads).toBe(before);
    release();
    expect((await measured).measurement.format.durationS).toBeCloseTo(40, 3);
  });

  test("64 tracks of 12 hours in RF64: 400 GB are looked at where one looks, and nothing else is read", async () => {
    const frames = 12 * 3600 * RATE;
    const channels = 64;
    const head = toWav(
      Array.from({ length: channels }, () => new Float32Array(1)),
      { sampleRateHz: RATE, bits: 24 },
    ).slice(0, 44);
    const wide = new Uint8Array(80);
    wide.set(head.subarray(0, 12));
    wide.set(head.subarray(12), 48);
    const write = (at: number, text: string) =>
      wide.set(
        [...text].map((letter) => letter.charCodeAt(0)),
        at,
      );
    write(0, "RF64");
    write(12, "ds64");
    const view = new DataView(wide.buffer);
    view.setUint32(16, 28, true);
    view.setBigUint64(28, BigInt(frames) * BigInt(channels * 3), true);
    view.setUint32(76, 0xffffffff, true);
    let bytesRead = 0;
    const source: ByteSource = {
      sizeBytes: 80 + frames * channels * 3,
      read: (offset, length) => {
        bytesRead += length;
        const bytes = new Uint8Array(length);
        if (offset < 80) bytes.set(wide.subarray(offset, offset + length));
        // The last track has its highest bytes set in the last fifth.
        else if (offset > 0.8 * frames * channels * 3)
          for (let at = (channels - 1) * 3 + 2; at < length; at += channels * 3) bytes[at] = 0x40;
        return Promise.resolve(bytes);
      },
    };
    const header = await readWavHeader(source);
    expect(header.frames).toBe(frames);
    const shapes = await firstLook(source, header, 100);
    expect(shapes[63]!.high[20]).toBe(0);
    expect(shapes[63]!.high[95]).toBeCloseTo(0.5, 6);
    const close = await shapeBetween(source, header, 63, { from: frames - 1000, frames: 1000 }, 100);
    expect(close.low[99]).toBeCloseTo(0.5, 6);
    expect(bytesRead).toBeLessThan(30e6);
  });
});

describe("reviews", () => {
  const found = (startS: number, kind: Finding["kind"] = "rustle"): Finding => ({
    kind,
    channel: 0,
    startS,
    endS: startS + 1,
    severity: "warning",
    confidence: 0.8,
  });
  const review = (startS: number | null, decision: Review["decision"], note = ""): Review => ({
    kind: "rustle",
    channel: 0,
    startS,
    decision,
    note,
  });

  test("a place's own review goes before that of its kind", () => {
    const reviews = [review(null, "dismissed"), review(4, "accepted", "heard")];
    expect(reviewOf(found(4), reviews)?.note).toBe("heard");
    expect(reviewOf(found(9), reviews)?.decision).toBe("dismissed");
    expect(reviewOf(found(4, "knock"), reviews)).toBeNull();
    expect(standing([found(4), found(9), found(9, "knock")], reviews).map(({ startS }) => startS)).toEqual([4, 9]);
  });

  test("saying it again replaces; of the kind as a whole replaces those of places", () => {
    const twice = withReview([review(4, "accepted")], review(4, "dismissed"));
    expect(twice).toHaveLength(1);
    expect(withReview([...twice, review(9, "accepted")], review(null, "accepted"))).toHaveLength(1);
    expect(withoutReview(twice, review(4, "accepted"))).toHaveLength(0);
    expect(withoutReview(twice, review(5, "accepted"))).toHaveLength(1);
  });
});

describe("course", () => {
  const point = (startS: number, speechDbfs: number | null, rustles = 0): CoursePoint => ({
    startS,
    speechDbfs,
    noiseDbfs: -60,
    rustles,
    dropouts: 0,
  });

  test("grows to a bound, then neighbours are joined and nothing is lost", () => {
    let course: CoursePoint[] = [];
    for (let at = 0; at < 1000; at += 1) course = joinCourse(course, [point(at * 10, at % 2 === 0 ? null : -30, 1)]);
    expect(course.length).toBeLessThanOrEqual(360);
    expect(course[0]).toMatchObject({ startS: 0, speechDbfs: -30 });
    expect(course.reduce((sum, { rustles }) => sum + rustles, 0)).toBe(1000);
  });
});
