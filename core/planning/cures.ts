import type { Lav } from "../devices";
import { stagesOfWay } from "../chain";
import { planWay } from "./linkLevels";
import type { LevelSubject } from "./levels";
import type { ShootBundle } from "../records";

/** Another capsule of the kit with which a way would be clean. */
export interface CapsuleCure {
  lavId: string;
  name: string;
  /** How much less sensitive, dB. */
  lessDb: number;
}

/** Capsules of the kit that cure what overloads before any knob helps: the nearest to the one in use first. */
export function capsuleCures(bundle: ShootBundle, { levels, targets, plan, kind }: LevelSubject): CapsuleCure[] {
  const mic = levels?.way.mic;
  if (!levels || !mic || !plan || plan.isClean || kind !== "worn") return [];
  return bundle.kit
    .filter(({ body }) => body.kind === "lav")
    .flatMap(({ id, body }): CapsuleCure[] => {
      const lav = body.figures as Lav;
      const way = { ...levels.way, mic: { ...mic, ...lav } };
      const cured = planWay({ ...levels, way, chain: stagesOfWay(way) }, targets);
      const lessDb = 20 * Math.log10(mic.sensitivityMvPerPa / lav.sensitivityMvPerPa);
      return cured.isClean ? [{ lavId: id, name: body.name, lessDb }] : [];
    })
    .sort((one, other) => one.lessDb - other.lessDb);
}
