import fc from "fast-check";
import { mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { bytesSource, readWavHeader, toWav } from "../audio";
import { recordingMeter } from "../check";
import {
  alignedTracks,
  deliverWav,
  deliveryGain,
  deliveryMessage,
  limiterFor,
  LOUDNESS_TARGETS,
  type Mix,
  settledMix,
  tracksApart,
} from ".";

const RATE = 48_000;
const floatWav = (planes: readonly Float32Array[], sampleRateHz = RATE) =>
  bytesSource(toWav(planes, { sampleRateHz, bits: 32, isFloat: true }));

function levelsOf(planes: readonly Float32Array[], sampleRateHz = RATE) {
  const form = { file: "", container: "", encoding: "float", bitsPerSample: 32, fullScale: 1 };
  const meter = recordingMeter({ ...form, sampleRateHz, channels: planes.length });
  meter.push(planes, planes[0]!.length);
  return meter.finish().measurement.overall;
}

async function delivered(planes: readonly Float32Array[], mix: Mix, rateHz = RATE) {
  const parts: Float32Array[][] = [];
  const told = await deliverWav(floatWav(planes, rateHz), mix, (own, frames) => {
    parts.push(own.map((plane) => plane.slice(0, frames)));
    return Promise.resolve();
  });
  const length = parts.reduce((sum, own) => sum + own[0]!.length, 0);
  expect([told.frames, length]).toEqual([planes[0]!.length, planes[0]!.length]);
  const out = parts[0]!.map((_, channel) => {
    const whole = new Float32Array(length);
    let at = 0;
    for (const own of parts) {
      whole.set(own[channel]!, at);
      at += own[channel]!.length;
    }
    return whole;
  });
  return { out, told };
}
const whole = (channels: number, own: Partial<Mix> = {}): Mix => ({
  tracks: Array.from({ length: channels }, (_, channel) => ({ channel, gainDb: 0 })),
  ...{ isMixed: false, gainDb: 0, ceilingDbtp: null, ...own },
});

test("without gain, mix and peaks it comes out as it went in (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 30_000 }),
      fc.integer({ min: 1, max: 3 }),
      fc.option(fc.constant(-1), { nil: null }),
      async (frames, channels, ceilingDbtp) => {
        const planes = Array.from({ length: channels }, (_, at) => whiteNoise(at + 1, -30, frames));
        const { out, told } = await delivered(planes, whole(channels, { ceilingDbtp }));
        expect(told.limitedDb).toBe(0);
        out.forEach((plane, channel) => expect(plane.every((value, at) => value === planes[channel]![at])).toBe(true));
      },
    ),
    { numRuns: 30, seed: 4 },
  );
});

test("tracks are chosen, turned up and down, and mixed to one", async () => {
  const planes = [whiteNoise(1, -30, 5000), whiteNoise(2, -30, 5000), whiteNoise(3, -30, 5000)];
  const tracks = [
    { channel: 2, gainDb: -6 },
    { channel: 0, gainDb: 0 },
  ];
  const gain = 10 ** (-6 / 20);
  const { out: two } = await delivered(planes, { ...whole(3), tracks });
  expect(two).toHaveLength(2);
  expect(two[0]!.every((value, at) => Math.abs(value - gain * planes[2]![at]!) < 1e-7)).toBe(true);
  const { out: one } = await delivered(planes, { ...whole(3), tracks, isMixed: true });
  expect(one).toHaveLength(1);
  expect(one[0]!.every((value, at) => Math.abs(value - gain * planes[2]![at]! - planes[0]![at]!) < 1e-7)).toBe(true);
});

test("no true peak passes the ceiling, whatever comes, and the gain never jumps (property)", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.double({ min: 0, max: 0.9, noNaN: true }), fc.double({ min: -10, max: 14, noNaN: true })), {
        maxLength: 8,
      }),
      fc.integer({ min: 200, max: 15_000 }),
      fc.constantFrom(44_100, 48_000, 96_000),
      fc.constantFrom(-1, -3),
      async (bursts, frequencyHz, rateHz, ceilingDbtp) => {
        const base = whiteNoise(6, -24, rateHz);
        const loud = bursts.reduce((sum, [atS, levelDbfs]) => {
          const burst = sine({ frequencyHz, levelDbfs, seconds: 0.05, sampleRateHz: rateHz });
          const shifted = new Float32Array(rateHz);
          shifted.set(burst.subarray(0, rateHz - Math.round(atS * rateHz)), Math.round(atS * rateHz));
          return mixed(sum, shifted);
        }, base);
        const other = loud.map((value) => 0.5 * value);
        const { out } = await delivered([loud, other], whole(2, { ceilingDbtp }), rateHz);
        const { truePeakDbtp } = levelsOf(out, rateHz);
        expect(truePeakDbtp).toBeLessThan(ceilingDbtp + 0.02);
        // Both alike: the picture of left and right stays.
        const gains = loud.map((value, at) => (Math.abs(value) > 1e-3 ? out[0]![at]! / value : -1));
        out[1]!.forEach((value, at) => {
          if (gains[at]! >= 0 && Math.abs(value - gains[at]! * other[at]!) > 1e-6) throw new Error(`${at}`);
        });
        const jumps = gains.map((gain, at) => (gain >= 0 && gains[at - 1]! >= 0 ? Math.abs(gain - gains[at - 1]!) : 0));
        expect(jumps.reduce((most, jump) => Math.max(most, jump), 0)).toBeLessThan(1 / (0.004 * rateHz));
      },
    ),
    { numRuns: 25, seed: 9 },
  );
});

test("the limiter says what it did: nothing under the ceiling, the excess above it", () => {
  const limiter = limiterFor(RATE, 1, -1, 4096);
  const tone = sine({ frequencyHz: 997, levelDbfs: 3, seconds: 1, sampleRateHz: RATE });
  for (let at = 0; at + 4096 <= tone.length; at += 4096) limiter.push([tone.subarray(at, at + 4096)], 4096);
  expect(limiter.mostDb()).toBeCloseTo(4.04, 1);
  expect(limiter.workingShare()).toBeGreaterThan(0.95);
});

test.each([
  ["r128", -30, -12, 7, 0],
  ["r128", -30, -6, 7, 2],
  ["a85", -20, -1, -4, 0],
  ["online", -23, -3, 7, 5],
] as const)(
  "to %s from %d LUFS and %d dBTP: %d dB, peaks %d dB over",
  (id, integratedLufs, truePeakDbtp, gainDb, overDb) => {
    expect(deliveryGain({ integratedLufs, truePeakDbtp }, LOUDNESS_TARGETS[id])).toEqual({ gainDb, overDb });
  },
);

test("silence is brought nowhere", async () => {
  expect(deliveryGain({ integratedLufs: null, truePeakDbtp: null }, LOUDNESS_TARGETS.r128)).toBeNull();
  expect(
    await settledMix(whole(1), LOUDNESS_TARGETS.r128, () =>
      Promise.resolve({ integratedLufs: null, truePeakDbtp: null }),
    ),
  ).toBeNull();
});

test("what the limiter takes from the loudness is given back, within bounds", async () => {
  const source = mixed(
    whiteNoise(2, -30, 20 * RATE),
    sine({ frequencyHz: 400, levelDbfs: -8, seconds: 0.02, sampleRateHz: RATE }),
  );
  const measure = async (mix: Mix) => levelsOf((await delivered([source], mix)).out);
  const settled = await settledMix(whole(1), LOUDNESS_TARGETS.online, measure);
  const after = await measure(settled!.mix);
  expect(Math.abs(after.integratedLufs! + 16)).toBeLessThan(0.3);
  expect(after.truePeakDbtp).toBeLessThan(-0.98);
  // Nothing is limited where nothing has to be.
  const soft = await settledMix(whole(1), { ...LOUDNESS_TARGETS.r128, integratedLufs: -40 }, measure);
  expect(soft!.mix.ceilingDbtp).toBeNull();
});

test("a loudness that is missed is said, one that is met with what it took", () => {
  const made = { gainDb: 8, limitedDb: 2 };
  expect(deliveryMessage({ integratedLufs: -19, truePeakDbtp: -1 }, LOUDNESS_TARGETS.online, made).code).toBe(
    "deliver.off",
  );
  expect(deliveryMessage({ integratedLufs: -16.4, truePeakDbtp: -1 }, LOUDNESS_TARGETS.online, made).code).toBe(
    "deliver.done",
  );
});

describe("between tracks", () => {
  /** Noise that comes and goes like syllables, as it is heard by microphones farther away: later, softer, in other noise. */
  const SECONDS = 24;
  const voice = whiteNoise(31, -20, SECONDS * RATE).map(
    (value, at) => value * (0.3 + Math.abs(Math.sin((at / RATE) * 9))) * Math.sin((at / RATE) * 1.3),
  );
  const heard = (lateFrames: number, gain: number, seed: number) =>
    mixed(
      Float32Array.from({ length: voice.length }, (_, at) => gain * (voice[at - lateFrames] ?? 0)),
      whiteNoise(seed, -50, voice.length),
    );
  const phrases = Array.from({ length: 6 }, (_, at) => ({ startS: 4 * at, endS: 4 * at + 3, levelDbfs: -20 }));
  const apartOf = async (planes: readonly Float32Array[]) => {
    const source = floatWav(planes);
    return tracksApart(source, await readWavHeader(source), phrases);
  };

  test("a boom a metre farther comes 2.9 ms late, one turned over says so, a stranger says nothing", async () => {
    const late = Math.round((RATE * 1) / 343.2);
    const planes = [heard(0, 1, 1), heard(late, 0.4, 2), heard(10, -0.8, 3), whiteNoise(77, -20, voice.length)];
    const apart = await apartOf(planes);
    expect(apart.map(({ channel, reference, isInverted }) => [channel, reference, isInverted])).toEqual([
      [1, 0, false],
      [2, 0, true],
    ]);
    expect(Math.abs(apart[0]!.lateS - late / RATE)).toBeLessThan(1 / RATE);
    expect(apart[0]!.fartherM).toBeCloseTo(1, 2);
    expect(Math.abs(apart[1]!.lateS - 10 / RATE)).toBeLessThan(1 / RATE);
  });

  test("brought together, all hear the voice when the first of them does, and add up", async () => {
    const late = 140;
    const planes = [heard(late, 0.5, 1), heard(0, 1, 2), heard(60, -0.7, 3)];
    const apart = await apartOf(planes);
    const plain = [0, 1, 2].map((channel) => ({ channel, gainDb: 0 }));
    const tracks = alignedTracks(plain, apart);
    const { out } = await delivered(planes, { ...whole(3), tracks });
    const error = (own: Float32Array, gain: number) =>
      own.reduce((sum, value, at) => sum + (value - gain * voice[at]!) ** 2, 0) / own.length;
    const noise = 10 ** (-50 / 10);
    expect(error(out[0]!, 0.5)).toBeLessThan(3 * noise);
    expect(error(out[1]!, 1)).toBeLessThan(3 * noise);
    expect(error(out[2]!, 0.7)).toBeLessThan(3 * noise);
    const { out: mixedOut } = await delivered(planes, { ...whole(3), tracks, isMixed: true });
    expect(error(mixedOut[0]!, 2.2)).toBeLessThan(6 * noise);
  });

  test("what nothing is known of stays as it is, and one track has no other", () => {
    const plain = [{ channel: 3, gainDb: -2 }];
    expect(alignedTracks(plain, [])).toEqual(plain);
  });

  test("no track comes earlier than is read ahead", async () => {
    const tracks = [{ channel: 0, gainDb: 0, earlierS: 0.2 }];
    await expect(delivered([voice], { ...whole(1), tracks })).rejects.toThrow(RangeError);
  });
});
