import type { Scanned } from "@/workers/lineUpWorker";
import { offsetOf, overlapOf, type Pair } from "./pairs";

/** A file on the day's strip, s on one line. */
export interface Laid {
  path: string;
  fromS: number;
  toS: number;
}

/** A thread between a picture and a sound. */
interface Thread {
  id: string;
  picture: number;
  sound: number;
  atS: number;
}

export interface Strip {
  pictures: Laid[];
  sounds: Laid[];
  threads: Thread[];
  lengthS: number;
}

/** Files that nothing places stand so far apart, of the whole. */
const GAP = 0.02;

type Sound = Pick<Scanned, "path" | "seconds" | "startS">;

/**
 * Where files stand on a strip of the day: sound files by their clock where all of them say one, else one after the other;
 * pictures where the surest of their sounds says. `lone` are sound files without a picture.
 */
export function stripOf(pairs: readonly Pair[], lone: readonly Sound[]): Strip {
  const sounds = new Map<string, Sound>();
  for (const { body } of pairs)
    sounds.set(body.sound, { path: body.sound, seconds: body.soundS, startS: body.soundStartS });
  for (const each of lone) sounds.set(each.path, each);
  const all = [...sounds.values()];
  const total = all.reduce((sum, { seconds }) => sum + seconds, 0);
  const isClocked = all.every(({ startS }) => startS !== null);
  let at = 0;
  const soundsLaid = all.map(({ path, seconds, startS }) => {
    const fromS = isClocked ? startS! : at;
    at = fromS + seconds + GAP * total;
    return { path, fromS, toS: fromS + seconds };
  });
  const place = new Map(soundsLaid.map(({ path }, index) => [path, index]));
  const pictures = new Map<string, Laid>();
  for (const { body } of pairs.toSorted((one, other) => other.body.confidence - one.body.confidence)) {
    if (pictures.has(body.picture)) continue;
    const fromS = soundsLaid[place.get(body.sound)!]!.fromS + offsetOf(body);
    pictures.set(body.picture, { path: body.picture, fromS, toS: fromS + body.pictureS });
  }
  const picturesLaid = [...pictures.values()];
  const beginS = Math.min(...[...soundsLaid, ...picturesLaid].map(({ fromS }) => fromS));
  const moved = (laid: Laid) => ({ ...laid, fromS: laid.fromS - beginS, toS: laid.toS - beginS });
  const strip = { pictures: picturesLaid.map(moved), sounds: soundsLaid.map(moved) };
  const indexOf = new Map(strip.pictures.map(({ path }, index) => [path, index]));
  return {
    ...strip,
    threads: pairs.map(({ id, body }) => {
      const picture = indexOf.get(body.picture)!;
      const { fromS, toS } = overlapOf(body);
      const atS = strip.pictures[picture]!.fromS + (fromS + toS) / 2;
      return { id, picture, sound: place.get(body.sound)!, atS };
    }),
    lengthS: Math.max(0, ...[...strip.pictures, ...strip.sounds].map(({ toS }) => toS)),
  };
}

const folderOf = (path: string): string => path.replace(/[^/]*$/, "");

/** Lanes so that no two files lie over each other, each folder on its own. */
export function lanesOf(items: readonly Laid[]): number[] {
  const lanes: { folder: string; toS: number }[] = [];
  return items.map(({ path, fromS, toS }) => {
    const folder = folderOf(path);
    const free = lanes.findIndex((lane) => lane.folder === folder && lane.toS <= fromS + 1e-6);
    if (free < 0) return lanes.push({ folder, toS }) - 1;
    lanes[free]!.toS = toS;
    return free;
  });
}
