import type { CutList, MatchedPicture } from "@/core/lists";
import type { Match } from "@/core/sync";
import type { Scanned } from "@/workers/lineUpWorker";

/** What one looked at and may have nudged. */
export interface LinedUpFiles {
  pictures: readonly Scanned[];
  sounds: readonly Scanned[];
  matches: readonly Match[];
  /** The offset as it is after nudging, s. */
  offsetOf: (match: Match) => number;
}

/** The day for the edit: pictures that have a sound, in the order they were taken; by name where nothing says. */
export function cutListOf(
  { pictures, sounds, matches, offsetOf }: LinedUpFiles,
  about: Pick<CutList, "title" | "frameRate" | "isDrop">,
): CutList {
  const matched = pictures.flatMap(({ file, seconds }, picture) => {
    const own = matches.filter((match) => match.picture === picture);
    const first = own[0];
    if (!first) return [];
    const { startS } = sounds[first.sound]!;
    const listed: MatchedPicture = {
      ...{ name: file.name, seconds, startS: null },
      sounds: own.map((match) => {
        const sound = sounds[match.sound]!;
        return {
          ...{ name: sound.file.name, seconds: sound.seconds, sampleRateHz: sound.sampleRateHz, startS: sound.startS },
          ...{ offsetS: offsetOf(match), driftPpm: match.driftPpm },
        };
      }),
    };
    return [{ listed, atS: startS === null ? null : startS + offsetOf(first) }];
  });
  matched.sort((one, other) =>
    one.atS !== null && other.atS !== null
      ? one.atS - other.atS
      : one.listed.name.localeCompare(other.listed.name, "en", { numeric: true }),
  );
  return { ...about, pictures: matched.map(({ listed }) => listed) };
}
