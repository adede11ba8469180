import { readdirSync } from "node:fs";
import { join } from "node:path";
import { addAt, dbToGain, type Dice, rms, seconds } from "./sounds";
import { fetchPackages, type Part, partOf, samplesOf, type Speaker } from "./speakers";
import { mixed, type Take, takeOf } from "./takes";

/** What sounds in a place and is no fault of the rig. */
export const OTHERS = ["music", "two at once", "acted voices", "laughter", "things and animals"] as const;
export type Other = (typeof OTHERS)[number];

const soundsIn = (folder: string, isWanted: (name: string) => boolean): string[] =>
  (readdirSync(folder, { recursive: true }) as string[])
    .filter((name) => /\.(ogg|wav)$/.test(name) && isWanted(name))
    .map((name) => join(folder, name))
    .sort();

/** Recordings by what they are, of one part: split by file, or by the actor's folder. */
export function otherSounds(folder: string, part: Part): Readonly<Record<Exclude<Other, "two at once">, string[]>> {
  const share = fetchPackages(folder);
  const own = (files: string[], by: (file: string) => string = (file) => file): string[] =>
    files.filter((file) => partOf(by(file).slice(share.length)) === part);
  const game = join(share, "games/hedgewars/Data/Sounds");
  const actor = (file: string): string => file.split("/").slice(0, -1).join("/");
  return {
    music: own(soundsIn(join(share, "asterisk/moh"), () => true)),
    "acted voices": own(
      soundsIn(join(game, "voices"), (name) => !/laugh/i.test(name)),
      actor,
    ),
    laughter: own(soundsIn(join(game, "voices"), (name) => /laugh/i.test(name))),
    "things and animals": own(soundsIn(game, (name) => !name.includes("/"))),
  };
}

/** A take with something else in the place, some way under the voice. */
export function otherTake(
  dice: Dice,
  other: Other,
  speakers: readonly Speaker[],
  sounds: ReturnType<typeof otherSounds>,
  folder: string,
): Float32Array {
  const take: Take = takeOf(dice, dice.one(speakers), 60);
  const samples = mixed(take.voice, take.noise);
  if (other === "two at once") {
    const second = takeOf(dice, dice.one(speakers), 60);
    addAt(samples, second.voice, 0, (take.speech / second.speech) * dbToGain(dice.within(-12, -3)));
    return samples;
  }
  if (other === "music") {
    const bed = samplesOf(folder, dice.one(sounds.music));
    addAt(samples, bed.subarray(seconds(8)), 0, (take.speech * dbToGain(dice.within(-26, -20))) / rms(bed));
    return samples;
  }
  for (let at = dice.within(2, 5); at < 56; at += dice.within(4, 8)) {
    const sound = samplesOf(folder, dice.one(sounds[other])).subarray(0, seconds(4));
    addAt(samples, sound, seconds(at), (take.speech * dbToGain(dice.within(-16, -6))) / rms(sound));
  }
  return samples;
}
