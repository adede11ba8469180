import type { Symptom } from "./symptomIds";
import type { SignalPath } from "./signalPath";

/** Something wrong around the devices that no knob of theirs shows: it is noticed, and one thing tried tells it. */
interface Row {
  /** How often, relative to the others. Common practice, put into figures. */
  weight: number;
  /** What it is noticed by. */
  shows: readonly Symptom[];
  /** What is tried, and whether "yes" or "no" tells that this is it. */
  tells: "yes" | "no";
  /** How long trying it takes, s. Estimate. */
  costS: number;
  /** Links that can have it. */
  where: (setup: SignalPath) => boolean;
}

const always = () => true;
const hasMouth = ({ source }: SignalPath) => source.kind !== "desk" && source.kind !== "speaker";
const isRadio = ({ system }: SignalPath) => system !== null;
const isWired = ({ system, way }: SignalPath) => system === null || way.length > 0;
const isComputer = ({ input }: SignalPath) => input.kind === "phone" || input.kind === "computer";
/** Devices on the mains at both ends close a loop. */
const isOnMains = ({ source, input }: SignalPath) =>
  source.kind === "desk" || source.kind === "speaker" || input.kind === "computer" || input.kind === "mixer";

/** Weights, signs and what tells them: common practice; estimates. */
const ROWS = {
  capsuleOverload: {
    weight: 5,
    shows: ["distorted", "distortedLow"],
    tells: "yes",
    costS: 12,
    where: hasMouth,
  },
  packLimiter: { weight: 3, shows: ["pumping", "distortedLow"], tells: "yes", costS: 8, where: isRadio },
  earthLoop: { weight: 9, shows: ["buzz", "chargerHum"], tells: "yes", costS: 20, where: isOnMains },
  charger: { weight: 7, shows: ["chargerHum", "buzz"], tells: "yes", costS: 6, where: always },
  phoneNear: { weight: 6, shows: ["phoneBuzz", "buzz"], tells: "yes", costS: 10, where: always },
  shieldOpen: { weight: 4, shows: ["buzz", "phoneBuzz"], tells: "yes", costS: 25, where: isWired },
  clothRubs: { weight: 9, shows: ["crackleMoves"], tells: "yes", costS: 6, where: hasMouth },
  cableWorn: { weight: 7, shows: ["crackleMoves", "crackle"], tells: "yes", costS: 8, where: always },
  plugLoose: { weight: 6, shows: ["crackleMoves", "crackle"], tells: "yes", costS: 7, where: always },
  damp: { weight: 2, shows: ["crackle", "quiet"], tells: "yes", costS: 60, where: hasMouth },
  tooFar: { weight: 7, shows: ["dropFar"], tells: "yes", costS: 12, where: isRadio },
  bodyBetween: { weight: 8, shows: ["dropTurns", "dropFar"], tells: "yes", costS: 8, where: isRadio },
  antennaBent: { weight: 6, shows: ["dropFar", "dropTurns"], tells: "yes", costS: 6, where: isRadio },
  receiverHidden: { weight: 5, shows: ["dropFar", "dropTurns"], tells: "yes", costS: 10, where: isRadio },
  batteryLow: { weight: 5, shows: ["dropFar", "quiet"], tells: "no", costS: 5, where: isRadio },
  feedReturned: { weight: 8, shows: ["echo"], tells: "yes", costS: 10, where: always },
  twoOpen: { weight: 7, shows: ["hollow", "echo", "far"], tells: "yes", costS: 12, where: hasMouth },
  inverted: { weight: 4, shows: ["thin", "hollow"], tells: "yes", costS: 12, where: hasMouth },
  monitorDelay: { weight: 9, shows: ["echoPhones"], tells: "yes", costS: 8, where: always },
  fromItsEnd: {
    weight: 4,
    shows: ["far", "thin", "dull"],
    tells: "no",
    costS: 5,
    where: ({ source }) => source.kind === "mic",
  },
  portCovered: { weight: 6, shows: ["dull", "boomy"], tells: "no", costS: 8, where: hasMouth },
  underChin: {
    weight: 5,
    shows: ["boomy", "dull"],
    tells: "yes",
    costS: 5,
    where: ({ source }) => source.kind !== "mic" && hasMouth({ source } as SignalPath),
  },
  tooClose: { weight: 5, shows: ["boomy"], tells: "yes", costS: 5, where: ({ source }) => source.kind === "mic" },
  lowCutOff: { weight: 3, shows: ["boomy"], tells: "no", costS: 7, where: always },
  lowCutHigh: { weight: 3, shows: ["thin"], tells: "yes", costS: 7, where: always },
  suppression: { weight: 7, shows: ["pumping", "thin"], tells: "yes", costS: 8, where: isComputer },
  soundDelayed: { weight: 6, shows: ["late"], tells: "yes", costS: 15, where: always },
  pictureDelayed: { weight: 5, shows: ["late"], tells: "yes", costS: 15, where: always },
  clocksApart: { weight: 9, shows: ["drifts"], tells: "no", costS: 20, where: always },
  wrongTrack: { weight: 6, shows: ["wrongMic", "nothing"], tells: "no", costS: 10, where: always },
  cardSlow: { weight: 6, shows: ["stops"], tells: "yes", costS: 30, where: ({ input }) => input.kind !== "mixer" },
  sizeLimit: { weight: 3, shows: ["stops"], tells: "yes", costS: 20, where: ({ input }) => input.kind !== "mixer" },
  fallsAsleep: { weight: 5, shows: ["stops"], tells: "yes", costS: 12, where: isComputer },
} as const satisfies Record<string, Row>;

export type FlawId = keyof typeof ROWS;
export type Flaw = Row;
export const FLAW_IDS = Object.keys(ROWS) as FlawId[];
export const FLAWS: Record<FlawId, Flaw> = ROWS;
/** What is tried to tell a flaw has its name. */
export type FlawProbeId = `try${Capitalize<FlawId>}`;
/** The probe that tells a flaw. */
export const tryOf = (id: FlawId) => `try${id.charAt(0).toUpperCase()}${id.slice(1)}` as FlawProbeId;
