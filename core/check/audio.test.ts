import fc from "fast-check";
import { runs } from "../../fixtures/runs";
import {
  bytesSource,
  clippingOf,
  fullScaleOf,
  isOverloadedEarlier,
  MeasurementCancelled,
  overviewBuilder,
  pieceMeter,
  readWavHeader,
  RecordingRefusal,
  toWav,
  type WavLayout,
} from "../audio";
import { measureWav } from "./measureWav";
import type { RecordingMeasurement } from "./measurement";
import { recordingMeter } from "./recordingMeter";
import { gated, joined, mixed, sine, whiteNoise } from "../../fixtures/testSignals";

const RATE = 48000;

async function measure(wav: Uint8Array): Promise<RecordingMeasurement> {
  return (await measureWav(bytesSource(wav), "test.wav")).measurement;
}

/** One channel through the engine in one piece. */
function metered(samples: Float32Array) {
  const meter = pieceMeter(
    { sampleRateHz: RATE, channels: 1, fullScale: 1 - 2 ** -23, encoding: "float", bytesPerSample: 4 },
    samples.length / RATE + 1,
  );
  meter.begin(0);
  for (let at = 0; at < samples.length; at += meter.blockFrames)
    meter.pushPlanes([samples], at, Math.min(meter.blockFrames, samples.length - at));
  return meter.finish().channels[0]!;
}

/** Kaiser-windowed sinc of 28 taps a phase by the textbook, every gap computed and none passed over. */
function unskippedPeak(samples: Float32Array): number {
  const bessel = (x: number) => {
    let [sum, term] = [1, 1];
    for (let k = 1; k < 40; k += 1) sum += term *= (x / 2 / k) ** 2;
    return sum;
  };
  const tap = (distance: number) =>
    (Math.sin(Math.PI * distance) / (Math.PI * distance)) *
    (bessel(5.5 * Math.sqrt(1 - (distance / 15) ** 2)) / bessel(5.5));
  const kernels = [0.25, 0.5, 0.75].map((share) => {
    const near = Array.from({ length: 14 }, (_, at) => tap(at + share));
    const far = Array.from({ length: 14 }, (_, at) => tap(at + 1 - share));
    const sum = [...near, ...far].reduce((total, each) => total + each, 0);
    return { near: near.map((each) => each / sum), far: far.map((each) => each / sum) };
  });
  const at = (index: number) => samples[index] ?? 0;
  let peak = 0;
  for (let gap = 0; gap < samples.length; gap += 1)
    for (const { near, far } of kernels) {
      let value = 0;
      for (let index = 0; index < 14; index += 1)
        value += near[index]! * at(gap - index) + far[index]! * at(gap + 1 + index);
      peak = Math.max(peak, Math.abs(at(gap)), Math.abs(value));
    }
  return peak;
}

const kinds = (measurement: RecordingMeasurement) => measurement.findings.map((finding) => finding.kind);

describe("formats", () => {
  const layouts: [string, WavLayout, number][] = [
    ["PCM 8", { sampleRateHz: RATE, bits: 8 }, 0.1],
    ["PCM 16", { sampleRateHz: RATE, bits: 16 }, 0.001],
    ["PCM 24", { sampleRateHz: RATE, bits: 24 }, 0.0001],
    ["PCM 32", { sampleRateHz: RATE, bits: 32 }, 0.0001],
    ["float 32", { sampleRateHz: RATE, bits: 32, isFloat: true }, 0.0001],
    ["float 64", { sampleRateHz: RATE, bits: 64, isFloat: true }, 0.0001],
  ];

  test.each(layouts)("%s: a −12 dBFS sine reads −12 dBFS, and its RMS too", async (_, layout, toleranceDb) => {
    const tone = sine({ frequencyHz: 997, levelDbfs: -12, seconds: 1, sampleRateHz: RATE });
    const { channels, format } = await measure(toWav([tone, tone], layout));
    expect(format).toMatchObject({ channels: 2, bitsPerSample: layout.bits, durationS: 1, sampleRateHz: RATE });
    for (const channel of channels) {
      expect(Math.abs(channel.samplePeakDbfs! + 12)).toBeLessThan(toleranceDb + 0.01);
      expect(Math.abs(channel.rmsDbfs! + 12)).toBeLessThan(toleranceDb + 0.01);
    }
  });

  test.each([8000, 11025, 22050, 44100, 96000, 192000])("%d Hz is measured alike", async (sampleRateHz) => {
    const tone = sine({ frequencyHz: 997, levelDbfs: -20, seconds: 2, sampleRateHz });
    const { channels } = await measure(toWav([tone], { sampleRateHz, bits: 24 }));
    expect(channels[0]!.truePeakDbtp!).toBeCloseTo(-20, 1);
    expect(channels[0]!.integratedLufs!).toBeCloseTo(-23, 1);
  });

  test("32 channels keep their own figures; overall loudness is null beyond stereo", async () => {
    const planes = Array.from({ length: 32 }, (_, index) =>
      sine({ frequencyHz: 440, levelDbfs: -10 - index, seconds: 0.5, sampleRateHz: RATE }),
    );
    const { channels, overall } = await measure(toWav(planes, { sampleRateHz: RATE, bits: 24 }));
    channels.forEach((channel, index) => expect(channel.samplePeakDbfs!).toBeCloseTo(-10 - index, 1));
    expect(overall).toMatchObject({ integratedLufs: null, loudnessRangeLu: null });
    expect(channels[3]!.integratedLufs).not.toBeNull();
  });

  test("WAVE_FORMAT_EXTENSIBLE with 20 valid bits in 24", async () => {
    const plain = toWav([sine({ frequencyHz: 997, levelDbfs: -6, seconds: 0.2, sampleRateHz: RATE })], {
      sampleRateHz: RATE,
      bits: 24,
    });
    const wav = new Uint8Array(plain.length + 24);
    wav.set(plain.subarray(0, 36));
    wav.set(plain.subarray(36), 60);
    const view = new DataView(wav.buffer);
    view.setUint32(16, 40, true);
    view.setUint16(20, 0xfffe, true);
    view.setUint16(36, 22, true);
    view.setUint16(38, 20, true);
    view.setUint16(44, 1, true);
    wav.set([0, 0, 0, 0, 0x10, 0, 0x80, 0, 0, 0xaa, 0, 0x38, 0x9b, 0x71], 46);
    const { format, channels } = await measure(wav);
    expect(format).toMatchObject({ bitsPerSample: 20, encoding: "pcm" });
    expect(channels[0]!.samplePeakDbfs!).toBeCloseTo(-6, 1);
    // The same code with a foreign tail is another format.
    wav[59] = 0x70;
    await expect(measure(wav)).rejects.toThrow("refused.makersFormat");
  });
});

function withChunks(wav: Uint8Array, chunks: readonly [string, Uint8Array][], riffTag = "RIFF"): Uint8Array {
  const parts: number[] = [...riffTag].map((letter) => letter.charCodeAt(0));
  parts.push(...wav.subarray(4, 12));
  for (const [id, body] of chunks) {
    parts.push(...[...id].map((letter) => letter.charCodeAt(0)));
    parts.push(body.length & 255, (body.length >> 8) & 255, (body.length >> 16) & 255, 0, ...body);
    if (body.length % 2 === 1) parts.push(0);
  }
  return Uint8Array.from([...parts, ...wav.subarray(12)]);
}

describe("containers", () => {
  const tone = sine({ frequencyHz: 997, levelDbfs: -6, seconds: 0.1, sampleRateHz: RATE });
  const wav = toWav([tone], { sampleRateHz: RATE, bits: 16 });

  test("odd chunks with padding before the sound are stepped over", async () => {
    const header = await readWavHeader(
      bytesSource(
        withChunks(wav, [
          ["LIST", new Uint8Array(7)],
          ["junk", new Uint8Array(1)],
        ]),
      ),
    );
    expect(header.frames).toBe(4800);
  });

  test("a broadcast chunk gives its time reference", async () => {
    const bext = new Uint8Array(602);
    new DataView(bext.buffer).setUint32(338, 172_800_000, true);
    const header = await readWavHeader(bytesSource(withChunks(wav, [["bext", bext]])));
    expect(header.timeReference).toBe(172_800_000);
  });

  test.each(["RF64", "BW64"])("%s takes its size from ds64", async (riffTag) => {
    const ds64 = new Uint8Array(28);
    new DataView(ds64.buffer).setUint32(8, 9600, true);
    const wide = withChunks(wav, [["ds64", ds64]], riffTag);
    new DataView(wide.buffer).setUint32(12 + 8 + 28 + 24 + 4, 0xffffffff, true);
    const header = await readWavHeader(bytesSource(wide));
    expect(header).toMatchObject({ container: riffTag, frames: 4800, promisedFrames: null });
  });

  test.each([0, 0xffffffff])(
    "a recorder that never closed its header (data size %d) is read to the end",
    async (size) => {
      const open = Uint8Array.from(wav);
      new DataView(open.buffer).setUint32(40, size, true);
      expect((await measure(open)).format.durationS).toBeCloseTo(0.1, 6);
    },
  );
});

describe("bad input", () => {
  const good = toWav([sine({ frequencyHz: 997, levelDbfs: -6, seconds: 1, sampleRateHz: RATE })], {
    sampleRateHz: RATE,
    bits: 16,
  });
  const broken = (change: (view: DataView) => void, length = good.length) => {
    const copy = Uint8Array.from(good.subarray(0, length));
    change(new DataView(copy.buffer));
    return copy;
  };

  test.each<[string, Uint8Array, string]>([
    ["empty", new Uint8Array(0), "refused.empty"],
    ["three bytes", new Uint8Array([82, 73, 70]), "refused.tooShort"],
    [
      "a renamed picture",
      Uint8Array.from([0x89, 0x50, 0x4e, 0x47, ...new Array<number>(60).fill(1)]),
      "refused.otherFile",
    ],
    ["text", new TextEncoder().encode("take one was fine, take two had a plane in it"), "refused.notWav"],
    ["no channels", broken((view) => view.setUint16(22, 0, true)), "refused.noChannels"],
    ["too many channels", broken((view) => view.setUint16(22, 400, true)), "refused.manyChannels"],
    ["an impossible rate", broken((view) => view.setUint32(24, 5, true)), "refused.sampleRate"],
    ["12 bits", broken((view) => view.setUint16(34, 65, true)), "refused.bits"],
    ["a lying frame size", broken((view) => view.setUint16(32, 7, true)), "refused.contradiction"],
    ["compressed sound", broken((view) => view.setUint16(20, 0x55, true)), "refused.otherFormat"],
    ["a header alone", broken(() => undefined, 44), "refused.noSound"],
    ["no data chunk", broken(() => undefined, 36), "refused.noSound"],
  ])("%s is refused with its reason", async (_, bytes, code) => {
    await expect(measure(bytes)).rejects.toThrow(RecordingRefusal);
    await expect(measure(bytes)).rejects.toThrow(code);
  });

  test("a file cut in half is measured as far as it goes, and says so", async () => {
    const { format, findings } = await measure(broken(() => undefined, 44 + 48000));
    expect(format.durationS).toBeCloseTo(0.5, 6);
    expect(findings[0]).toMatchObject({
      kind: "cutShort",
      what: { code: "finding.stopsEarly", missingS: expect.closeTo(0.5, 2) as number },
    });
  });

  test("a 4 GB header on a small file costs no memory", async () => {
    const liar = broken((view) => view.setUint32(40, 0xfffffff0, true));
    const { format } = await measure(liar);
    expect(format.durationS).toBeCloseTo(1, 6);
  });

  test("NaN and infinite samples are taken as silence and counted", async () => {
    const samples = sine({ frequencyHz: 997, levelDbfs: -6, seconds: 0.2, sampleRateHz: RATE });
    samples[10] = NaN;
    samples[20] = Infinity;
    samples[30] = -Infinity;
    const measurement = await measure(toWav([samples], { sampleRateHz: RATE, bits: 32, isFloat: true }));
    expect(measurement.findings[0]).toMatchObject({ kind: "brokenSamples", what: { samples: 3 } });
    expect(measurement.channels[0]!.samplePeakDbfs!).toBeCloseTo(-6, 1);
  });

  test("digital silence has null levels and is called dead", async () => {
    const measurement = await measure(toWav([new Float32Array(48000)], { sampleRateHz: RATE, bits: 24 }));
    expect(measurement.channels[0]).toMatchObject({ samplePeakDbfs: null, rmsDbfs: null, integratedLufs: null });
    expect(kinds(measurement)).toEqual(["silent"]);
    expect(JSON.stringify(measurement)).not.toContain("Infinity");
  });

  test("stopping stops", async () => {
    const long = toWav([new Float32Array(400_000)], { sampleRateHz: RATE, bits: 24 });
    await expect(measureWav(bytesSource(long), "x", { isCancelled: () => true })).rejects.toThrow(MeasurementCancelled);
  });
});

describe("fuzz", () => {
  const seeds = [
    toWav([whiteNoise(1, -20, 600)], { sampleRateHz: RATE, bits: 16 }),
    toWav([whiteNoise(2, -20, 400), whiteNoise(3, -20, 400)], { sampleRateHz: 44100, bits: 24 }),
    toWav([whiteNoise(4, -20, 500)], { sampleRateHz: 8000, bits: 32, isFloat: true }),
    withChunks(
      toWav([whiteNoise(5, -20, 300)], { sampleRateHz: 96000, bits: 8 }),
      [["ds64", new Uint8Array(28)]],
      "RF64",
    ),
  ];
  const mutated = fc
    .record({
      seed: fc.constantFrom(...seeds),
      edits: fc.array(fc.record({ at: fc.nat(), value: fc.nat({ max: 255 }) }), { maxLength: 12 }),
      isHeaderOnly: fc.boolean(),
      cut: fc.option(fc.nat()),
    })
    .map(({ seed, edits, isHeaderOnly, cut }) => {
      const bytes = Uint8Array.from(seed);
      for (const { at, value } of edits) bytes[at % (isHeaderOnly ? 64 : bytes.length)] = value;
      return cut === null ? bytes : bytes.slice(0, cut % bytes.length);
    });

  test("mutated files are measured or refused, nothing else", async () => {
    let measured = 0;
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(mutated, async (bytes) => {
        try {
          const measurement = await measure(bytes);
          measured += 1;
          expect(measurement.format.channels).toBeLessThanOrEqual(32);
          expect(Number.isFinite(measurement.format.durationS)).toBe(true);
          expect(JSON.stringify(measurement)).not.toMatch(/NaN|Infinity/);
        } catch (error) {
          if (!(error instanceof RecordingRefusal)) throw error;
          refused += 1;
        }
      }),
      { numRuns: runs(600, 2500) },
    );
    expect(measured + refused).toBeGreaterThanOrEqual(runs(600, 2500));
    expect(Math.min(measured, refused)).toBeGreaterThan(200);
  });

  test("arbitrary bytes are refused", async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 400 }), async (bytes) => {
        await expect(measure(bytes)).rejects.toThrow(RecordingRefusal);
      }),
      { numRuns: 500 },
    );
  });
});

describe("clipping", () => {
  const clip = (samples: Float32Array, top: number) => samples.map((value) => Math.max(-top, Math.min(top, value)));
  const fullScale = fullScaleOf({ encoding: "pcm", bitsPerSample: 24 });
  const report = (samples: Float32Array) => clippingOf(metered(samples).runs, fullScale, 0, 1);
  const loud = sine({ frequencyHz: 440, levelDbfs: 6, seconds: 1, sampleRateHz: RATE });

  test("a sine 6 dB over full scale clips twice a period", () => {
    expect(report(clip(loud, 1)).fullScaleRuns).toBe(880);
  });

  test("runs across block borders are found once", () => {
    const { fullPlaces: places } = report(clip(loud, 1));
    const lengths = places.map((place) => place.endFrame - place.startFrame);
    expect(places.every((place) => place.runs === 1)).toBe(true);
    expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1);
  });

  test("flat tops below full scale are an overload earlier in the chain", () => {
    const flat = clip(loud, 0.4);
    const found = report(flat);
    expect(found.fullScaleRuns).toBe(0);
    expect(found.flatTopRuns).toBeGreaterThan(800);
    expect(isOverloadedEarlier(found, 0.4)).toBe(true);
  });

  test.each([20, 50, 100, 440])("a clean %d Hz sine in 16 bits has no flat tops", async (frequencyHz) => {
    for (const levelDbfs of [-1, -12, -25]) {
      const tone = sine({ frequencyHz, levelDbfs, seconds: 1, sampleRateHz: RATE });
      const { channels } = await measure(toWav([tone], { sampleRateHz: RATE, bits: 16 }));
      expect(channels[0]!.clippedRuns).toBe(0);
    }
  });

  test("clipping in a file is a fault with its place", async () => {
    const quiet = sine({ frequencyHz: 440, levelDbfs: -20, seconds: 1, sampleRateHz: RATE });
    const wav = toWav([joined(quiet, clip(loud, 1), quiet)], { sampleRateHz: RATE, bits: 24 });
    const [finding] = (await measure(wav)).findings;
    expect(finding).toMatchObject({ kind: "clipped", severity: "fault" });
    expect(finding!.startS).toBeCloseTo(1, 1);
    expect(finding!.endS).toBeCloseTo(2, 1);
  });

  test("a float file over full scale that is not flat is no clipping", async () => {
    const wav = toWav([loud], { sampleRateHz: RATE, bits: 32, isFloat: true });
    const measurement = await measure(wav);
    expect(kinds(measurement)).toContain("overFullScale");
    expect(kinds(measurement)).not.toContain("clipped");
  });
});

describe("speech, noise and their distance", () => {
  const bursts = (levelDbfs: number) =>
    gated(sine({ frequencyHz: 500, levelDbfs, seconds: 10, sampleRateHz: RATE }), RATE, [
      [1, 4],
      [6, 9],
    ]);

  test("active level of bursts is the level in the bursts, not the mean over the pauses", async () => {
    const { channels } = await measure(toWav([bursts(-20)], { sampleRateHz: RATE, bits: 24 }));
    // 0.2 s of hangover after each burst of 3 s costs about 0.3 dB.
    expect(Math.abs(channels[0]!.speechLevelDbfs! + 20)).toBeLessThan(0.5);
    expect(channels[0]!.rmsDbfs!).toBeLessThan(-21.5);
  });

  test.each([-70, -55, -40])("noise of %d dB RMS in the pauses is found within 0.5 dB", async (rmsDb) => {
    const noise = whiteNoise(7, rmsDb, 10 * RATE);
    const { channels } = await measure(toWav([mixed(bursts(-12), noise)], { sampleRateHz: RATE, bits: 24 }));
    expect(Math.abs(channels[0]!.noiseFloorDbfs! - (rmsDb + 3.01))).toBeLessThan(0.5);
    expect(channels[0]!.snrDb!).toBeCloseTo(channels[0]!.speechLevelDbfs! - channels[0]!.noiseFloorDbfs!, 9);
  });

  test("speech in noise is told: a warning, then a fault", async () => {
    const at = async (rmsDb: number) =>
      (
        await measure(toWav([mixed(bursts(-12), whiteNoise(9, rmsDb, 10 * RATE))], { sampleRateHz: RATE, bits: 24 }))
      ).findings.filter(({ kind }) => kind === "noisy");
    expect(await at(-60)).toEqual([]);
    expect(await at(-32)).toMatchObject([{ kind: "noisy", severity: "warning" }]);
    expect(await at(-22)).toMatchObject([{ kind: "noisy", severity: "fault" }]);
  });

  test("too low, too hot and off centre are told", async () => {
    const at = async (samples: Float32Array) =>
      kinds(await measure(toWav([samples], { sampleRateHz: RATE, bits: 24 })));
    expect(await at(bursts(-40))).toContain("tooLow");
    expect(await at(bursts(-2))).toContain("tooHot");
    expect(await at(bursts(-20).map((value) => value + 0.02))).toContain("dcOffset");
  });
});

describe("pieces", () => {
  test("block sizes do not change a single figure", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 5000 }), { minLength: 3, maxLength: 30 }), (sizes) => {
        const samples = whiteNoise(3, -15, 30_000);
        const form = {
          file: "x",
          container: "WAV",
          encoding: "pcm",
          bitsPerSample: 24,
          sampleRateHz: RATE,
          channels: 1,
          fullScale: 1,
        };
        const whole = recordingMeter(form);
        whole.push([samples], samples.length);
        const pieces = recordingMeter(form);
        for (let at = 0, turn = 0; at < samples.length; turn += 1) {
          const count = Math.min(sizes[turn % sizes.length]!, samples.length - at);
          pieces.push([samples.subarray(at, at + count)], count);
          at += count;
        }
        const [a, b] = [whole.finish().measurement.channels[0]!, pieces.finish().measurement.channels[0]!];
        expect(b).toEqual(a);
      }),
      { numRuns: 20 },
    );
  });

  test("passing over what cannot overshoot changes no true peak: brute force finds the same", () => {
    const smooth = (seed: number) =>
      mixed(
        sine({
          frequencyHz: 40 + (seed % 9000),
          levelDbfs: -3,
          seconds: 0.05,
          sampleRateHz: RATE,
          phaseDeg: seed % 360,
        }),
        sine({ frequencyHz: 30 + (seed % 700), levelDbfs: -9, seconds: 0.05, sampleRateHz: RATE }),
        whiteNoise(seed, -50, 2400),
      );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.boolean(), (seed, isSmooth) => {
        const samples = isSmooth ? smooth(seed) : whiteNoise(seed, -12, 2400);
        expect(metered(samples).truePeak).toBeCloseTo(unskippedPeak(samples), 5);
      }),
      { numRuns: 40 },
    );
  });

  test("an overview keeps every extreme in bounded columns, however long the sound", () => {
    const builder = overviewBuilder(480, 64);
    const block = Float32Array.from({ length: 50 }, (_, at) => Math.sin(at));
    block[31] = 2;
    for (let turn = 0; turn < 40; turn += 1)
      builder.push(
        block.map((value) => -value),
        block,
      );
    const { low, high, framesPerColumn } = builder.finish();
    expect(high.length).toBeLessThanOrEqual(64);
    expect(high.length * framesPerColumn).toBeGreaterThanOrEqual(2000 * 480);
    expect(Math.max(...high)).toBe(2);
    expect(Math.min(...low)).toBe(-2);
    for (let column = 0; column < high.length; column += 1) expect(high[column]).toBeGreaterThan(low[column]!);
  });
});
