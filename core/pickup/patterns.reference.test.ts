import fc from "fast-check";
import {
  acceptanceArcDeg,
  distanceFactor,
  nearGain,
  nullDeg,
  patternDb,
  patternGain,
  PATTERN_IDS,
  PATTERNS,
  proximityDb,
  randomEnergy,
  randomEnergyDb,
  randomEnergyWithTube,
  tubeCutoffHz,
  tubeGain,
  type PatternId,
} from "./patterns";

interface Row {
  arc3: number;
  arc6: number;
  at90: number;
  at180: number;
  null: number | null;
  ree: number;
  reeDb: number;
  factor: number;
}

/** The table of first-order patterns as microphone handbooks print it; angles in whole degrees, levels in dB. */
const HANDBOOK: Record<PatternId, Row> = {
  omni: { arc3: 360, arc6: 360, at90: 0, at180: 0, null: null, ree: 1, reeDb: 0, factor: 1 },
  subcardioid: { arc3: 177, arc6: 264, at90: -3.1, at180: -8, null: null, ree: 0.52, reeDb: -2.8, factor: 1.4 },
  cardioid: { arc3: 131, arc6: 180, at90: -6, at180: -Infinity, null: 180, ree: 0.333, reeDb: -4.8, factor: 1.7 },
  supercardioid: { arc3: 115, arc6: 156, at90: -8.7, at180: -11.4, null: 125, ree: 0.268, reeDb: -5.7, factor: 1.9 },
  hypercardioid: { arc3: 105, arc6: 141, at90: -12, at180: -6, null: 110, ree: 0.25, reeDb: -6, factor: 2 },
  figureEight: { arc3: 90, arc6: 120, at90: -Infinity, at180: 0, null: 90, ree: 0.333, reeDb: -4.8, factor: 1.7 },
};

describe.each(PATTERN_IDS)("%s (microphone handbooks' table of first-order patterns)", (pattern) => {
  const row = HANDBOOK[pattern];

  test("arcs, sides, back and null", () => {
    expect(Math.abs(acceptanceArcDeg(pattern, 3) - row.arc3)).toBeLessThanOrEqual(1.2);
    expect(Math.abs(acceptanceArcDeg(pattern, 6.02) - row.arc6)).toBeLessThanOrEqual(1.2);
    for (const [angle, wanted] of [
      [90, row.at90],
      [180, row.at180],
    ] as const)
      if (wanted === -Infinity) expect(patternDb(pattern, angle)).toBe(-Infinity);
      else expect(Math.abs(patternDb(pattern, angle) - wanted)).toBeLessThan(0.1);
    if (row.null === null) expect(nullDeg(pattern)).toBeNull();
    else expect(Math.abs(nullDeg(pattern)! - row.null)).toBeLessThan(1);
  });

  test("random energy and distance factor, closed and by integration over the sphere", () => {
    expect(randomEnergy(pattern)).toBeCloseTo(row.ree, 2);
    expect(Math.abs(randomEnergyDb(pattern) - row.reeDb)).toBeLessThan(0.06);
    expect(Math.abs(distanceFactor(pattern) - row.factor)).toBeLessThan(0.06);
    // A tube too short to matter leaves the closed form.
    expect(randomEnergyWithTube(pattern, 1e-6, 1000)).toBeCloseTo(randomEnergy(pattern), 3);
  });

  test("is bounded by a + b in every direction, and its arcs widen as less is asked", () => {
    const { a, b } = PATTERNS[pattern];
    fc.assert(
      fc.property(fc.double({ min: -1, max: 1, noNaN: true }), (cosine) => {
        expect(Math.abs(patternGain(pattern, cosine))).toBeLessThanOrEqual(a + b + 1e-12);
      }),
    );
    expect(acceptanceArcDeg(pattern, 6)).toBeGreaterThanOrEqual(acceptanceArcDeg(pattern, 3));
  });
});

test.each([
  ["cardioid", 0.025, 20.8],
  ["cardioid", 0.05, 14.9],
  ["cardioid", 0.1, 9.3],
  ["cardioid", 0.3, 2.6],
  ["cardioid", 0.6, 0.8],
  ["figureEight", 0.1, 14.9],
] as const)(
  "%s at %d m lifts 100 Hz by %d dB (proximity effect, microphone handbooks)",
  (pattern, distanceM, liftDb) => {
    expect(Math.abs(proximityDb(pattern, 100, distanceM) - liftDb)).toBeLessThan(0.1);
  },
);

test("an omni has no proximity effect, and far away nobody has (definition)", () => {
  expect(proximityDb("omni", 100, 0.02)).toBe(0);
  for (const pattern of PATTERN_IDS) expect(proximityDb(pattern, 1000, 5)).toBeLessThan(0.05);
});

test("nearness never takes anything away (property)", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...PATTERN_IDS),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.double({ min: 0.01, max: 10, noNaN: true }),
      (pattern, cosine, distanceM) => {
        const far = Math.abs(patternGain(pattern, cosine));
        expect(nearGain(pattern, cosine, 125, distanceM)).toBeGreaterThanOrEqual(far - 1e-12);
      },
    ),
  );
});

describe("interference tube (line microphone, Olson)", () => {
  test("a 28 cm tube begins to narrow at about 610 Hz: c/(2·L)", () => {
    expect(tubeCutoffHz(0.28)).toBeCloseTo(613, 0);
  });

  test("whole on axis; at 90° deaf where the tube is a whole wavelength", () => {
    expect(tubeGain(0.3, 1, 8000)).toBe(1);
    expect(tubeGain(0.3, 0, 343.2 / 0.3)).toBeLessThan(0.01);
  });

  test("takes in less and less of the room as frequency rises, and never more than the capsule alone", () => {
    const energies = [125, 500, 2000, 8000].map((hz) => randomEnergyWithTube("hypercardioid", 0.3, hz));
    expect([...energies].sort((one, other) => other - one)).toEqual(energies);
    expect(energies[0]).toBeLessThanOrEqual(randomEnergy("hypercardioid") + 1e-9);
  });
});
