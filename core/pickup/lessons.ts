import { hearAll, TABLE_M, type TalkerHeard } from "./heardByMics";
import type { PlaceSound } from "./placeSound";
import { LESSON_IDS, type LessonId } from "./kinds";
import type { LessonMessage } from "./messages";
import type { PlacedMic, Talker } from "./pickupSetup";
import { aimAt, direction } from "./space";

/** Something to try with a microphone, and what came of it. */
export interface Lesson {
  id: LessonId;
  mic: PlacedMic;
  /** What changed, in figures of this place. */
  says: LessonMessage;
}

const pointOf = ({ at, heightM }: PlacedMic) => [at.xM, at.yM, heightM] as const;
const mouthOf = ({ at, mouthM }: Talker) => [at.xM, at.yM, mouthM] as const;

function aimed(mic: PlacedMic, talker: Talker): PlacedMic {
  const { bearingDeg, tiltDeg } = aimAt(pointOf(mic), mouthOf(talker));
  return { ...mic, aimsDeg: bearingDeg, tiltDeg };
}

function placed(mic: PlacedMic, talker: Talker, way: readonly [number, number, number], distanceM: number): PlacedMic {
  const moved = {
    ...mic,
    at: { xM: talker.at.xM + way[0] * distanceM, yM: talker.at.yM + way[1] * distanceM },
    heightM: Math.max(0, talker.mouthM + way[2] * distanceM),
  };
  return aimed(moved, talker);
}

function tried(id: LessonId, mic: PlacedMic, talker: Talker): PlacedMic {
  const [from, mouth] = [pointOf(mic), mouthOf(talker)];
  const way = [from[0] - mouth[0], from[1] - mouth[1], from[2] - mouth[2]] as const;
  const distanceM = Math.max(0.05, Math.hypot(...way));
  switch (id) {
    case "turnRound":
      return { ...mic, aimsDeg: mic.aimsDeg > 0 ? mic.aimsDeg - 180 : mic.aimsDeg + 180, tiltDeg: -mic.tiltDeg };
    case "twiceAsFar":
      return {
        ...mic,
        at: { xM: mouth[0] + 2 * way[0], yM: mouth[1] + 2 * way[1] },
        heightM: Math.max(0, mouth[2] + 2 * way[2]),
      };
    case "besideBreath":
      return placed(mic, talker, direction(talker.facesDeg + 45), distanceM);
    case "intoTheEnd":
      return { ...aimed(mic, talker), tiltDeg: Math.max(-90, Math.min(90, aimed(mic, talker).tiltDeg + 90)) };
    case "onTheTable":
      return { ...mic, holder: "table", heightM: TABLE_M + 0.02 };
  }
}

function difference(lesson: LessonId, before: TalkerHeard, after: TalkerHeard): LessonMessage {
  const [beforeDb, afterDb] = [before.combing?.rippleDb ?? 0, after.combing?.rippleDb ?? 0];
  const by = after.combing ? { surface: after.combing.name, notchHz: after.combing.notchHz } : null;
  return {
    code: "lesson.changed",
    lesson,
    voiceDb: after.levelDb - before.levelDb,
    overRoomDb: before.directOverRoomDb === Infinity ? null : after.directOverRoomDb - before.directOverRoomDb,
    sti: [before.sti, after.sti],
    plosives: after.plosive === before.plosive ? null : [before.plosive, after.plosive],
    ripple: Math.abs(afterDb - beforeDb) >= 2 ? { beforeDb, afterDb, by } : null,
  };
}

/** Experiments with one microphone and one talker, each with what it does here. */
export function lessonsFor(mic: PlacedMic, talker: Talker, place: PlaceSound): Lesson[] {
  const hear = (each: PlacedMic) => hearAll([each], [talker], place)[0]!.talkers[0]!;
  const before = hear(mic);
  return LESSON_IDS.map((id) => {
    const changed = tried(id, mic, talker);
    return { id, mic: changed, says: difference(id, before, hear(changed)) };
  });
}
