import type { CutList, MatchedPicture } from "@/core/lists";
import { nameOf, offsetOf, type Pair } from "./pairs";

/** The day for the edit: pictures that have a sound, in the order of the pairs. */
export function cutListOf(pairs: readonly Pair[], about: Pick<CutList, "title" | "frameRate" | "isDrop">): CutList {
  const pictures = new Map<string, MatchedPicture & { sounds: MatchedPicture["sounds"][number][] }>();
  for (const { body } of pairs) {
    const picture = pictures.get(body.picture) ?? {
      ...{ name: nameOf(body.picture), seconds: body.pictureS, startS: null, sounds: [] },
    };
    pictures.set(body.picture, picture);
    picture.sounds.push({
      ...{ name: nameOf(body.sound), seconds: body.soundS, sampleRateHz: body.sampleRateHz || 48_000 },
      ...{ startS: body.soundStartS, offsetS: offsetOf(body), driftPpm: body.driftPpm },
    });
  }
  return { ...about, pictures: [...pictures.values()] };
}
