import { readFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { cleaningFigures } from "../../fixtures/cleaningFigures";
import { joined, mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, fourierOf, readMono, readWavHeader, toWav } from "../audio";
import { type Finding, type FindingKind, measureWav } from "../check";
import { resampling } from "../sync";
import { type CleaningPlan, cleanWav, guessesFor, mainsHumIn, planCleaning, type Treatment, treatmentsFor } from ".";

const RATE = 48_000;
const tone = (frequencyHz: number, levelDbfs: number, seconds: number) =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: RATE });
const floatWav = (planes: readonly Float32Array[], sampleRateHz = RATE) =>
  bytesSource(toWav(planes, { sampleRateHz, bits: 32, isFloat: true }));

async function cleaned(planes: readonly Float32Array[], plan: CleaningPlan, rateHz = RATE): Promise<Float32Array[]> {
  const out = planes.map(({ length }) => new Float32Array(length));
  let at = 0;
  const frames = await cleanWav(floatWav(planes, rateHz), plan, (parts, count) => {
    parts.forEach((part, channel) => out[channel]!.set(part.subarray(0, count), at));
    at += count;
  });
  expect([at, frames]).toEqual([planes[0]!.length, planes[0]!.length]);
  return out;
}
const one = (...treatments: Treatment[]): CleaningPlan => ({ channels: [{ channel: 0, treatments }] });
const levelDb = (samples: Float32Array) =>
  10 * Math.log10(samples.reduce((sum, value) => sum + value * value, 0) / samples.length + 1e-20);
const apart = (a: Float32Array, b: Float32Array) =>
  a.reduce((most, value, at) => Math.max(most, Math.abs(value - b[at]!)), 0);

const RECORDINGS = join("demo", "recordings");

/** A voice of the demo after two seconds of nothing, at −26 dBFS. */
async function voice(name: string): Promise<Float32Array> {
  const bytes = readFileSync(join(RECORDINGS, `voice-${name}.wav`));
  const { samples, sampleRateHz } = await readMono(bytesSource(bytes), 60);
  const step = sampleRateHz / RATE;
  const whole = resampling(step).run(samples, 0, step, Math.floor(samples.length / step));
  const scale = 10 ** ((-26 - levelDb(whole)) / 20);
  return joined(
    new Float32Array(2 * RATE),
    // What is beyond hearing is read as nothing.
    whole.map((value) => (Math.abs(value * scale) < 1e-8 ? 0 : value * scale)),
    new Float32Array(RATE),
  );
}

test("what has no treatment comes out as it went in, whatever its length, rate and channels (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 120_000 }),
      fc.constantFrom(8000, 44_100, 48_000, 96_000),
      fc.integer({ min: 1, max: 5 }),
      fc.boolean(),
      async (frames, rateHz, channels, isOtherLate) => {
        const planes = Array.from({ length: channels }, (_, channel) => whiteNoise(channel + 1, -20, frames));
        const late = { channel: channels, treatments: [] };
        const other: CleaningPlan["channels"] = isOtherLate
          ? [{ channel: 0, treatments: [{ kind: "noise", byDb: 6 }] }]
          : [];
        const out = await cleaned(planes, { channels: [...other, late] }, rateHz);
        for (const channel of out.keys())
          if (channel > 0 || !isOtherLate) expect(apart(out[channel]!, planes[channel]!)).toBe(0);
      },
    ),
    { numRuns: 30, seed: 11 },
  );
});

test("stretches leave no seam: a recording that begins later is cleaned to the same", async () => {
  const speech = mixed(await voice("miller"), tone(50, -30, 60), tone(41, -28, 60));
  const long = joined(speech, speech, speech, speech, speech);
  const later = joined(new Float32Array(Math.round(3.7 * RATE)), long);
  const shiftS = 3.7;
  const places: [number, number][] = [
    [7.9, 7.98],
    [8.0, 8.005],
    [15.99, 16.02],
  ];
  const plan = (byS: number) =>
    one(
      { kind: "gaps", places: places.slice(1, 2).map(([a, b]) => [a + byS, b + byS]) },
      { kind: "pops", places: [places[0]!, places[2]!].map(([a, b]) => [a + byS, b + byS]) },
      { kind: "lowCut", cornerHz: 80 },
    );
  const [early] = await cleaned([long], plan(0));
  const [late] = await cleaned([later], plan(shiftS));
  const shift = Math.round(shiftS * RATE);
  const from = 4 * RATE;
  expect(apart(early!.subarray(from), late!.subarray(shift + from))).toBeLessThan(1e-5);
});

test("noise reduction is not late, and leaves a voice without noise alone", async () => {
  const speech = await voice("engineer");
  const [out] = await cleaned([speech], one({ kind: "noise", byDb: 12 }));
  expect(levelDb(out!.map((value, at) => value - speech[at]!)) - levelDb(speech)).toBeLessThan(-30);
});

/** Levels by third-octave from 100 Hz to 12.5 kHz of what is spoken, dB. */
function thirds(samples: Float32Array): number[] {
  const size = 2 ** 17;
  const [re, im] = [Float64Array.from({ length: size }, (_, at) => samples[at] ?? 0), new Float64Array(size)];
  fourierOf(size).transform(re, im);
  return Array.from({ length: 22 }, (_, band) => {
    const middle = 1000 * 2 ** ((band - 10) / 3);
    let sum = 0;
    for (
      let bin = Math.ceil((middle * 2 ** (-1 / 6) * size) / RATE);
      bin < (middle * 2 ** (1 / 6) * size) / RATE;
      bin += 1
    )
      sum += re[bin]! ** 2 + im[bin]! ** 2;
    return 10 * Math.log10(sum + 1e-20);
  });
}

test.each(["miller", "engineer", "singer"])(
  "a clean voice over noise far below keeps its colour within 0.5 dB a third-octave: %s",
  async (name) => {
    const speech = await voice(name);
    const noisy = mixed(speech, whiteNoise(3, -75, speech.length));
    const [out] = await cleaned([noisy], one({ kind: "noise", byDb: 12 }));
    const [own, before, after] = [thirds(speech), thirds(noisy), thirds(out!)];
    const noise = thirds(whiteNoise(3, -75, speech.length));
    const spoken = own.filter((level, band) => level > noise[band]! + 10).length;
    expect(spoken).toBeGreaterThan(17);
    // Where there is a voice.
    for (const [band, level] of before.slice(0, spoken).entries())
      expect([band, Math.abs(level - after[band]!) < 0.5]).toEqual([band, true]);
  },
);

test.each([
  ["miller", 5],
  ["engineer", 10],
  ["singer", 10],
])(
  "noise in pauses falls by 10 dB, the voice gains 4 dB over it and keeps its level: %s at %d dB",
  async (name, snrDb) => {
    const speech = await voice(name);
    const noisy = mixed(speech, whiteNoise(17, -26 - snrDb, speech.length));
    const [out] = await cleaned([noisy], one({ kind: "noise", byDb: 12 }));
    const [before, after] = [cleaningFigures(speech, noisy, RATE), cleaningFigures(speech, out!, RATE)];
    expect(after.pauseDb - before.pauseDb).toBeLessThan(-10);
    expect(after.segmentalDb - before.segmentalDb).toBeGreaterThan(4);
    expect(after.siSdrDb - before.siSdrDb).toBeGreaterThan(4);
    expect(after.logSpectralDb).toBeLessThan(before.logSpectralDb);
    expect(Math.abs(after.speechDb)).toBeLessThan(0.5);
  },
);

test("a hole of 5 ms in a voice is filled, and nothing beside it is touched", async () => {
  const speech = await voice("miller");
  const from = Math.round(3.2 * RATE);
  const holed = speech.slice();
  holed.fill(0, from, from + 240);
  const [out] = await cleaned([holed], one({ kind: "gaps", places: [[3.2, 3.21]] }));
  const errorOf = (samples: Float32Array) =>
    levelDb(samples.subarray(from, from + 240).map((v, at) => v - speech[from + at]!));
  expect(errorOf(out!)).toBeLessThan(errorOf(holed) - 6);
  expect(apart(out!.subarray(0, from - 10), speech.subarray(0, from - 10))).toBe(0);
  expect(apart(out!.subarray(from + 250), speech.subarray(from + 250))).toBe(0);
});

test("a hole of a tenth of a second stays: nothing around it knows what was there", async () => {
  const speech = await voice("miller");
  const holed = speech.slice();
  holed.fill(0, 3 * RATE, 3.1 * RATE);
  const [out] = await cleaned([holed], one({ kind: "gaps", places: [[3, 3.1]] }));
  expect(apart(out!, holed)).toBe(0);
});

test("clipped peaks are drawn beyond where they were clipped, towards what was there", async () => {
  const speech = (await voice("engineer")).map((value) => value * 5);
  const limit = 0.6;
  const clipped = speech.map((value) => Math.max(-limit, Math.min(limit, value)));
  const lost = speech.reduce((sum, value) => sum + (Math.abs(value) > limit ? 1 : 0), 0);
  expect(lost).toBeGreaterThan(200);
  const [out] = await cleaned([clipped], one({ kind: "clipping", places: [[0, speech.length / RATE]] }));
  const error = (samples: Float32Array) => samples.reduce((sum, value, at) => sum + (value - speech[at]!) ** 2, 0);
  expect(error(out!)).toBeLessThan(error(clipped) / 2);
  const touched = out!.filter((value, at) => Math.abs(clipped[at]!) < 0.98 * limit && value !== clipped[at]);
  expect(touched).toHaveLength(0);
});

test("a pop loses its lows only, and only while it lasts", async () => {
  const speech = await voice("miller");
  const popped = speech.slice();
  const from = Math.round(3 * RATE);
  for (let at = 0; at < 0.1 * RATE; at += 1)
    popped[from + at]! += 0.5 * Math.sin((2 * Math.PI * 45 * at) / RATE) * Math.exp(-at / 1500);
  const [out] = await cleaned([popped], one({ kind: "pops", places: [[3, 3.1]] }));
  const inside = (samples: Float32Array) =>
    levelDb(samples.subarray(from, from + 4800).map((v, at) => v - speech[from + at]!));
  expect(inside(out!)).toBeLessThan(inside(popped) - 10);
  expect(apart(out!.subarray(0, from - 2000), speech.subarray(0, from - 2000))).toBe(0);
  expect(apart(out!.subarray(from + 8000), speech.subarray(from + 8000))).toBe(0);
});

test("level is evened out along straight lines between points", async () => {
  const flat = tone(1000, -20, 6);
  const [out] = await cleaned(
    [flat],
    one({
      kind: "evenOut",
      points: [
        [1, 0],
        [3, 6],
        [5, 6],
      ],
    }),
  );
  const at = (second: number) => levelDb(out!.subarray(second * RATE - 2400, second * RATE + 2400)) - levelDb(flat);
  expect([0.5, 2, 4, 5.5].map(at).map((value) => Number(value.toFixed(1)))).toEqual([0, 3, 6, 6]);
});

describe("mains", () => {
  const hum = (hz: number, seconds: number) =>
    mixed(...([1, 2, 3, 5].map((multiple) => tone(multiple * hz, -40 - 3 * multiple, seconds)) as [Float32Array]));

  test.each([49.93, 50.02, 59.97, 60.1])("of %d Hz are found within 0.02 Hz under a voice", async (hz) => {
    const speech = await voice("miller");
    const found = mainsHumIn([mixed(joined(speech, speech), hum(hz, 30))], RATE);
    expect(Math.abs(found!.mainsHz - hz)).toBeLessThan(0.02);
    expect(found!.lines.map(({ multiple }) => multiple)).toEqual(expect.arrayContaining([1, 2, 3]));
  });

  test.each(["miller", "engineer", "singer"])("are not found in a voice alone: %s", async (name) => {
    expect(mainsHumIn([await voice(name)], RATE)).toBeNull();
  });

  test("notches take hum out and leave the voice", async () => {
    const speech = await voice("engineer");
    const humming = mixed(speech, hum(50.03, 30));
    const lines = [1, 2, 3, 5].map((multiple) => ({ hz: 50.03 * multiple, widthHz: 0.6 * multiple }));
    const [out] = await cleaned([humming], one({ kind: "hum", lines }));
    const pause = (samples: Float32Array) => levelDb(samples.subarray(1.5 * RATE, 2 * RATE));
    expect(pause(out!)).toBeLessThan(pause(humming) - 25);
    expect(Math.abs(levelDb(out!.subarray(2 * RATE)) - levelDb(speech.subarray(2 * RATE)))).toBeLessThan(0.3);
  });
});

describe("what findings ask for", () => {
  const measured = async (samples: Float32Array) => (await measureWav(floatWav([samples]), "a")).measurement;
  const finding = (kind: FindingKind, startS: number, endS: number): Finding => ({
    ...{ kind, startS, endS, channel: 0, severity: "warning", confidence: 1 },
  });

  test("is nothing where nothing was found, and what was found elsewhere is not asked for here", async () => {
    const measurement = await measured(await voice("miller"));
    expect(treatmentsFor({ ...measurement, findings: [] }, 0, null)).toEqual([]);
    // A little hiss far under the voice is none.
    expect(measurement.channels[0]!.snrDb).toBeGreaterThan(35);
    expect(treatmentsFor({ ...measurement, findings: [finding("hiss", 0, 5)] }, 0, null)).toEqual([]);
    const other = { ...finding("noisy", 0, 5), channel: 1 };
    expect(treatmentsFor({ ...measurement, findings: [other] }, 0, null)).toEqual([]);
    expect(treatmentsFor({ ...measurement, findings: [finding("muffled", 0, 5)] }, 0, null)).toEqual([]);
  });

  test("goes by what was measured: the voice's pitch, the noise, the mains", async () => {
    const measurement = await measured(await voice("miller"));
    const channels = [{ ...measurement.channels[0]!, pitchHz: 110, snrDb: 27 }];
    const findings = [finding("wind", 0, 4), finding("noisy", 0, 5), finding("hum", 0, 5), finding("gap", 2, 2.01)];
    const hum = { mainsHz: 50.01, wanderHz: 0, lines: [{ multiple: 2, overDb: 20 }] };
    expect(treatmentsFor({ ...measurement, channels, findings }, 0, { hum, rumbleDbfs: -90 })).toEqual([
      { kind: "gaps", places: [[2, 2.01]] },
      { kind: "lowCut", cornerHz: 75 },
      { kind: "hum", lines: [{ hz: 100.02, widthHz: 1.2 }] },
      { kind: "noise", byDb: 8 },
    ]);
    const high = { ...measurement, channels: [{ ...channels[0]!, pitchHz: 260, snrDb: 4 }], findings };
    expect(treatmentsFor(high, 0, null)).toEqual([
      { kind: "gaps", places: [[2, 2.01]] },
      { kind: "lowCut", cornerHz: 120 },
      // Too close to the noise for more.
      { kind: "noise", byDb: 6 },
    ]);
  });

  test("rumble under a noisy voice is cut; a DC offset asks for no more than its going", async () => {
    const measurement = await measured(await voice("miller"));
    const look = { hum: null, rumbleDbfs: (measurement.channels[0]!.speechLevelDbfs ?? 0) - 20 };
    const channels = [{ ...measurement.channels[0]!, snrDb: 20 }];
    const noisy = { ...measurement, channels, findings: [finding("noisy", 0, 5)] };
    expect(treatmentsFor(noisy, 0, look).map(({ kind }) => kind)).toEqual(["lowCut", "noise"]);
    expect(treatmentsFor({ ...measurement, findings: [finding("dcOffset", 0, 5)] }, 0, null)).toEqual([
      { kind: "lowCut", cornerHz: 20 },
    ]);
  });

  test("clipped peaks are guesses, and asked for by themselves", async () => {
    const measurement = await measured(await voice("miller"));
    const findings = [finding("clipped", 1, 1.1)];
    expect(treatmentsFor({ ...measurement, findings }, 0, null)).toEqual([]);
    expect(guessesFor({ ...measurement, findings }, 0)).toEqual({ kind: "clipping", places: [[1, 1.1]] });
  });

  test("a voice with hum and noise is measured, planned and cleaned; measured again it is better", async () => {
    const speech = await voice("miller");
    const spoilt = mixed(
      joined(speech, speech),
      whiteNoise(7, -44, 2 * speech.length),
      ...[1, 2, 3].map((multiple) => tone(50 * multiple, -42, 60)),
    );
    const source = floatWav([spoilt]);
    const before = await measured(spoilt);
    const plan = await planCleaning(source, await readWavHeader(source), before);
    expect(plan.channels[0]!.treatments.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["hum", "noise"]));
    const [out] = await cleaned([spoilt], plan);
    const after = await measured(out!);
    expect(after.channels[0]!.snrDb! - before.channels[0]!.snrDb!).toBeGreaterThan(9);
    expect(Math.abs(after.channels[0]!.speechLevelDbfs! - before.channels[0]!.speechLevelDbfs!)).toBeLessThan(1.5);
    expect(after.findings.map(({ kind }) => kind)).not.toContain("hum");
  });
});
