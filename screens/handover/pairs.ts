import type { MatchBody, Stored } from "@/core/records";
import type { LinedUp, Match } from "@/core/sync";
import { idFor } from "@/data/hub";
import type { ShootStore } from "@/data/shootStore";
import type { Scanned } from "@/workers/lineUpWorker";

/** A kept match, with its files where they were dropped on this page. */
export interface Pair {
  id: string;
  body: MatchBody;
  picture: Scanned | null;
  sound: Scanned | null;
}

/** The offset as it stands, with what was added by hand, s. */
export const offsetOf = ({ offsetS, nudgeS }: MatchBody): number => offsetS + nudgeS;

/** Whole letters of a path that is kept, the last so many. */
export const tailOf = (path: string): string => [...path].slice(-150).join("");

export const nameOf = (path: string): string => path.replace(/^.*\//, "");

/** What both have in common, in the picture, s. */
export const overlapOf = (body: MatchBody): Match["overlap"] => {
  const fromS = Math.min(body.pictureS, Math.max(0, -offsetOf(body)));
  return { fromS, toS: Math.max(fromS, Math.min(body.pictureS, body.soundS - offsetOf(body))) };
};

const byName = (one: string, other: string): number => one.localeCompare(other, "en", { numeric: true });

/** When a pair's picture began by the recorder's clock; null where the sound file says nothing. */
const beganS = ({ body }: { body: MatchBody }): number | null =>
  body.soundStartS === null ? null : body.soundStartS + offsetOf(body);

/** Kept matches in the order they were taken, by name where nothing says. */
export function pairsOf(matches: readonly Stored<"match">[], files: ReadonlyMap<string, Scanned>): Pair[] {
  const pairs = matches.map(({ id, body }) => ({
    ...{ id, body, picture: files.get(body.picture) ?? null, sound: files.get(body.sound) ?? null },
  }));
  const isClocked = pairs.every((pair) => beganS(pair) !== null);
  return pairs.sort(
    (one, other) =>
      (isClocked ? beganS(one)! - beganS(other)! : 0) ||
      byName(one.body.picture, other.body.picture) ||
      byName(one.body.sound, other.body.sound),
  );
}

/** Figures that are found again are the same figures. */
const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

/** Keeps what was found; what was nudged by hand stays so. */
export function keepMatches(
  store: Pick<ShootStore, "has" | "edit" | "createAll">,
  shootId: string,
  { pictures, sounds, found }: { pictures: readonly Scanned[]; sounds: readonly Scanned[]; found: LinedUp },
): void {
  const fresh = found.matches.map((match) => {
    const [picture, sound] = [pictures[match.picture]!, sounds[match.sound]!];
    const body: MatchBody = {
      ...{ shootId, picture: picture.path, pictureS: rounded(picture.seconds, 6) },
      ...{ sound: sound.path, soundS: rounded(sound.seconds, 6), sampleRateHz: sound.sampleRateHz },
      ...{ soundStartS: sound.startS, offsetS: rounded(match.offsetS, 7), nudgeS: 0 },
      ...{ driftPpm: match.driftPpm === null ? null : rounded(match.driftPpm, 2) },
      ...{ confidence: rounded(match.confidence, 4), isInverted: match.isInverted, by: "sound" },
    };
    return { kind: "match" as const, id: idFor(shootId, "match", shootId, body.picture, body.sound), body };
  });
  const known = fresh.filter(({ id }) => store.has("match", id));
  for (const { id, body } of known) store.edit("match", id, ({ nudgeS }) => ({ ...body, nudgeS }));
  const made = fresh.filter((each) => !known.includes(each));
  if (made.length > 0) store.createAll(made);
}

/** Keeps a pair that somebody made by a clap; nothing is known of its drift. */
export function keepClap(
  store: Pick<ShootStore, "has" | "edit" | "createAll">,
  shootId: string,
  picture: Scanned,
  sound: Scanned,
  offsetS: number,
): void {
  const body: MatchBody = {
    ...{ shootId, picture: picture.path, pictureS: rounded(picture.seconds, 6) },
    ...{ sound: sound.path, soundS: rounded(sound.seconds, 6), sampleRateHz: sound.sampleRateHz },
    ...{ soundStartS: sound.startS, offsetS: rounded(offsetS, 7), nudgeS: 0, driftPpm: null },
    ...{ confidence: 1, isInverted: false, by: "clap" },
  };
  const id = idFor(shootId, "match", shootId, body.picture, body.sound);
  if (store.has("match", id)) store.edit("match", id, () => body);
  else store.createAll([{ kind: "match", id, body }]);
}
