import { metered } from "../../fixtures/demoVoice";
import { inLong } from "../../fixtures/inLong";
import { BANDS_HZ, bytesSource, planPieces, readWavHeader, toWav } from "../audio";
import { mixed, sine, whiteNoise } from "../../fixtures/testSignals";
import { findingsTable } from "./findingsTable";
import { inOrder, measurePiece, measureWav, meterFor } from "./measureWav";

const RATE = 48000;

const meanDb = (values: Float32Array) => 10 * Math.log10(values.reduce((sum, value) => sum + value, 0) / values.length);

describe("third-octaves of the engine", () => {
  test("white noise: each band holds its share of the power, within 0.5 dB", () => {
    const { bands } = metered(whiteNoise(11, -30, 20 * RATE));
    BANDS_HZ.forEach((middle, band) => {
      const width = middle * (2 ** (1 / 6) - 2 ** (-1 / 6));
      expect(Math.abs(meanDb(bands[band]!) - (-30 + 10 * Math.log10(width / (RATE / 2))))).toBeLessThan(0.5);
    });
  });

  // Below 500 Hz the bins of 47 Hz are as wide as the bands: there a tone leaks into its neighbours.
  test.each([1000, 4000, 12500])("a tone of %d Hz is in its band alone, at its mean square", (frequencyHz) => {
    const { bands } = metered(sine({ frequencyHz, levelDbfs: -20, seconds: 3, sampleRateHz: RATE }));
    const own = BANDS_HZ.indexOf(frequencyHz as (typeof BANDS_HZ)[number]);
    expect(Math.abs(meanDb(bands[own]!) + 23.01)).toBeLessThan(0.5);
    bands.forEach((values, band) => {
      if (Math.abs(band - own) > 2) expect(meanDb(values)).toBeLessThan(-60);
    });
  });
});

describe("digital faults", () => {
  const noise = whiteNoise(5, -20, 4 * RATE);

  test.each([64, 128, 480, 1024])("a block of %d frames that comes twice is found with its length", (length) => {
    const samples = noise.slice();
    samples.copyWithin(RATE + length, RATE, RATE + length);
    const [repeat, ...more] = metered(samples).repeats;
    expect(more).toEqual([]);
    expect(repeat).toMatchObject({ distance: length });
    // Its beginning is seen from the first remembered sample on, its end to the sample.
    expect(repeat!.frame + repeat!.frames).toBe(RATE + 2 * length);
  });

  test("neither noise nor a tone repeats itself", () => {
    expect(metered(noise).repeats).toEqual([]);
    const tone = metered(sine({ frequencyHz: 1000, levelDbfs: -20, seconds: 2, sampleRateHz: RATE })).repeats;
    expect(tone.every(({ frames, distance }) => frames > 12 * distance)).toBe(true);
  });

  test("a gap of 3 ms in sound is a finding at its place; digital silence at the ends is none", async () => {
    const samples = noise.slice();
    samples.fill(0, 2 * RATE, 2 * RATE + 144);
    samples.fill(0, 0, RATE / 2);
    const { measurement } = await measureWav(bytesSource(toWav([samples], { sampleRateHz: RATE, bits: 24 })), "x");
    const gaps = measurement.findings.filter(({ kind }) => kind === "gap");
    expect(gaps).toHaveLength(1);
    expect(gaps[0]!.startS).toBeCloseTo(2, 3);
  });
});

describe("bursts", () => {
  /** White noise from 4 s on, cut off after 80 ms or dying away by 60 dB in a second. */
  const burst = (isCut: boolean) => {
    const noise = whiteNoise(21, -14, 10 * RATE);
    return noise.map((value, at) => {
      const sinceS = at / RATE - 4;
      if (sinceS < 0) return 0;
      return isCut ? (sinceS < 0.08 ? value : 0) : value * 10 ** (-3 * sinceS);
    });
  };
  const kindsOf = async (sound: Float32Array) => {
    const wav = toWav([mixed(whiteNoise(22, -66, 10 * RATE), sound)], { sampleRateHz: RATE, bits: 24 });
    return (await measureWav(bytesSource(wav), "burst.wav")).measurement.findings.map(({ kind }) => kind);
  };

  test("a burst that ends at once is radio noise; a clap that dies away with the room is none", async () => {
    expect(await kindsOf(burst(true))).toContain("radioNoise");
    expect(await kindsOf(burst(false))).not.toContain("radioNoise");
  });
});

describe("two channels", () => {
  /** Something voiced enough to count as speech: a pulse train that comes and goes, in a little noise. */
  const voice = (() => {
    const samples = new Float32Array(24 * RATE);
    const period = 400;
    for (let at = 0; at < samples.length; at += 1) {
      const isOn = at % (2 * RATE) < 1.2 * RATE;
      const place = at % period;
      if (isOn)
        samples[at] =
          0.3 * Math.exp(-place / 60) * Math.sin(place / 9) + 0.15 * Math.exp(-place / 30) * Math.sin(place / 3);
    }
    return samples;
  })();
  const noisy = (samples: Float32Array, seed: number) => mixed(samples, whiteNoise(seed, -62, samples.length));
  const shifted = (frames: number, gain: number) =>
    Float32Array.from(voice, (_, at) => gain * (voice[at - frames] ?? 0));
  const found = async (second: Float32Array) => {
    const wav = toWav([noisy(voice, 1), second], { sampleRateHz: RATE, bits: 24 });
    return (await measureWav(bytesSource(wav), "x")).measurement.findings.filter(
      ({ otherChannel }) => otherChannel === 0,
    );
  };

  const linked = async (gain: number) => {
    const same = noisy(voice, 1).map((value) => value * gain);
    expect((await found(same)).map(({ kind }) => kind)).toEqual(["linked"]);
  };
  test.each([0.5])("the same sound at %d times the level is linked, and nothing else", linked);
  inLong.each([1, 2])("the same sound at %d times the level is linked, and nothing else", linked);

  test("one microphone the other way round is inverted", async () => {
    expect((await found(noisy(shifted(20, -0.8), 2))).map(({ kind }) => kind)).toEqual(["inverted"]);
  });

  const late = async (ms: number) => {
    const findings = await found(noisy(shifted((ms * RATE) / 1000, 0.7), 3));
    expect(findings.map(({ kind }) => kind)).toEqual(["delayed"]);
    expect(findings[0]!.what).toMatchObject({ code: "finding.comesLate" });
    const { byMs } = findings[0]!.what as unknown as { byMs: number };
    expect(Math.abs(byMs - ms)).toBeLessThan(0.3);
  };
  test.each([12])("a delay of %d ms is told within 0.3 ms", late);
  inLong.each([5, 30])("a delay of %d ms is told within 0.3 ms", late);

  test("two microphones side by side are as they should be", async () => {
    expect(await found(noisy(shifted(10, 0.9), 4))).toEqual([]);
  });
});

describe("pieces of a recording", () => {
  const long = toWav([whiteNoise(9, -24, 150 * 8000)], { sampleRateHz: 8000, bits: 16 });

  test("cover every frame once, begin with a step, and carry context", () => {
    for (const [frames, rate, channels] of [
      [1, 48000, 1],
      [480_000_000, 48000, 2],
      [44_100 * 100, 44_100, 64],
    ] as const) {
      const pieces = planPieces(frames, rate, channels);
      let at = 0;
      for (const piece of pieces) {
        expect(piece.from).toBe(at);
        at += piece.frames;
        if (piece.index > 0) expect(piece.leadIn).toBeGreaterThan(0);
      }
      expect(at).toBe(frames);
    }
  });

  test("measured in any order by any number of meters come to the same figures", async () => {
    const source = bytesSource(long);
    const inTurn = await measureWav(source, "x");
    const backwards = await measureWav(source, "x", {}, async (header, pieces, onReport) => {
      for (const piece of [...pieces].reverse()) onReport(await measurePiece(source, header, meterFor(header), piece));
    });
    expect(backwards.measurement).toEqual(inTurn.measurement);
  });

  test("reports that come out of turn wait", () => {
    const seen: number[] = [];
    const add = inOrder((report) => seen.push(report.index));
    for (const index of [2, 0, 3, 1]) add({ index, channels: [], pairs: [], brokenSamples: 0, slowRateHz: 2000 });
    expect(seen).toEqual([0, 1, 2, 3]);
  });

  test("a file that shrinks while it is read is measured as far as it went, and says so", async () => {
    let reads = 0;
    const shrinking = {
      sizeBytes: long.length,
      read: (offset: number, length: number) => {
        reads += 1;
        return Promise.resolve(
          reads > 6 ? new Uint8Array(0) : long.subarray(offset, offset + Math.min(length, 400_000)),
        );
      },
    };
    const { measurement } = await measureWav(shrinking, "x");
    expect(measurement.format.durationS).toBeLessThan(150);
    expect(measurement.findings.map(({ kind }) => kind)).toContain("cutShort");
  });

  test("64 tracks are taken, 65 are not", async () => {
    const planes = Array.from({ length: 64 }, (_, track) => whiteNoise(track + 1, -30, 8000));
    const wav = toWav(planes, { sampleRateHz: 8000, bits: 24 });
    expect((await measureWav(bytesSource(wav), "x")).measurement.channels).toHaveLength(64);
    await expect(
      readWavHeader(bytesSource(toWav([...planes, planes[0]!], { sampleRateHz: 8000, bits: 24 }))),
    ).rejects.toThrow("refused.manyChannels");
  });
});

describe("words and lists", () => {
  test("findings as a table, channels from 1", async () => {
    const wav = toWav([new Float32Array(RATE)], { sampleRateHz: RATE, bits: 24 });
    const { measurement } = await measureWav(bytesSource(wav), "silent.wav");
    const [head, row] = findingsTable(measurement, ({ kind }) => ({
      name: kind,
      what: "what",
      cause: "",
      advice: "do",
    }));
    expect(head).toHaveLength(12);
    expect(row!.slice(0, 6)).toEqual(["silent.wav", 1, 0, 1, "fault", "silent"]);
  });
});
