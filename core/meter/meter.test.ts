import fc from "fast-check";
import { type ChannelMeasurement, type FindingKind, recordingMeter } from "../check";
import { joined, mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { liveMeter } from "./liveMeter";
import { findTaps, judgeTaps } from "./tapTest";
import { adviseTrial, stepOf, type Heard } from "./trial";

const RATE = 48_000;
const tone = (levelDbfs: number, seconds: number, frequencyHz = 997) =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: RATE });

/** In blocks, as they come from the microphone. */
function fed(samples: Float32Array, block = 512) {
  const meter = liveMeter(RATE);
  for (let from = 0; from < samples.length; from += block) meter.push(samples.subarray(from, from + block));
  return meter;
}

describe("the live meter", () => {
  test("a peak is shown once, held for two seconds, and kept as the highest of all", () => {
    const meter = fed(joined(tone(-6, 0.5), new Float32Array(RATE / 2)));
    expect(meter.read().peakDbfs).toBeCloseTo(-6, 1);
    meter.push(new Float32Array(RATE));
    const quiet = meter.read();
    expect(quiet.peakDbfs).toBe(-Infinity);
    expect(quiet.heldDbfs).toBeCloseTo(-6, 1);
    meter.push(new Float32Array(2 * RATE));
    expect(meter.read()).toMatchObject({ heldDbfs: -Infinity });
    expect(meter.read().maxDbfs).toBeCloseTo(-6, 1);
  });

  test("a sine's RMS reads as high as its peak (AES17), whatever the blocks", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4096 }), fc.integer({ min: -50, max: -1 }), (block, levelDbfs) => {
        expect(fed(tone(levelDbfs, 0.6), block).read().rmsDbfs).toBeCloseTo(levelDbfs, 0);
      }),
      { numRuns: 20 },
    );
  });

  test("a run at full scale is one clip, however long; a single sample there is none", () => {
    const samples = new Float32Array(4800);
    samples.fill(1, 100, 140);
    samples.fill(-1, 1000, 1004);
    samples[2000] = 1;
    expect(fed(samples, 64).read().clips).toBe(2);
  });

  test("nothing is nothing, not a number gone wrong", () => {
    const reading = liveMeter(RATE).read();
    expect(reading).toMatchObject({ seconds: 0, peakDbfs: -Infinity, momentaryLufs: -Infinity, clips: 0 });
  });
});

/** Short knocks at some level over a noise. */
function taps(count: number, levelDbfs: number, noiseDb = -70, seed = 1): Float32Array {
  const samples = whiteNoise(seed, noiseDb, 4 * RATE);
  for (let tap = 0; tap < count; tap += 1)
    for (let index = 0; index < 400; index += 1) {
      const at = Math.round((0.5 + tap) * RATE) + index;
      samples[at] = samples[at]! + 10 ** (levelDbfs / 20) * Math.exp(-index / 80) * Math.cos(index / 6);
    }
  return samples;
}

describe("the tap test", () => {
  test("three taps are three, and as loud as they are", () => {
    const found = findTaps(taps(3, -12), RATE);
    expect(found.count).toBe(3);
    expect(Math.abs(found.peakDbfs + 12)).toBeLessThan(0.5);
    expect(findTaps(whiteNoise(4, -30, 2 * RATE), RATE).count).toBe(0);
    expect(findTaps(new Float32Array(0), RATE).count).toBe(0);
  });

  test.each([
    ["wanted", taps(3, -10), taps(3, -40), "taps.wantedLouder"],
    ["device", taps(3, -42), taps(3, -12), "taps.deviceLouder"],
    ["device", taps(0, -10), taps(3, -10), "taps.deviceOnly"],
    ["wanted", taps(3, -10), taps(0, -10), "taps.wantedOnly"],
    ["neither", taps(0, -10), taps(0, -10), "taps.none"],
    ["unclear", taps(3, -20), taps(3, -18), "taps.alike"],
  ] as const)("%s", (live, wanted, device, code) => {
    const verdict = judgeTaps(findTaps(wanted, RATE), findTaps(device, RATE));
    expect(verdict.live).toBe(live);
    expect(verdict.says.code).toBe(code);
  });
});

const channel = (own: Partial<ChannelMeasurement>): ChannelMeasurement => ({
  index: 0,
  samplePeakDbfs: -12,
  truePeakDbtp: -12,
  integratedLufs: -28,
  rmsDbfs: -28,
  speechLevelDbfs: -26,
  noiseFloorDbfs: -60,
  snrDb: 34,
  dcOffset: 0,
  clippedRuns: 0,
  ...own,
});

describe("the trial", () => {
  const targets = { targetDbfs: -12, ceilingDbfs: -6 };
  const quiet = channel({ rmsDbfs: -62, truePeakDbtp: -50 });
  const advise = (heard: Heard, kinds: FindingKind[] = []) => adviseTrial(heard, new Set(kinds), targets);

  test("a loudest line at the target over a quiet place is right", () => {
    const advice = advise({ quiet, noise: channel({ rmsDbfs: -60 }), loudest: channel({}) });
    expect(advice).toMatchObject({ isGood: true, byDb: null });
    expect(advice.overNoiseDb).toBeCloseTo(34, 9);
    expect(advice.says).toEqual([{ code: "trial.peaks", peakDbfs: -12, byDb: null }]);
  });

  test("too high goes down, too low up, clipped by 6 dB beyond; what overloads earlier is cured there", () => {
    expect(advise({ quiet, loudest: channel({ truePeakDbtp: -3 }) })).toMatchObject({ byDb: -9, isGood: false });
    expect(advise({ quiet, loudest: channel({ truePeakDbtp: -30 }) }).says[0]).toEqual({
      ...{ code: "trial.peaks", peakDbfs: -30, byDb: 18 },
    });
    expect(advise({ quiet, loudest: channel({ truePeakDbtp: 0 }) }, ["clipped"])).toMatchObject({ byDb: -18 });
    expect(advise({ quiet, loudest: channel({}) }, ["overloadedEarlier"]).says[0]).toEqual({
      code: "trial.overloadsEarlier",
    });
  });

  test("a noise that hides the voice, and one that comes up when things are on, are named", () => {
    const advice = advise({ quiet, noise: channel({ rmsDbfs: -40 }), loudest: channel({}) });
    expect(advice.isGood).toBe(false);
    expect(advice.says.slice(1)).toEqual([
      { code: "trial.littleOverNoise", overNoiseDb: expect.closeTo(14, 6) as number },
      { code: "trial.noiseRises", byDb: expect.closeTo(22, 6) as number },
    ]);
  });

  test("a line that does not stand out of the quiet was not heard: the tap test comes first", () => {
    expect(advise({ quiet, loudest: channel({ speechLevelDbfs: -58 }) }).says[0]).toMatchObject({
      code: "trial.wrongMicrophone",
    });
    expect(advise({ quiet }).says[0]).toEqual({ code: "trial.nothingHeard" });
    expect(advise({ quiet, loudest: channel({ truePeakDbtp: null }) }).byDb).toBeNull();
  });

  test("a real recording of a step goes in as it is measured", () => {
    const meter = recordingMeter({
      file: "step",
      container: "live",
      encoding: "decoded",
      bitsPerSample: null,
      sampleRateHz: RATE,
      channels: 1,
      fullScale: 1,
    });
    const line = mixed(tone(-12, 3, 300), whiteNoise(3, -60, 3 * RATE));
    meter.push([line], line.length);
    const { channel: measured, kinds } = stepOf(meter.finish());
    expect(measured.truePeakDbtp).toBeCloseTo(-12, 0);
    expect([...kinds]).not.toContain("clipped");
  });
});
