/** Speed of sound in air, m/s. Temperature −40…+60 °C. Source: 331.3·√(1 + T/273.15). */
export function speedOfSoundMps(temperatureC: number): number {
  return 331.3 * Math.sqrt(1 + temperatureC / 273.15);
}

export interface Air {
  temperatureC: number;
  relativeHumidityPercent: number;
  pressureKpa: number;
}

export const ROOM_AIR: Air = { temperatureC: 20, relativeHumidityPercent: 50, pressureKpa: 101.325 };

/**
 * Atmospheric absorption of a pure tone, dB per metre.
 *
 * Frequency 50 Hz…10 kHz, temperature −20…+50 °C, humidity 10…100 %, pressure below 200 kPa; the standard gives ±10 %.
 * Source: ISO 9613-1:1993, equations 3 to 6 and B.1 to B.3.
 */
export function airAbsorptionDbPerM(frequencyHz: number, air: Air = ROOM_AIR): number {
  const kelvin = air.temperatureC + 273.15;
  const relativeTemperature = kelvin / 293.15;
  const relativePressure = air.pressureKpa / 101.325;
  const saturation = 10 ** (-6.8346 * (273.16 / kelvin) ** 1.261 + 4.6151);
  const vapour = (air.relativeHumidityPercent * saturation) / relativePressure;
  const oxygenHz = relativePressure * (24 + (4.04e4 * vapour * (0.02 + vapour)) / (0.391 + vapour));
  const nitrogenHz =
    relativePressure *
    relativeTemperature ** -0.5 *
    (9 + 280 * vapour * Math.exp(-4.17 * (relativeTemperature ** (-1 / 3) - 1)));
  const squared = frequencyHz * frequencyHz;
  const classical = (1.84e-11 / relativePressure) * Math.sqrt(relativeTemperature);
  const oxygen = (0.01275 * Math.exp(-2239.1 / kelvin)) / (oxygenHz + squared / oxygenHz);
  const nitrogen = (0.1068 * Math.exp(-3352 / kelvin)) / (nitrogenHz + squared / nitrogenHz);
  return 8.686 * squared * (classical + relativeTemperature ** -2.5 * (oxygen + nitrogen));
}

/** Energy attenuation coefficient m of Sabine's formula, 1/m: absorption in dB/m ÷ (10·lg e). */
export function airEnergyLossPerM(frequencyHz: number, air: Air = ROOM_AIR): number {
  return airAbsorptionDbPerM(frequencyHz, air) / (10 * Math.log10(Math.E));
}
