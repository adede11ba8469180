import { dbToPower, powerToDb } from "../sound";
import { randomFrom } from "./coordinate";
import { binScan, type Scan } from "./scan";

/** What the simulated scanner is pointed at. A stand-in for a real receiver's scan: invented signals, the same for the same place. */
export interface SimulatedAir {
  /** Where it is: another place, other stations. */
  place: string;
  /** Hour of the day, 0…24: some users come and go. */
  hour: number;
  fromMHz: number;
  toMHz: number;
  stepKHz: number;
  /** Own transmitters that were left on, MHz: they look like anybody else's. */
  ownMHz: readonly number[];
}

/** Width of a broadcasting block, MHz; share of blocks in use; noise floor of a receiver in 25 kHz, dBm. All invented. */
const BLOCK_MHZ = 8;
const BLOCK_SHARE = 0.35;
const FLOOR_DBM = -108;
const OWN_DBM = -42;

function hashOf(text: string): number {
  let hash = 2166136261;
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 16777619);
  return hash >>> 0;
}

interface Signal {
  atMHz: number;
  widthMHz: number;
  levelDbm: number;
  /** On from this hour to that. */
  fromHour: number;
  toHour: number;
}

/** Everything on the air of one place, the whole day. */
function signalsOf(place: string): Signal[] {
  const random = randomFrom(hashOf(place));
  const signals: Signal[] = [];
  for (let from = 470; from < 694; from += BLOCK_MHZ)
    if (random() < BLOCK_SHARE)
      signals.push({
        atMHz: from + BLOCK_MHZ / 2,
        widthMHz: BLOCK_MHZ - 0.4,
        levelDbm: -92 + 42 * random(),
        fromHour: 0,
        toHour: 24,
      });
  for (let each = 0; each < 14; each += 1) {
    const isAlways = random() < 0.4;
    const fromHour = isAlways ? 0 : 6 + 12 * random();
    signals.push({
      atMHz: Math.round((470 + 224 * random()) * 40) / 40,
      widthMHz: 0.15,
      levelDbm: -88 + 40 * random(),
      fromHour,
      toHour: isAlways ? 24 : fromHour + 1 + 4 * random(),
    });
  }
  for (let each = 0; each < 3; each += 1)
    signals.push({ atMHz: 2412 + 25 * each, widthMHz: 20, levelDbm: -80 + 30 * random(), fromHour: 0, toHour: 24 });
  return signals;
}

/** A scan of the simulated air. Steps of 1…1000 kHz; at most 12 000 of them are kept. */
export function simulatedScan({ place, hour, fromMHz, toMHz, stepKHz, ownMHz }: SimulatedAir): Scan {
  const on = signalsOf(place).filter((signal) => hour >= signal.fromHour && hour < signal.toHour);
  const own = ownMHz.map((atMHz): Signal => ({ atMHz, widthMHz: 0.15, levelDbm: OWN_DBM, fromHour: 0, toHour: 24 }));
  const random = randomFrom(hashOf(`${place} ${hour} ${fromMHz}`));
  const count = Math.floor(((toMHz - fromMHz) * 1000) / stepKHz + 1e-6) + 1;
  const frequenciesMHz = Float64Array.from({ length: count }, (_, index) => fromMHz + (index * stepKHz) / 1000);
  const levelsDbm = frequenciesMHz.map((frequencyMHz) => {
    let power = dbToPower(FLOOR_DBM + 6 * (random() - 0.5));
    for (const { atMHz, widthMHz, levelDbm } of [...on, ...own]) {
      const beyondMHz = Math.abs(frequencyMHz - atMHz) - widthMHz / 2;
      if (beyondMHz > 1) continue;
      // Beyond its edge a signal falls steeply.
      const flank = beyondMHz <= 0 ? 0 : -60 * Math.min(1, beyondMHz / (0.25 * Math.max(0.2, widthMHz / 8)));
      power += dbToPower(levelDbm + flank + 3 * (random() - 0.5));
    }
    return powerToDb(power);
  });
  return binScan({ frequenciesMHz, levelsDbm }, `${place}, ${Math.floor(hour)} h, simulated`, true);
}
