import { type SoundIn, type Targets, targetsOf } from "../chain";
import type { LevelLine, LevelsBody, ShootBundle } from "../records";

/** Where peaks go while nobody has said. Common practice. */
export const USUAL_TARGETS: Targets = { targetDbfs: -12, ceilingDbfs: -6 };

/** What a shoot's levels are while nobody has said. */
export const levelsBodyOf = (bundle: ShootBundle): LevelsBody =>
  bundle.levels[0]?.body ?? { shootId: bundle.shoot.id, school: "own", meterBottomDbfs: -48, lines: [] };

const EMPTY: Omit<LevelLine, "subject"> = {
  inputId: null,
  mic: null,
  targets: null,
  held: [],
  ticks: [],
  dynamics: null,
};

/** What is decided for one way; nothing yet where it is new. */
export function lineOf(body: LevelsBody, subject: string): LevelLine {
  return body.lines.find((line) => line.subject === subject) ?? { ...EMPTY, subject };
}

/** The same levels with one line changed. */
export function withLine(body: LevelsBody, subject: string, change: Partial<LevelLine>): LevelsBody {
  const line = { ...lineOf(body, subject), ...change };
  const others = body.lines.filter((each) => each.subject !== subject);
  return { ...body, lines: [...others, line] };
}

/** Target and ceiling of a way: by the shoot's school, or its own figures. */
export function targetsFor(body: LevelsBody, own: Targets | null, sound: SoundIn | null): Targets {
  const { targetDbfs, ceilingDbfs } = own ?? USUAL_TARGETS;
  return targetsOf(body.school, { targetDbfs, ceilingDbfs }, body.meterBottomDbfs, sound);
}
