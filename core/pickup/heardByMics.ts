import { clarityC50Db, speechTransmissionIndex } from "../room";
import {
  amplitudeToDb,
  aWeightedDb,
  dbToPower,
  mapOctaves,
  type OctaveLevels,
  OCTAVES_HZ,
  overallDb,
  powerToDb,
} from "../sound";
import { mouthDirectivityDb, speechOctavesDb } from "../voice";
import { strongestCombing, type Combing } from "./combing";
import { handCombing } from "./hands";
import { MICROPHONES, randomEnergyOctaves, selfNoiseDb } from "./microphones";
import { nearGain, patternGain, PATTERNS, tubeGain } from "./patterns";
import { coverFor, windPower } from "./wind";
import type { Mirror, PlaceSound } from "./placeSound";
import type { AddressFault } from "./messages";
import type { RiskStep } from "./kinds";
import { addressFault, HANDLING, plosiveStep } from "./risks";
import type { PlacedMic, Spot, Talker } from "./pickupSetup";
import { cosineBetween, degreesOf, direction, length, subtract, type Vec } from "./space";

/** How one microphone gets one talker. Levels are dB SPL as the microphone reads them, its axis being 0. */
export interface TalkerHeard {
  talkerId: string;
  distanceM: number;
  /** Off the microphone's front and off the mouth's axis, degrees. */
  offMicDeg: number;
  offMouthDeg: number;
  octavesDb: OctaveLevels;
  levelDb: number;
  noiseDb: number;
  snrDb: number;
  /** Direct over room sound around 1 kHz, dB; +∞ in the open. */
  directOverRoomDb: number;
  sti: number;
  c50Db: number;
  /** Lift of the 125 Hz octave by nearness, dB. */
  proximityDb: number;
  plosive: RiskStep;
  /** Largest less smallest level over the way walked and the head's turns, dB. */
  swingDb: number;
  combing: Combing | null;
  addressFault: AddressFault | null;
}

export interface MicHeard {
  micId: string;
  talkers: readonly TalkerHeard[];
  /** The talker it gets loudest. */
  mainTalkerId: string | null;
  /** How far the loudest other talker lies below, dB; +∞ when nobody else talks. */
  separationDb: number;
  noiseOctavesDb: OctaveLevels;
  /** How much duller than the voice the room sounds through it, dB: middle octaves less the two above. */
  tailDullerDb: number;
  /** How much what holds it shakes it. */
  handling: RiskStep;
  /** Wind noise under its cover, dBA; far below hearing without wind. */
  windDba: number;
  /** How near the nearest noise of the place stands, m; +∞ when none is in it. */
  nearestNoiseM: number;
}

const micPoint = ({ at, heightM }: PlacedMic): Vec => [at.xM, at.yM, heightM];
const mouthPoint = ({ mouthM }: Talker, { xM, yM }: Spot): Vec => [xM, yM, mouthM];
/** Nearer than this nothing stands: a capsule touching the lips, m. */
const NEAREST_M = 0.02;

/** A microphone made ready for many talkers. */
interface ReadyMic {
  mic: PlacedMic;
  at: Vec;
  front: Vec;
  tubeM: number;
  /** Room sound re a voice at 1 m in front, as power; 0 in the open. */
  roomPower: OctaveLevels;
  noiseDb: OctaveLevels;
  noisePower: number;
  /** What wind adds under its cover, dBA. */
  windDba: number;
}

function ready(mic: PlacedMic, place: PlaceSound): ReadyMic {
  const at = micPoint(mic);
  const front = direction(mic.aimsDeg, mic.tiltDeg);
  const { tubeM } = MICROPHONES[mic.microphone];
  const energy = randomEnergyOctaves(mic.microphone, mic.pattern);
  const own = selfNoiseDb(mic.microphone);
  const wind = windPower(
    place.windMps,
    mic.cover ?? coverFor(mic.holder, place.windMps),
    PATTERNS[mic.pattern].b > 0.2,
  );
  const noiseDb = mapOctaves((band) => {
    let power = dbToPower(place.diffuseNoiseDb[band]!) * energy[band]! + dbToPower(own[band]!) + wind[band]!;
    for (const noise of place.localNoises) {
      const way = subtract(noise.at, at);
      const distanceM = Math.max(0.1, length(way));
      const cosine = cosineBetween(front, way);
      const gain =
        nearGain(mic.pattern, cosine, OCTAVES_HZ[band]!, distanceM) * tubeGain(tubeM, cosine, OCTAVES_HZ[band]!);
      power += (dbToPower(noise.at1mDb[band]!) * gain * gain) / (distanceM * distanceM);
    }
    return powerToDb(power);
  });
  return {
    mic,
    at,
    front,
    tubeM,
    roomPower: mapOctaves((band) => dbToPower(place.reverberantDb[band]!) * energy[band]!),
    noiseDb,
    noisePower: dbToPower(overallDb(noiseDb)),
    windDba: aWeightedDb(mapOctaves((band) => powerToDb(Math.max(1e-12, wind[band]!)))),
  };
}

/** What the mouth radiates by whole degree off its axis and octave, as power re straight ahead. */
const MOUTH_POWER: Float64Array = (() => {
  const powers = new Float64Array(181 * 7);
  for (let degree = 0; degree <= 180; degree += 1)
    mouthDirectivityDb(degree).forEach((levelDb, band) => {
      powers[degree * 7 + band] = dbToPower(levelDb);
    });
  return powers;
})();

/** Direct sound of a talker at a spot, looking somewhere: power by octave re their voice at 1 m in front. */
function directPower({ mic, at, front, tubeM }: ReadyMic, mouth: Vec, looks: Vec, out: Float64Array): void {
  const [x, y, z] = [at[0] - mouth[0], at[1] - mouth[1], at[2] - mouth[2]];
  const wayM = Math.hypot(x, y, z);
  const distanceM = Math.max(NEAREST_M, wayM);
  const size = Math.max(1e-12, wayM);
  const cosine = -(front[0] * x + front[1] * y + front[2] * z) / size;
  const mouthCosine = Math.max(-1, Math.min(1, (looks[0] * x + looks[1] * y + looks[2] * z) / size));
  const row = 7 * Math.round(degreesOf(mouthCosine));
  for (let band = 0; band < 7; band += 1) {
    const hz = OCTAVES_HZ[band]!;
    const gain = nearGain(mic.pattern, cosine, hz, distanceM) * (tubeM === 0 ? 1 : tubeGain(tubeM, cosine, hz));
    out[band] = Math.max(1e-12, (MOUTH_POWER[row + band]! * gain * gain) / (distanceM * distanceM));
  }
}

/** Moments that count for evenness: every spot of the way, looking ahead and turned to either side. */
function swingOf(ready: ReadyMic, talker: Talker, voicePower: OctaveLevels): number {
  const turns = talker.turnsDeg > 0 ? [-talker.turnsDeg, 0, talker.turnsDeg] : [0];
  const looks = turns.map((turn) => direction(talker.facesDeg + turn));
  const direct = new Float64Array(7);
  let [low, high] = [Infinity, 0];
  const isFollowing = ready.mic.holder === "boom";
  for (const spot of [talker.at, ...talker.path])
    for (const look of looks) {
      // A boom walks along.
      const heardAt = isFollowing ? talker.at : spot;
      directPower(ready, mouthPoint(talker, heardAt), look, direct);
      let power = 0;
      for (let band = 0; band < 7; band += 1) power += voicePower[band]! * (direct[band]! + ready.roomPower[band]!);
      low = Math.min(low, power);
      high = Math.max(high, power);
    }
  return powerToDb(high / low);
}

/** Height of a table's top, m. Common practice. */
export const TABLE_M = 0.74;
const TABLE: Mirror = { name: "table", normal: [0, 0, 1], offset: TABLE_M, sendsBack: 0.95 };

function hearTalker(ready: ReadyMic, talker: Talker, place: PlaceSound): TalkerHeard {
  const { mic, at, front, roomPower, noiseDb, noisePower } = ready;
  const mouth = mouthPoint(talker, talker.at);
  const looks = direction(talker.facesDeg);
  const way = subtract(at, mouth);
  const distanceM = Math.max(NEAREST_M, length(way));
  const cosine = cosineBetween(front, [-way[0], -way[1], -way[2]]);
  const offMouthDeg = degreesOf(cosineBetween(looks, way));
  const voiceDb = speechOctavesDb(talker.effort);
  const direct = new Float64Array(7);
  directPower(ready, mouth, looks, direct);
  const octavesDb = mapOctaves((band) => voiceDb[band]! + powerToDb(direct[band]! + roomPower[band]!));
  const ratio = mapOctaves((band) => (place.isOpen ? Infinity : powerToDb(direct[band]! / roomPower[band]!)));
  const levelDb = overallDb(octavesDb);
  const far = Math.abs(patternGain(mic.pattern, cosine));
  const isOverTable = mic.holder === "table" && mouth[2] > TABLE_M && at[2] > TABLE_M;
  const gainTowards = (image: Vec, mirror: Mirror | null): number => {
    const from = subtract(at, image);
    const aside = cosineBetween(front, [-from[0], -from[1], -from[2]]);
    // A mirrored mouth looks the mirrored way.
    const turned = mirror ? mirrorDirection(looks, mirror) : looks;
    const mouthDb = mouthDirectivityDb(degreesOf(cosineBetween(turned, from)))[3];
    return Math.abs(patternGain(mic.pattern, aside)) * 10 ** (mouthDb / 20);
  };
  const sides = strongestCombing(
    mouth,
    at,
    isOverTable ? [...place.mirrors, TABLE] : place.mirrors,
    gainTowards,
    place.speedMps,
  );
  const hands = handCombing(mic, at, front, mouth, (point) =>
    Math.abs(patternGain(mic.pattern, cosineBetween(front, subtract(point, at)))),
  );
  return {
    talkerId: talker.id,
    distanceM,
    offMicDeg: degreesOf(cosine),
    offMouthDeg,
    octavesDb,
    levelDb,
    noiseDb: powerToDb(noisePower),
    snrDb: levelDb - powerToDb(noisePower),
    directOverRoomDb: ratio[3],
    sti: speechTransmissionIndex({
      reverberationS: place.reverberationS,
      directOverReverberantDb: ratio,
      snrDb: mapOctaves((band) => octavesDb[band]! - noiseDb[band]!),
    }),
    c50Db: clarityC50Db(place.reverberationS[3], ratio[3]),
    proximityDb: far < 0.05 ? 0 : amplitudeToDb(nearGain(mic.pattern, cosine, OCTAVES_HZ[0], distanceM) / far),
    plosive: talker.isInstrument ? 0 : plosiveStep(mic, offMouthDeg, distanceM),
    swingDb: swingOf(
      ready,
      talker,
      mapOctaves((band) => dbToPower(voiceDb[band]!)),
    ),
    combing: hands && hands.rippleDb > (sides?.rippleDb ?? 0) ? hands : sides,
    addressFault: addressFault(mic, degreesOf(cosine)),
  };
}

function mirrorDirection(way: Vec, { normal }: Mirror): Vec {
  const twice = 2 * (way[0] * normal[0] + way[1] * normal[1] + way[2] * normal[2]);
  return [way[0] - normal[0] * twice, way[1] - normal[1] * twice, way[2] - normal[2] * twice];
}

/** A tube narrows the highs only: of the room it lets in the lows and middles, and not the highs. */
function tailDullerDb({ microphone, pattern }: PlacedMic): number {
  const energy = randomEnergyOctaves(microphone, pattern);
  return powerToDb((energy[1] + energy[2] + energy[3]) / 3) - powerToDb((energy[4] + energy[5]) / 2);
}

/**
 * What every microphone gets of every talker in a place: levels by octave, noise, clarity, risks, and who else is heard.
 *
 * Direct sound by distance, the mouth's and the microphone's directivity with its nearness; room sound by the pattern's
 * random energy; noise from all round and from points; STI by IEC 60268-16. At most 12 microphones and 6 talkers.
 */
export function hearAll(mics: readonly PlacedMic[], talkers: readonly Talker[], place: PlaceSound): MicHeard[] {
  return mics.map((mic): MicHeard => {
    const prepared = ready(mic, place);
    const heard = talkers.map((talker) => hearTalker(prepared, talker, place));
    const byLevel = [...heard].sort((one, other) => other.levelDb - one.levelDb);
    const [main, second] = byLevel;
    return {
      micId: mic.id,
      talkers: heard,
      mainTalkerId: main?.talkerId ?? null,
      separationDb: main && second ? main.levelDb - second.levelDb : Infinity,
      noiseOctavesDb: prepared.noiseDb,
      tailDullerDb: tailDullerDb(mic),
      handling: HANDLING[mic.holder],
      windDba: prepared.windDba,
      nearestNoiseM: Math.min(Infinity, ...place.localNoises.map(({ at }) => length(subtract(at, prepared.at)))),
    };
  });
}
