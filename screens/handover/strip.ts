import type { LinedUp, Match } from "@/core/sync";

/** A file on the day's strip, s on one line. */
export interface Laid {
  fromS: number;
  toS: number;
}

export interface Strip {
  sounds: Laid[];
  /** Pictures that have a sound; the others stand apart. */
  pictures: (Laid | null)[];
  lengthS: number;
}

/** Files that nothing places stand so far apart, of the whole. */
const GAP = 0.02;

interface Timed {
  seconds: number;
  startS: number | null;
}

/**
 * Where files stand on a strip of the day: sound files by their clock where all of them say one, else one after the other;
 * pictures where their sound says.
 */
export function stripOf(pictures: readonly Timed[], sounds: readonly Timed[], matches: LinedUp["matches"]): Strip {
  const total = sounds.reduce((sum, { seconds }) => sum + seconds, 0);
  const isClocked = sounds.length > 0 && sounds.every(({ startS }) => startS !== null);
  let at = 0;
  const rough = sounds.map(({ seconds, startS }) => {
    const fromS = isClocked ? startS! : at;
    at = fromS + seconds + GAP * total;
    return { fromS, toS: fromS + seconds };
  });
  const best = new Map<number, Match>();
  for (const match of matches) if (!best.has(match.picture)) best.set(match.picture, match);
  const laid = pictures.map(({ seconds }, picture) => {
    const match = best.get(picture);
    if (!match) return null;
    const fromS = rough[match.sound]!.fromS + match.offsetS;
    return { fromS, toS: fromS + seconds };
  });
  const all = [...rough, ...laid.filter((each) => each !== null)];
  const beginS = Math.min(...all.map(({ fromS }) => fromS));
  const moved = ({ fromS, toS }: Laid) => ({ fromS: fromS - beginS, toS: toS - beginS });
  return {
    sounds: rough.map(moved),
    pictures: laid.map((each) => each && moved(each)),
    lengthS: all.length > 0 ? Math.max(...all.map(({ toS }) => toS)) - beginS : 0,
  };
}

/** Lanes so that no two files lie over each other, each device on its own; −1 for what is not on the strip. */
export function lanesOf(items: readonly ((Laid & { device: string }) | null)[]): number[] {
  const lanes: { device: string; toS: number }[] = [];
  return items.map((item) => {
    if (!item) return -1;
    const free = lanes.findIndex(({ device, toS }) => device === item.device && toS <= item.fromS + 1e-6);
    if (free < 0) return lanes.push({ device: item.device, toS: item.toS }) - 1;
    lanes[free]!.toS = item.toS;
    return free;
  });
}
