import fc from "fast-check";
import { airAbsorptionDbPerM, speedOfSoundMps } from "./air";
import { dbToAmplitude, amplitudeToDb, dbuToVolts, meanSquareToDbfs, sumLevelsDb, voltsToDbu } from "./decibel";
import { aWeightedDb, addOctaves, overallDb, type OctaveLevels } from "./octaves";

const FLAT: OctaveLevels = [60, 60, 60, 60, 60, 60, 60];

describe("decibels", () => {
  test("two equal incoherent sources are 3 dB more than one", () => {
    expect(sumLevelsDb([70, 70])).toBeCloseTo(73.01, 2);
    expect(sumLevelsDb([])).toBe(-Infinity);
  });

  test("conversions undo each other", () => {
    fc.assert(
      fc.property(fc.double({ min: -120, max: 40, noNaN: true }), (levelDb) => {
        expect(amplitudeToDb(dbToAmplitude(levelDb))).toBeCloseTo(levelDb, 9);
        expect(voltsToDbu(dbuToVolts(levelDb))).toBeCloseTo(levelDb, 9);
      }),
    );
  });

  test("a sum is never below its loudest part and never above it by more than 10·lg n", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -60, max: 140, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (levels) => {
          const sum = sumLevelsDb(levels);
          const loudest = Math.max(...levels);
          expect(sum).toBeGreaterThanOrEqual(loudest - 1e-9);
          expect(sum).toBeLessThanOrEqual(loudest + 10 * Math.log10(levels.length) + 1e-9);
        },
      ),
    );
  });
});

describe("octaves", () => {
  test("tables add band by band; seven equal bands are 8.45 dB more than one", () => {
    expect(addOctaves(FLAT, [1, 2, 3, 4, 5, 6, 7])).toEqual([61, 62, 63, 64, 65, 66, 67]);
    expect(overallDb(FLAT)).toBeCloseTo(68.45, 2);
    expect(aWeightedDb(FLAT)).toBeLessThan(overallDb(FLAT));
  });
});

test("air takes more from the highs, and more from dry air's highs", () => {
  expect(airAbsorptionDbPerM(8000)).toBeGreaterThan(airAbsorptionDbPerM(1000) * 5);
  const dry = airAbsorptionDbPerM(4000, { temperatureC: 20, relativeHumidityPercent: 20, pressureKpa: 101.325 });
  expect(dry).toBeGreaterThan(airAbsorptionDbPerM(4000));
  expect(speedOfSoundMps(0)).toBeCloseTo(331.3, 5);
});

test("a digital zero has no level", () => {
  expect(meanSquareToDbfs(0)).toBe(-Infinity);
});
