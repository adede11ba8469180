import fc from "fast-check";
import { analyseClap, type ClapResult } from "./clap";
import { CLAP_RATE_HZ, noiseClap, toneClap } from "../../fixtures/decays";
import { LIVING_ROOM } from "./usualPlaces";
import { forecastPlace, midOf } from "./place";
import { echoFrom, MeasuredEcho } from "./measuredEcho";
import { fits } from "../schema";

function measured(result: ClapResult) {
  if (!result.isMeasured) throw new Error(result.says.code);
  return result;
}

function refusal(result: ClapResult): Extract<ClapResult, { isMeasured: false }>["says"] {
  if (result.isMeasured) throw new Error(`measured ${result.midS} s`);
  return result.says;
}

describe("a clap that cannot be measured says why and what to do", () => {
  const good = () => noiseClap({ timeS: 0.8, noiseDb: -75 });

  test("silence, a truncated file, and figures that are no sound", () => {
    expect(refusal(analyseClap(new Float32Array(48000), 48000)).code).toBe("clap.silent");
    expect(refusal(analyseClap(new Float32Array(0), 48000)).code).toBe("clap.silent");
    const broken = good();
    broken[100] = NaN;
    expect(refusal(analyseClap(broken, CLAP_RATE_HZ)).code).toBe("clap.notSound");
    const cut = good().subarray(0, CLAP_RATE_HZ + 2000);
    expect(refusal(analyseClap(cut, CLAP_RATE_HZ))).toEqual({ code: "clap.stopsAtOnce" });
  });

  test("a recording that ends in the middle of the decay", () => {
    const cut = noiseClap({ timeS: 3, noiseDb: -80, afterS: 1 });
    expect(refusal(analyseClap(cut, CLAP_RATE_HZ))).toMatchObject({
      ...{ code: "clap.notEvaluated", endsBy: "cut" },
    });
  });

  test("noise alone", () => {
    expect(refusal(analyseClap(noiseClap({ timeS: 0.5, noiseDb: -30, levelDb: -60 }), CLAP_RATE_HZ))).toEqual({
      code: "clap.none",
    });
  });

  test("clipped: the gain is to come down", () => {
    const loud = good().map((sample) => Math.max(-1, Math.min(1, sample * 40)));
    expect(refusal(analyseClap(loud, CLAP_RATE_HZ))).toEqual({ code: "clap.clipped" });
  });

  test("too quiet: the gain is to go up", () => {
    expect(
      refusal(
        analyseClap(
          good().map((sample) => sample / 400),
          CLAP_RATE_HZ,
        ),
      ),
    ).toMatchObject({ code: "clap.tooQuiet" });
  });

  test("too near to the noise: how many dB are missing", () => {
    const noisy = noiseClap({ timeS: 0.8, noiseDb: -40 });
    expect(refusal(analyseClap(noisy, CLAP_RATE_HZ))).toMatchObject({
      ...{ code: "clap.notEvaluated", lacks: "range", endsBy: "noise", neededDb: 35 },
    });
  });

  test("a hard first sound over a faint room: what is said is how far the decay goes, not how far the clap stands out", () => {
    // A room 26 dB under the clap itself: over 35 dB above the noise, but less than 25 dB of decay.
    const faint = noiseClap({ timeS: 0.8, noiseDb: -57, levelDb: -32, afterS: 1.5 });
    const start = CLAP_RATE_HZ;
    const burst = noiseClap({ timeS: 0.02, noiseDb: -200, levelDb: -4, seed: 9, afterS: 1.5 });
    const sound = faint.map((sample, at) => sample + (at >= start ? burst[at]! : 0));
    expect(refusal(analyseClap(sound, CLAP_RATE_HZ))).toMatchObject({
      ...{ code: "clap.notEvaluated", lacks: "reach", endsBy: "noise", neededDb: 25 },
    });
  });

  test("a refusal is for something that is missing (property)", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        fc.double({ min: -75, max: -35, noNaN: true }),
        fc.double({ min: -40, max: -8, noNaN: true }),
        fc.integer({ min: 1, max: 1000 }),
        (timeS, noiseDb, levelDb, seed) => {
          const room = noiseClap({ timeS, noiseDb, levelDb, seed, afterS: 1.5 });
          const burst = noiseClap({ timeS: 0.02, noiseDb: -200, levelDb: -6, seed: seed + 1, afterS: 1.5 });
          const result = analyseClap(
            room.map((sample, at) => sample + burst[at]!),
            CLAP_RATE_HZ,
          );
          if (result.isMeasured) return;
          if (result.says.code !== "clap.notEvaluated") return;
          const { lacks, hasDb, neededDb } = result.says;
          if (lacks !== "evenness") expect(hasDb).toBeLessThan(neededDb);
        },
      ),
      { numRuns: 12 },
    );
  });

  test("claps that come too soon after each other", () => {
    const first = noiseClap({ timeS: 1, noiseDb: -80, afterS: 0.45, levelDb: -11 });
    const second = noiseClap({ timeS: 1, noiseDb: -80, beforeS: 0, afterS: 2, levelDb: -14 });
    const two = new Float32Array([...first, ...second]);
    expect(refusal(analyseClap(two, CLAP_RATE_HZ))).toMatchObject({ endsBy: "nextClap" });
  });
});

test("of several claps the one that stands out furthest is measured, and it says so", () => {
  const first = noiseClap({ timeS: 0.5, noiseDb: -80, levelDb: -25 });
  const second = noiseClap({ timeS: 0.5, noiseDb: -80, levelDb: -12, seed: 8 });
  const result = measured(analyseClap(new Float32Array([...first, ...second]), CLAP_RATE_HZ));
  expect(result.claps).toBe(2);
  expect(result.atS).toBeCloseTo(first.length / CLAP_RATE_HZ + 1, 1);
  expect(result.remarks).toContainEqual(expect.objectContaining({ code: "clap.several", claps: 2 }));
});

test("two rooms through an open door bend the decay, and it says so", () => {
  const dry = noiseClap({ timeS: 0.3, noiseDb: -95, afterS: 3, levelDb: -8 });
  const wet = noiseClap({ timeS: 2.5, noiseDb: -95, afterS: 3, levelDb: -30, seed: 5 });
  const result = measured(
    analyseClap(
      dry.map((sample, at) => sample + wet[at]!),
      CLAP_RATE_HZ,
    ),
  );
  expect(result.remarks.map(({ code }) => code)).toContain("clap.bent");
});

test("a low sample rate leaves out the octaves it cannot hold", () => {
  const slow = noiseClap({ timeS: 0.6, noiseDb: -80 }).filter((_, at) => at % 6 === 0);
  const { bands } = measured(analyseClap(slow, CLAP_RATE_HZ / 6));
  expect(bands.map(({ hz }) => hz)).toEqual([125, 250, 500, 1000, 2000]);
});

test("the measured times replace the planned ones, octave by octave, and fit what is stored", () => {
  const analysis = measured(analyseClap(toneClap({ timeS: 1.4, noiseDb: -90 }), CLAP_RATE_HZ));
  const echo = echoFrom("clap.wav", analysis);
  expect(fits(MeasuredEcho, echo)).toBe(true);
  expect(JSON.stringify(echo).length).toBeLessThan(12_000);
  const planned = forecastPlace(LIVING_ROOM);
  const proved = forecastPlace({ ...LIVING_ROOM, echo });
  expect(planned.isEchoProved).toBe(false);
  expect(proved.isEchoProved).toBe(true);
  expect(proved.midS).toBeCloseTo(1.4, 1);
  expect(midOf(proved.plannedS!)).toBe(planned.midS);
  const partly = forecastPlace({ ...LIVING_ROOM, echo: { ...echo, decays: echo.decays.slice(2) } });
  expect(partly.reverberationS![0]).toBe(planned.reverberationS![0]);
  expect(partly.reverberationS![3]).toBe(proved.reverberationS![3]);
  expect(forecastPlace({ ...LIVING_ROOM, setting: "open", echo }).isEchoProved).toBe(false);
});

test("nothing that is fed in hangs, throws or measures a time that cannot be", () => {
  const anything = fc.array(fc.float({ min: -2, max: 2, noDefaultInfinity: true }), { maxLength: 4000 });
  fc.assert(
    fc.property(anything, fc.constantFrom(8000, 16000, 44100, 192000), (samples, rateHz) => {
      const result = analyseClap(Float32Array.from(samples), rateHz);
      if (result.isMeasured) expect(result.midS).toBeGreaterThan(0);
      else expect(result.says.code).toMatch(/^clap\./);
    }),
    { numRuns: 150 },
  );
});
