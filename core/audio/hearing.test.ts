import fc from "fast-check";
import { BANDS_HZ, pieceMeter, PARTS_PER_HOP, type PieceFigures } from "./pieceMeter";
import { LINE_SIZE } from "./pieceHearing";
import { mixed, sine, whiteNoise } from "../../fixtures/testSignals";

const RATE = 48000;

function metered(planes: readonly Float32Array[], rate = RATE, leadIn = 0): PieceFigures {
  const form = {
    sampleRateHz: rate,
    channels: planes.length,
    fullScale: 1,
    encoding: "float",
    bytesPerSample: 4,
  } as const;
  const frames = planes[0]!.length;
  const meter = pieceMeter(form, frames / rate);
  meter.begin(leadIn);
  for (let from = 0; from < frames; from += meter.blockFrames)
    meter.pushPlanes(planes, from, Math.min(meter.blockFrames, frames - from));
  return meter.finish();
}

const tone = (frequencyHz: number, levelDbfs: number, seconds = 4, rate = RATE): Float32Array =>
  sine({ frequencyHz, levelDbfs, seconds, sampleRateHz: rate });
const powerDb = (power: number): number => 10 * Math.log10(power);
const middle = (values: ArrayLike<number>): number => values[values.length >> 1]!;
/** Mean square of a sine whose peak is at full scale. */
const FULL_DB = powerDb(0.5);
/** A voice's source: harmonics that fall by 12 dB an octave, as those of a larynx do (Fant 1960). */
const larynx = (pitchHz: number, seconds = 2): Float32Array =>
  mixed(
    new Float32Array(seconds * RATE),
    ...Array.from({ length: Math.floor(4000 / pitchHz) }, (_, index) =>
      tone(pitchHz * (index + 1), -20 - 40 * Math.log10(index + 1), seconds),
    ),
  );

describe("levels of a hop", () => {
  test.each([8000, 44100, 48000, 96000, 192000])(
    "a tone at −20 dBFS has its mean square in every hop, at %d Hz",
    (rate) => {
      const { level } = metered([tone(1000, -20, 1, rate)], rate).hearing.listen(0);
      expect(powerDb(middle(level))).toBeCloseTo(FULL_DB - 20, 1);
      expect(level).toHaveLength(100);
    },
  );

  test("power under 55 and 220 Hz: a tone of 30 Hz is under both, one of 110 Hz under the second, one of 440 Hz under none", () => {
    const lowsOf = (hz: number) => {
      const { low, lows } = metered([tone(hz, -20)]).hearing.listen(0);
      // A hop holds less than a turn of a low tone: a second of them is taken.
      const mean = (values: Float32Array) => values.slice(200, 300).reduce((sum, value) => sum + value, 0) / 100;
      return [powerDb(mean(low)), powerDb(mean(lows))];
    };
    expect(lowsOf(30)[0]).toBeCloseTo(FULL_DB - 20, 0);
    expect(lowsOf(30)[1]).toBeCloseTo(FULL_DB - 20, 0);
    // Four poles at 55 Hz: an octave above, 24 dB less.
    expect(lowsOf(110)[0]).toBeCloseTo(FULL_DB - 20 - 24, 0);
    expect(lowsOf(110)[1]).toBeCloseTo(FULL_DB - 20, 0);
    // Nearer to half the slow rate the filter falls faster.
    expect(lowsOf(440)[1]).toBeLessThan(FULL_DB - 20 - 24);
  });

  test("noise crackles less than clicks do, and a tone hardly", () => {
    const clicks = whiteNoise(3, -60, 2 * RATE);
    for (let frame = 0; frame < clicks.length; frame += 144) clicks[frame]! += 0.3;
    const crackleOf = (samples: Float32Array) => middle(metered([samples]).hearing.listen(0).crackle);
    const [ofTone, ofNoise, ofClicks] = [tone(1000, -20, 2), whiteNoise(4, -30, 2 * RATE), clicks].map(crackleOf) as [
      number,
      number,
      number,
    ];
    expect(ofTone).toBeLessThan(0.02);
    expect(ofNoise).toBeGreaterThan(0.1);
    expect(ofNoise).toBeLessThan(0.5);
    expect(ofClicks).toBeGreaterThan(1.5);
  });

  test("fine structure is the mean of five parts' steps", () => {
    const figures = metered([whiteNoise(5, -30, 1 * RATE)]);
    const { fine } = figures.hearing.listen(0);
    const { steps } = figures.channels[0]!;
    for (const part of [4, 137, 999])
      expect(fine[part]! / (steps.slice(part - 4, part + 1).reduce((sum, step) => sum + step, 0) / 5)).toBeCloseTo(
        1,
        5,
      );
    expect(fine).toHaveLength(100 * PARTS_PER_HOP);
  });
});

describe("noise under a voice", () => {
  test("minimum statistics find the noise's own power, whatever speaks over it", () => {
    const bed = whiteNoise(6, -50, 12 * RATE);
    const voice = tone(1000, -20, 12).map((value, frame) => (frame % 48000 < 24000 ? value : 0));
    const alone = metered([bed]);
    const own = BANDS_HZ.map((_, band) => {
      const powers = alone.channels[0]!.bands[band]!;
      return powers.reduce((sum, power) => sum + power, 0) / powers.length;
    });
    const { noise: found } = metered([mixed(bed, voice)]).hearing.listen(0);
    BANDS_HZ.forEach((hz, band) => {
      // Half a second of pause in a second: the tone's own band hears it ring. The narrowest bands hold few figures.
      const within = hz < 250 ? 4.5 : 3.5;
      if (Math.abs(hz - 1000) > 500)
        expect(Math.abs(powerDb(middle(found[band]!)) - powerDb(own[band]!))).toBeLessThan(within);
    });
  });

  test("digital silence has no noise, and nothing is loud in it", () => {
    const { noise: found, isLoud } = metered([new Float32Array(2 * RATE)]).hearing.listen(0);
    expect(Math.max(...found.map((band) => middle(band)))).toBeLessThan(1e-15);
    expect(isLoud.some((value) => value !== 0)).toBe(false);
  });
});

describe("the voice's period", () => {
  test.each([80, 110, 150, 210, 300, 400])("a voice of %d Hz is found within a quarter tone", (hz) => {
    const voice = larynx(hz);
    const quiet = new Float32Array(RATE);
    const samples = new Float32Array(4 * RATE);
    samples.set(quiet, 0);
    samples.set(voice, RATE);
    const bed = whiteNoise(7, -70, 4 * RATE);
    const { isLoud, voicing, pitchHz } = metered([mixed(samples, bed)]).hearing.listen(0);
    expect(isLoud[50]).toBe(0);
    expect(isLoud[200]).toBe(1);
    expect(voicing[200]).toBeGreaterThan(0.7);
    expect(Math.abs(12 * Math.log2(pitchHz[200]! / hz))).toBeLessThan(0.5);
  });

  test("noise has none", () => {
    const bed = whiteNoise(8, -70, 4 * RATE);
    const burst = whiteNoise(9, -20, 4 * RATE).map((value, frame) => (frame > RATE && frame < 2 * RATE ? value : 0));
    const { isLoud, voicing } = metered([mixed(bed, burst)]).hearing.listen(0);
    expect(isLoud[150]).toBe(1);
    expect([...voicing.slice(110, 190)].filter((value) => value > 0.55).length).toBeLessThan(12);
  });
});

describe("steady lines", () => {
  test("a tone that never goes away has its own power; one that is there half of the time has none", () => {
    const comes = tone(300, -20, 8).map((value, frame) => (frame < 4 * RATE ? value : 0));
    const figures = metered([mixed(tone(100, -50, 8), comes, whiteNoise(10, -80, 8 * RATE))]);
    const { lines } = figures.hearing.listen(0);
    const around = (hz: number) => {
      const line = Math.round((hz * LINE_SIZE) / figures.slowRateHz);
      return powerDb(lines.slice(line - 2, line + 3).reduce((total, power) => total + power, 0));
    };
    expect(around(100)).toBeCloseTo(FULL_DB - 50, 0);
    expect(around(300)).toBeLessThan(-85);
    expect(around(200)).toBeLessThan(-85);
  });
});

describe("sums", () => {
  const planes = [whiteNoise(11, -30, 1 * RATE)];

  test("neighbouring bands add up by hop, and there is room for so many", () => {
    const figures = metered(planes);
    const heard = figures.hearing.listen(0);
    const [from, to] = [BANDS_HZ.indexOf(315), BANDS_HZ.indexOf(3150)];
    const sums = heard.between("sound", from, to);
    for (const hop of [0, 50, 99]) {
      const naive = figures.channels[0]!.bands.slice(from, to + 1).reduce((sum, band) => sum + band[hop]!, 0);
      expect(sums[hop]! / naive).toBeCloseTo(1, 5);
    }
    expect(() => {
      for (;;) heard.between("noise", 0, 3);
    }).toThrow(RangeError);
  });

  test("bands add up over the hops of either mask", () => {
    const figures = metered(planes);
    const heard = figures.hearing.listen(0);
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 100, maxLength: 100, max: 2 }), fc.nat(99), (chosen, first) => {
        const [one, other] = [1, 2].map((which) => chosen.map((value) => (value === which ? 1 : 0)));
        const sums = heard.sumsWhere(one!, other!, first);
        [one!, other!].forEach((mask, which) => {
          const band = figures.channels[0]!.bands[9]!;
          const naive = band.reduce((sum, power, hop) => sum + (hop >= first && mask[hop] ? power : 0), 0);
          expect(sums[which]![9]).toBeCloseTo(naive, 12);
        });
      }),
      { numRuns: 30 },
    );
  });
});

describe("two channels", () => {
  const SIZE_HZ = 2000 / 2048;

  test("products are those of the slow signals, and phases turn with the delay", () => {
    const first = whiteNoise(12, -20, 4 * RATE);
    const delay = 240;
    const second = first.map((_, frame) => -(first[frame - delay] ?? 0));
    const { hearing, channels } = metered([first, second]);
    const [x, y] = channels.map((channel) => channel.slow) as [Float32Array, Float32Array];
    const { aa, bb, ab } = hearing.multiply(0, 1, 0);
    expect(aa / x.reduce((sum, value) => sum + value * value, 0)).toBeCloseTo(1, 6);
    expect(bb / y.reduce((sum, value) => sum + value * value, 0)).toBeCloseTo(1, 6);
    expect(ab / x.reduce((sum, value, at) => sum + value * y[at]!, 0)).toBeCloseTo(1, 4);
    const starts = [0, 2048, 4096];
    const { re, im } = hearing.relate(0, 1, starts, 110, 700);
    // 5 ms at 100 Hz, turned over: half a turn and half a turn.
    const bin = Math.round(200 / SIZE_HZ);
    const turned = -Math.cos(2 * Math.PI * bin * SIZE_HZ * (delay / RATE));
    expect(re[bin]! / starts.length).toBeCloseTo(turned, 1);
    expect(Math.hypot(re[bin]!, im[bin]!)).toBeLessThanOrEqual(starts.length + 1e-3);
    expect(re[100]).toBe(0);
  });
});

describe("context", () => {
  test("a piece's first hops move the activity's envelope and are not counted", () => {
    const samples = tone(1000, -20, 4);
    const [all, last] = [0, 2 * RATE].map((leadIn) => metered([samples], RATE, leadIn).channels[0]!.active);
    expect(all!.reduce((sum, count) => sum + count, 0)).toBe(4000);
    expect(last!.reduce((sum, count) => sum + count, 0)).toBe(2000);
    // After two seconds of tone the envelope stands: one threshold counts all of it.
    expect(Math.max(...last!)).toBe(2000);
  });
});
