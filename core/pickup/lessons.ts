import { hearAll, TABLE_M, type TalkerHeard } from "./hear";
import type { PlaceSound } from "./placeSound";
import { RISK_NAMES } from "./risks";
import type { PlacedMic, Talker } from "./setup";
import { aimAt, direction } from "./space";

/** Something to try with a microphone, and what came of it. */
export interface Lesson {
  id: LessonId;
  /** What the button says. */
  name: string;
  mic: PlacedMic;
  /** What changed, in figures of this place. */
  says: string;
}

export const LESSON_IDS = ["turnRound", "twiceAsFar", "besideBreath", "intoTheEnd", "onTheTable"] as const;
export type LessonId = (typeof LESSON_IDS)[number];

const NAMES: Record<LessonId, string> = {
  turnRound: "Turn it round",
  twiceAsFar: "Twice as far away",
  besideBreath: "Aim from 45° beside the mouth",
  intoTheEnd: "Speak into its end",
  onTheTable: "Lay it on the table",
};

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

const signed = (value: number, unit: string) => `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(0)} ${unit}`;

function difference(before: TalkerHeard, after: TalkerHeard): string {
  const parts = [`the voice ${signed(after.levelDb - before.levelDb, "dB")}`];
  if (before.directOverRoomDb !== Infinity)
    parts.push(`voice over room ${signed(after.directOverRoomDb - before.directOverRoomDb, "dB")}`);
  parts.push(`clarity ${before.sti.toFixed(2)} to ${after.sti.toFixed(2)}`);
  if (after.plosive !== before.plosive)
    parts.push(`plosives ${RISK_NAMES[before.plosive]} to ${RISK_NAMES[after.plosive]}`);
  const [rippleBefore, rippleAfter] = [before.combing?.rippleDb ?? 0, after.combing?.rippleDb ?? 0];
  if (Math.abs(rippleAfter - rippleBefore) >= 2)
    parts.push(
      `ripple ${rippleBefore.toFixed(0)} to ${rippleAfter.toFixed(0)} dB${after.combing ? ` by the ${after.combing.name}, first notch at ${Math.round(after.combing.notchHz)} Hz` : ""}`,
    );
  return `${parts.join(", ")}.`;
}

/** Experiments with one microphone and one talker, each with what it does here. */
export function lessonsFor(mic: PlacedMic, talker: Talker, place: PlaceSound): Lesson[] {
  const hear = (each: PlacedMic) => hearAll([each], [talker], place)[0]!.talkers[0]!;
  const before = hear(mic);
  return LESSON_IDS.map((id) => {
    const changed = tried(id, mic, talker);
    return { id, name: NAMES[id], mic: changed, says: `${NAMES[id]}: ${difference(before, hear(changed))}` };
  });
}
