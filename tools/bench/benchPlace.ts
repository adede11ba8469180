import { usualSource } from "../../core/noise";
import { hearAll, type MicrophoneId, MICROPHONES, type PlacedMic, placeSound, type Talker } from "../../core/pickup";
import { analyseClap, type PlaceModel } from "../../core/room";
import { CLAP_RATE_HZ, noiseClap } from "../../fixtures/decays";
import { bestOrder, type SceneWish } from "../../core/schedule";
import { DEMO_PLACES, PLACE_IDS } from "../../demo/places";
import { median } from "./median";

const GRANARY = DEMO_PLACES[PLACE_IDS.GRANARY]!.model;
const KINDS: readonly MicrophoneId[] = ["shortHyper", "longGun", "studio"];

const mics = Array.from({ length: 12 }, (_, index): PlacedMic => {
  const microphone = KINDS[index % KINDS.length]!;
  return {
    id: String(index),
    microphone,
    pattern: MICROPHONES[microphone].patterns[0],
    holder: MICROPHONES[microphone].holder,
    at: { xM: 1 + 0.4 * index, yM: 2 },
    heightM: 1.7,
    aimsDeg: 30 * index,
    tiltDeg: -20,
    hasScreen: false,
    handsM: null,
  };
});

const talkers = Array.from({ length: 6 }, (_, index): Talker => ({
  id: String(index),
  name: `Talker ${index}`,
  wearerId: null,
  at: { xM: 2, yM: 1 + 0.5 * index },
  mouthM: 1.5,
  facesDeg: 60 * index,
  turnsDeg: 0,
  effort: "normal",
  path: Array.from({ length: 49 }, (_each, step) => ({ xM: 2 + 0.05 * step, yM: 1 + 0.5 * index })),
  isInstrument: false,
}));

const noisy: PlaceModel = {
  ...GRANARY,
  sources: Array.from({ length: 30 }, (_, index) =>
    usualSource(String(index), "fridge", { distanceM: 2.5, bearingDeg: 12 * index }),
  ),
};

/** Twelve scenes in three places, each crossed by forty noises that come at their own times. */
const scenes = Array.from({ length: 12 }, (_, index): SceneWish => ({
  id: String(index),
  lengthMin: 18 + (index % 5) * 6,
  takeMin: 4 + (index % 4),
  placeId: String(index % 3),
  earliestMin: 480,
  latestMin: 1200,
  fixedAtMin: index === 5 ? 720 : null,
  blocked: Array.from({ length: 40 }, (_each, noise) => {
    const fromMin = 480 + ((noise * 37 + index * 11) % 700);
    return { fromMin, toMin: fromMin + 1 + (noise % 3) };
  }),
}));

/** Prints how long claps, microphones in a place and a day's order take; false when a limit is passed. */
export function benchPlace(): boolean {
  const clap = noiseClap({ timeS: 1.5, noiseDb: -75, beforeS: 2, afterS: 8 });
  const clapMs = median(() => void analyseClap(clap, CLAP_RATE_HZ));
  const pickupMs = median(() => void hearAll(mics, talkers, placeSound(noisy)));
  let finishMin = 0;
  let isProved = false;
  const orderMs = median(() => {
    ({ finishMin, isProved } = bestOrder({ scenes, day: { fromMin: 480, toMin: 1200 }, moveMin: 15 }));
  });
  process.stdout.write(
    `clap, ${(clap.length / CLAP_RATE_HZ).toFixed(0)} s at 48 kHz: ${clapMs.toFixed(0)} ms (at most 150)\n` +
      `12 microphones, 6 talkers of 50 spots, 30 noises, 7 octaves: ${pickupMs.toFixed(1)} ms (at most 30)\n` +
      `12 scenes, 40 noises each: ${orderMs.toFixed(0)} ms (at most 2000), ${isProved ? "proved best" : "not proved"}, done ${finishMin} min\n`,
  );
  return clapMs <= 150 && pickupMs <= 30 && orderMs <= 2000 && isProved;
}
