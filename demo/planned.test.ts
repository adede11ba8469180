import { readFileSync } from "node:fs";
import { bytesSource, readMono, toWav } from "../core/audio";
import { measureWav, type RecordingMeasurement } from "../core/check";
import { channelOfTake, findingsAgainstPlan } from "../core/proof";
import { LIVING_ROOM } from "../core/room";
import { emptyShoot, newScene, type PlaceBody, type ShootBundle } from "../core/records";
import { expectedTake, levelsOfRig, newRig } from "../core/planning";
import { stored, TEST_SHOOT, testWearer } from "../fixtures/testShoot";
import { chanceOf } from "./labelled/chance";
import { cleanWish, clipOf, type ClipWish } from "./labelled/clip";
import { RATE } from "./labelled/rate";
import { voiceOf } from "./voices";

/** What only a plan shows, told from sound: the demo's voices in rooms that are made, measured like any file. */

/** A room with more echo than a furnished one. */
const HALL: PlaceBody["model"] = { ...LIVING_ROOM, lengthM: 8, widthM: 6, heightM: 3.2, patches: [] };

const rig = (wearerId: string) => ({
  ...newRig({ shootId: "s", wearerId, sceneId: "c" }),
  choice: { site: "placket", surface: "outside", layer: 0, mount: "clip", port: "up" } as const,
});

/** A light voice on the first track, a deep one on the second. */
const BUNDLE: ShootBundle = {
  ...emptyShoot(stored<"shoot">("s", TEST_SHOOT)),
  places: [stored<"place">("p", { shootId: "s", name: "The hall", model: HALL })],
  scenes: [stored<"scene">("c", newScene("s", { placeId: "p", day: 1, startsAt: "09:00" }))],
  wearers: [
    stored<"wearer">("w", testWearer("Inès, engineer", { voice: "light" })),
    stored<"wearer">("v", testWearer("Tam, miller", { voice: "deep" })),
  ],
  rigs: [stored<"rig">("r", rig("w")), stored<"rig">("q", rig("v"))],
};
const EXPECTED = expectedTake(BUNDLE, levelsOfRig(BUNDLE, "r")!)!;

async function spoken(name: string, seed: number, own: Partial<ClipWish> = {}): Promise<Float32Array> {
  const { samples } = await readMono(
    bytesSource(new Uint8Array(readFileSync(`demo/recordings/voice-${name}.wav`))),
    60,
  );
  const chance = chanceOf(seed);
  return clipOf(chance, voiceOf(name, samples), { ...cleanWish(chance, 20), ...own }).samples;
}

async function measured(...channels: Float32Array[]): Promise<RecordingMeasurement> {
  const wav = toWav(channels, { sampleRateHz: RATE, bits: 24 });
  return (await measureWav(bytesSource(wav), "D1_S01_T01.wav")).measurement;
}

const kindsOf = (take: RecordingMeasurement, channel = 0) =>
  findingsAgainstPlan(EXPECTED, take, channel).map(({ kind }) => kind);

test("two voices on each other's tracks are told, the right way round they are not", async () => {
  const [light, deep] = [await spoken("engineer", 31), await spoken("miller", 32)];
  const crossed = await measured(deep, light);
  expect(crossed.channels[0]!.pitchHz!).toBeLessThan(crossed.channels[1]!.pitchHz! * 0.8);
  expect(kindsOf(crossed)).toContain("swapped");
  const right = await measured(light, deep);
  expect(kindsOf(right)).not.toContain("swapped");
  expect(channelOfTake(EXPECTED, right)).toBe(0);
});

test("a voice that comes from across the room, noise and all, came from another microphone", async () => {
  const echoS = EXPECTED.room!.reverberationS!;
  // A bare microphone in a quiet place: the voice was to stand 45 dB over the noise.
  const dressed = EXPECTED.dressed!;
  const bare = { ...dressed, candidate: { ...dressed.candidate, colourDb: [0, 0, 0, 0, 0, 0, 0] as const } };
  const quiet = { ...EXPECTED, dressed: bare, plan: { ...EXPECTED.plan, snrDb: 45 } };
  const found = async (own: Partial<ClipWish>) => {
    const take = await measured(await spoken("engineer", 33, { speechDb: -26, ...own }));
    return findingsAgainstPlan(quiet, take, 0).map(({ kind }) => kind);
  };
  // As far away as a camera stands: the room is louder than the voice's own way, and the noise is near.
  expect(await found({ echoS, echoUnderDb: -6, noiseDb: -54 })).toContain("ownMicrophone");
  // At the placket the same room is 16 dB under it.
  expect(await found({ echoS, echoUnderDb: 16, noiseDb: -66 })).not.toContain("ownMicrophone");
  // Noise alone is no other microphone.
  expect(await found({ echoS: 0.3, echoUnderDb: 18, noiseDb: -54 })).not.toContain("ownMicrophone");
});
