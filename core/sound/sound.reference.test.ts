import { airAbsorptionDbPerM, speedOfSoundMps } from "./air";
import { dbuToVolts, dbvToDbu, meanSquareToDbfs } from "./decibel";
import { A_WEIGHTING_DB, OCTAVES_HZ } from "./octaves";

test("+4 dBu is 1.228 V, −10 dBV is −7.8 dBu (definitions of dBu and dBV, audio handbooks)", () => {
  expect(dbuToVolts(4)).toBeCloseTo(1.228, 3);
  expect(dbvToDbu(-10)).toBeCloseTo(-7.78, 2);
});

test("a full-scale sine reads 0 dBFS RMS (AES17)", () => {
  expect(meanSquareToDbfs(0.5)).toBeCloseTo(0, 10);
});

test("343.2 m/s at 20 °C (speed of sound in dry air, physics handbooks)", () => {
  expect(speedOfSoundMps(20)).toBeCloseTo(343.2, 1);
});

test("A-weighting from its pole frequencies agrees with the table within 0.1 dB (IEC 61672-1 annex E)", () => {
  const weight = (f: number) =>
    (12194 ** 2 * f ** 4) /
    ((f ** 2 + 20.6 ** 2) * Math.sqrt((f ** 2 + 107.7 ** 2) * (f ** 2 + 737.9 ** 2)) * (f ** 2 + 12194 ** 2));
  OCTAVES_HZ.forEach((hz, band) => {
    const db = 20 * Math.log10(weight(hz) / weight(1000));
    expect(Math.abs(db - A_WEIGHTING_DB[band]!)).toBeLessThan(0.11);
  });
});

/** dB/km at 20 °C, 101.325 kPa. */
test.each([
  [1000, 50, 4.66],
  [4000, 50, 29.4],
  [8000, 50, 105],
  [1000, 20, 6.5],
  [2000, 70, 9.0],
])(
  "air absorption at %d Hz and %d %% humidity is about %d dB/km (ISO 9613-1 table 1, from memory)",
  (hz, humidity, perKm) => {
    const air = { temperatureC: 20, relativeHumidityPercent: humidity, pressureKpa: 101.325 };
    expect(Math.abs(airAbsorptionDbPerM(hz, air) * 1000 - perKm) / perKm).toBeLessThan(0.1);
  },
);
