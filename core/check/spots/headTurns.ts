import { joinSpots, type Spot } from "../spot";
import { bandAt } from "../heard";
import { dbOver, percentile, type Scene } from "./scene";

/** Speech looked at together, hops. */
const WINDOW = 160;
const STEP = 20;
/** So many of a stretch's hops must be spoken. */
const FEWEST = 90;
/** How much duller and weaker than the rest, dB, and for how long, s; what it is weaker helps to tell, up to a limit. */
const DULLER_DB = 7;
const WEAKER_DB = 1.2;
const HELPS = 0.5;
const HELPS_UP_TO_DB = 4;
const SHORTEST_S = 1.8;
/** And by how much the middle of its hops is duller: not only its loudest vowels are, dB. */
const MOSTLY_DULLER_DB = 4.5;
/** What words alone make of it strays by so many times its own spread; a spread is taken for no less than so much, dB. */
const STRAYS = 1.9;
const LEAST_SPREAD_DB = 1.2;
/** Of highs that hardly stand out of the noise so much is taken for the voice's. */
const LEAST_SHARE = 0.3;
/** Bands that a turned head takes, and those that it leaves. */
const BRIGHT = [bandAt(2500), bandAt(8000)] as const;
const BODY = [bandAt(315), bandAt(1000)] as const;

interface Stretch {
  from: number;
  tiltDb: number;
  /** The same as the mean of its hops' decibels. */
  meanTiltDb: number;
  levelDb: number;
}

/**
 * Times in which the voice turns away: weaker and duller than the rest of the piece for a second or more. Wind and
 * cloth change level and colour too: what they cover says nothing of the voice.
 */
export function findHeadTurns(scene: Scene, isCovered: Uint8Array): Spot[] {
  const { heard, startS } = scene;
  const stretches: Stretch[] = [];
  const brights = heard.between("sound", ...BRIGHT);
  const bodies = heard.between("sound", ...BODY);
  const noises = heard.between("noise", ...BRIGHT);
  for (let from = 0; from + WINDOW <= heard.hops; from += STEP) {
    let [bright, body, level, tilts, count] = [0, 0, 0, 0, 0];
    for (let hop = from; hop < from + WINDOW; hop += 1) {
      if (!heard.isSpeech[hop] || isCovered[hop]) continue;
      bright += brights[hop]!;
      body += bodies[hop]!;
      level += heard.level[hop]!;
      tilts += dbOver(Math.max(brights[hop]! - noises[hop]!, LEAST_SHARE * noises[hop]!), bodies[hop]!);
      count += 1;
    }
    if (count >= FEWEST)
      stretches.push({
        from,
        tiltDb: dbOver(bright, body),
        meanTiltDb: tilts / count,
        levelDb: dbOver(level, count),
      });
  }
  if (stretches.length < 8) return [];
  const usual = (figure: (stretch: Stretch) => number, share: number) => percentile(stretches.map(figure), share);
  const usualTilt = usual(({ tiltDb }) => tiltDb, 0.6);
  const usualMeanTilt = usual(({ meanTiltDb }) => meanTiltDb, 0.6);
  // Other words are duller or brighter too: how much so, the brighter half of this voice's stretches tells.
  const spreadDb = Math.max(LEAST_SPREAD_DB, usual(({ meanTiltDb }) => meanTiltDb, 0.9) - usualMeanTilt);
  const mostlyDullerDb = Math.max(MOSTLY_DULLER_DB, STRAYS * spreadDb);
  const usualLevel = usual(({ levelDb }) => levelDb, 0.5);
  const spots = stretches
    .filter(({ tiltDb, meanTiltDb, levelDb }) => {
      const weakerDb = usualLevel - levelDb;
      const tells = usualTilt - tiltDb + HELPS * Math.min(HELPS_UP_TO_DB, weakerDb);
      return weakerDb > WEAKER_DB && tells > DULLER_DB && usualMeanTilt - meanTiltDb > mostlyDullerDb;
    })
    .map((stretch): Spot => ({
      kind: "headTurn",
      startS: startS + stretch.from * heard.hopS,
      endS: startS + (stretch.from + WINDOW) * heard.hopS,
      sizeDb: usualLevel - stretch.levelDb,
      confidence: 0.7,
    }));
  return joinSpots(spots, 0.1).filter((spot) => spot.endS - spot.startS >= SHORTEST_S);
}
