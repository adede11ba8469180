import fc from "fast-check";
import {
  bytesSource,
  integratedLufs,
  loudnessCounter,
  loudnessRangeLu,
  mixLoudness,
  readWavHeader,
  toWav,
} from "../audio";
import { demoVoice } from "../../fixtures/demoVoice";
import { sine, whiteNoise } from "../../fixtures/testSignals";
import { measureWav } from "./measureWav";
import type { RecordingMeasurement } from "./measurement";

const RATE = 48000;
const layout = { sampleRateHz: RATE, bits: 24 } as const;
const measured = async (planes: readonly Float32Array[], options = {}) =>
  measureWav(bytesSource(toWav(planes, layout)), "x.wav", options);

describe("loudness gates", () => {
  /** Steps of 100 ms by loudness, 6 LU around the relative gate among them. */
  const steps = (most: number) =>
    fc
      .array(fc.double({ min: -80, max: -10, noNaN: true }), { minLength: 1, maxLength: most })
      .map((levels) =>
        Float64Array.from(levels.flatMap((lufs) => new Array<number>(5).fill(10 ** ((lufs + 0.691) / 10)))),
      );
  const counted = (all: Float64Array, kept?: number) => {
    const counter = loudnessCounter(kept);
    for (const step of all) counter.push(step);
    return counter;
  };

  test("a file is gated as exactly as by the standard's own formula, wherever the gate falls (property)", () => {
    fc.assert(
      fc.property(steps(60), (all) => {
        const counter = counted(all);
        const [exact, range] = [integratedLufs(all), loudnessRangeLu(all)];
        if (Number.isFinite(exact)) expect(counter.integratedLufs()).toBeCloseTo(exact, 9);
        else expect(counter.integratedLufs()).toBe(-Infinity);
        if (range === null) expect(counter.rangeLu()).toBeNull();
        else expect(counter.rangeLu()).toBeCloseTo(range, 9);
      }),
    );
  });

  test("what is longer than is kept one by one strays by hundredths (property)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const levels = whiteNoise(seed, -10, 6000);
        const all = Float64Array.from(levels, (value) => 10 ** ((-30 + 30 * value + 0.691) / 10));
        expect(Math.abs(counted(all, 500).integratedLufs() - integratedLufs(all))).toBeLessThan(0.02);
        expect(Math.abs(counted(all, 500).rangeLu()! - loudnessRangeLu(all)!)).toBeLessThan(0.1);
      }),
      { numRuns: 30 },
    );
  });
});

describe("loudness of more than two tracks", () => {
  const tone = (levelDbfs: number) => sine({ frequencyHz: 997, levelDbfs, seconds: 4, sampleRateHz: RATE });
  const tracks = [tone(-20), tone(-23), tone(-30), new Float32Array(4 * RATE)];

  test("each track has its own; chosen ones together add up as BS.1770 adds front channels; worked by hand", async () => {
    const { measurement, loudnessSteps } = await measured(tracks, { mix: [0, 1], keepsSteps: true });
    expect(measurement.overall.integratedLufs).toBeNull();
    expect(measurement.channels.map(({ integratedLufs: own }) => own && Math.round(own))).toEqual([
      -23,
      -26,
      -33,
      null,
    ]);
    // Two sines of −23.0 and −26.0 LUFS: powers add to −21.2.
    expect(measurement.overall.mix).toMatchObject({ tracks: [1, 2] });
    expect(measurement.overall.mix!.integratedLufs!).toBeCloseTo(-21.25, 1);
    expect(mixLoudness(loudnessSteps!, [0, 1]).integratedLufs).toBeCloseTo(measurement.overall.mix!.integratedLufs!, 9);
    expect(mixLoudness(loudnessSteps!, [2]).integratedLufs).toBeCloseTo(measurement.channels[2]!.integratedLufs!, 6);
    expect(mixLoudness(loudnessSteps!, []).integratedLufs).toBe(-Infinity);
  });

  test("a track that is not there is refused; steps are kept only where they are asked for", async () => {
    await expect(measured(tracks, { mix: [4] })).rejects.toThrow("refused.noTrack");
    expect((await measured(tracks)).loudnessSteps).toBeNull();
    expect((await measured(tracks.slice(0, 2), { keepsSteps: true })).loudnessSteps).toBeNull();
  });
});

describe("DC offset", () => {
  const figures = ({ channels: [channel] }: RecordingMeasurement) => ({
    speech: channel!.speechLevelDbfs!,
    noise: channel!.noiseFloorDbfs!,
    snr: channel!.snrDb!,
  });

  test("a constant of 1 % changes neither speech nor noise, and is one note", async () => {
    const voice = await demoVoice();
    const clean = (await measured([voice])).measurement;
    for (const offset of [0.012, -0.03]) {
      const shifted = (await measured([voice.map((sample) => sample + offset)])).measurement;
      const [before, after] = [figures(clean), figures(shifted)];
      expect(Math.abs(after.speech - before.speech)).toBeLessThan(0.1);
      expect(Math.abs(after.noise - before.noise)).toBeLessThan(0.3);
      expect(Math.abs(after.snr - before.snr)).toBeLessThan(0.3);
      const kinds = (measurement: RecordingMeasurement) => measurement.findings.map(({ kind }) => kind).sort();
      expect(kinds(shifted)).toEqual([...kinds(clean), "dcOffset"].sort());
    }
  });

  test("under a quiet room it does not hide the noise", async () => {
    const room = whiteNoise(4, -70, 6 * RATE);
    const { noise } = figures((await measured([room.map((sample) => sample + 0.02)])).measurement);
    expect(Math.abs(noise - figures((await measured([room])).measurement).noise)).toBeLessThan(0.3);
  });
});

describe("float files beyond any level", () => {
  const measureFloats = async (samples: Float32Array) =>
    (await measureWav(bytesSource(toWav([samples], { sampleRateHz: RATE, bits: 32, isFloat: true })), "x.wav"))
      .measurement;

  test("values beyond +120 dBFS are counted as no sound, values nobody hears as silence; every figure can be stored", async () => {
    const huge = sine({ frequencyHz: 440, levelDbfs: -20, seconds: 1, sampleRateHz: RATE });
    huge.fill(3e38, 100, 200);
    const measurement = await measureFloats(huge);
    expect(measurement.findings[0]!.what).toEqual({ code: "finding.brokenSamples", samples: 100 });
    expect(Math.abs(measurement.channels[0]!.dcOffset)).toBeLessThan(0.001);
    const tiny = await measureFloats(new Float32Array(RATE).fill(1e-40));
    expect(tiny.channels[0]!.samplePeakDbfs).toBeNull();
    const levels = JSON.stringify([measurement.channels, tiny.channels]).match(/-?\d+(\.\d+)?(e[+-]?\d+)?/g)!;
    expect(levels.every((each) => Math.abs(Number(each)) < 100_000)).toBe(true);
  });
});

describe("a data chunk of size 0", () => {
  const wav = toWav([sine({ frequencyHz: 997, levelDbfs: -6, seconds: 0.1, sampleRateHz: RATE })], layout);
  const closed = (tail: Uint8Array) => {
    const file = new Uint8Array(44 + tail.length);
    file.set(wav.subarray(0, 40));
    file.set(tail, 44);
    return file;
  };
  const chunk = (id: string, size: number) => {
    const bytes = new Uint8Array(8 + size);
    bytes.set([...id].map((letter) => letter.charCodeAt(0)));
    new DataView(bytes.buffer).setUint32(4, size, true);
    return bytes;
  };

  test("with whole chunks after it there is no sound; with sound after it a recorder left it open", async () => {
    const metadata = closed(Uint8Array.from([...chunk("LIST", 30), ...chunk("bext", 602)]));
    await expect(readWavHeader(bytesSource(metadata))).rejects.toThrow("refused.noSound");
    const odd = closed(Uint8Array.from([...chunk("iXML", 7), 0, ...chunk("cue ", 5)]));
    await expect(readWavHeader(bytesSource(odd))).rejects.toThrow("refused.noSound");
    const open = Uint8Array.from(wav);
    open.fill(0, 40, 44);
    expect((await readWavHeader(bytesSource(open))).frames).toBe(4800);
  });
});
