import { rowsById } from "../schema";
import type { OctaveLevels } from "../sound";

/** How a noise comes: always, now and then, or at known times. */
export const OCCURRENCES = ["steady", "comes", "schedule"] as const;
export type Occurrence = (typeof OCCURRENCES)[number];

export const REMEDIES = ["switchOff", "ask", "wait", "move", "shut", "cover", "anotherHour"] as const;
export type Remedy = (typeof REMEDIES)[number];

interface Row {
  name: string;
  /** Typical level at `atM`, dB SPL by octave 125…8k. */
  levelDb: OctaveLevels;
  atM: number;
  /** A road or a river falls 3 dB a doubling, a point 6 dB. */
  isLine: boolean;
  occurs: Occurrence;
  /** For what comes now and then: times an hour, and seconds each. */
  perHour: number;
  lastsS: number;
  /** What helps, cheapest first. */
  remedies: readonly Remedy[];
}

const steady = (
  name: string,
  levelDb: OctaveLevels,
  atM: number,
  remedies: readonly Remedy[],
  isLine = false,
): Row => ({ name, levelDb, atM, isLine, occurs: "steady", perHour: 0, lastsS: 0, remedies });

const comes = (
  name: string,
  levelDb: OctaveLevels,
  atM: number,
  [perHour, lastsS]: readonly [number, number],
  remedies: readonly Remedy[],
): Row => ({ name, levelDb, atM, isLine: false, occurs: "comes", perHour, lastsS, remedies });

const scheduled = (name: string, levelDb: OctaveLevels, atM: number, remedies: readonly Remedy[]): Row => ({
  name,
  levelDb,
  atM,
  isLine: false,
  occurs: "schedule",
  perHour: 0,
  lastsS: 0,
  remedies,
});

/** Noises by kind: typical spectra from memory, every one an estimate until it is measured. */
const ROWS = {
  roadLight: comes("passing cars", [62, 60, 60, 61, 58, 51, 43], 10, [60, 6], ["shut", "anotherHour", "wait", "move"]),
  roadHeavy: steady("busy road", [72, 70, 69, 70, 67, 60, 52], 10, ["shut", "anotherHour", "move", "wait"], true),
  aircraft: comes("aircraft", [70, 70, 68, 65, 60, 50, 40], 300, [6, 45], ["wait", "shut"]),
  helicopter: comes("helicopter", [80, 80, 77, 72, 67, 60, 50], 200, [1, 90], ["wait", "shut"]),
  train: comes("train", [75, 75, 76, 76, 73, 67, 60], 25, [6, 20], ["wait", "shut"]),
  ferryHorn: scheduled("ship's horn", [88, 92, 90, 85, 78, 68, 55], 100, ["wait", "shut"]),
  shipEngine: scheduled("ship's engine", [80, 74, 70, 66, 60, 52, 44], 30, ["wait", "ask", "shut"]),
  tidePump: scheduled("pump", [70, 69, 67, 64, 60, 54, 46], 5, ["switchOff", "wait", "shut"]),
  bell: scheduled("bell", [60, 70, 80, 84, 82, 76, 66], 30, ["wait", "ask", "shut"]),
  prayerCall: scheduled("call to prayer", [62, 72, 78, 78, 74, 66, 56], 50, ["wait", "shut"]),
  schoolBreak: scheduled("children at play", [55, 62, 70, 74, 72, 65, 55], 20, ["wait", "shut", "move"]),
  musicNextDoor: comes("music next door", [75, 72, 68, 65, 62, 58, 52], 5, [3, 600], ["ask", "shut", "wait"]),
  talkers: comes("people talking", [45, 55, 60, 55, 50, 45, 38], 2, [20, 30], ["ask", "move", "wait"]),
  footsteps: comes("footsteps", [55, 52, 48, 43, 38, 34, 28], 3, [40, 5], ["ask", "cover", "wait"]),
  dog: comes("dog", [50, 62, 78, 84, 80, 72, 60], 5, [10, 10], ["ask", "wait", "shut"]),
  birds: comes("birds", [20, 22, 28, 38, 50, 55, 48], 5, [60, 4], ["wait", "shut"]),
  mower: comes("mower or leaf blower", [75, 78, 78, 77, 76, 73, 67], 10, [1, 900], ["ask", "wait", "shut"]),
  building: comes("building work", [80, 80, 80, 80, 79, 76, 70], 10, [10, 120], ["ask", "wait", "shut"]),
  trees: steady("wind in trees", [38, 38, 40, 43, 45, 44, 40], 10, ["move", "wait"], true),
  rain: steady("rain on the roof", [45, 45, 46, 48, 50, 50, 46], 2, ["wait", "cover"], true),
  water: steady("running water or weir", [62, 62, 63, 64, 64, 62, 58], 5, ["move", "shut"], true),
  sea: steady("surf", [62, 60, 60, 60, 58, 53, 46], 15, ["move", "shut"], true),
  airConditioning: steady("air-conditioning", [52, 49, 45, 41, 37, 32, 27], 1, ["switchOff", "ask", "move"]),
  fridge: steady("fridge", [38, 34, 32, 29, 24, 20, 16], 1, ["switchOff", "move", "cover"]),
  computerFan: steady("computer fan", [36, 37, 38, 37, 34, 30, 25], 1, ["switchOff", "move", "cover"]),
  lampBallast: steady("lamp ballast", [40, 36, 32, 26, 22, 20, 18], 1, ["switchOff", "move"]),
  generator: steady("generator", [80, 76, 73, 71, 68, 63, 57], 7, ["move", "cover", "switchOff"]),
  machine: steady("workshop machine", [70, 72, 74, 75, 74, 70, 64], 1, ["switchOff", "ask", "move"]),
  clock: steady("ticking clock", [4, 6, 10, 14, 18, 20, 18], 1, ["move", "switchOff"]),
  phone: comes("telephone, message tones", [30, 35, 50, 62, 66, 62, 52], 1, [4, 6], ["switchOff"]),
  engineIdle: steady("engine idling", [66, 58, 52, 48, 44, 38, 32], 1, ["switchOff"]),
  tyres: steady("tyres and wind while driving", [72, 68, 64, 60, 54, 48, 42], 1, ["wait", "ask"]),
  other: steady("other noise", [50, 48, 46, 44, 42, 39, 36], 1, ["switchOff", "ask", "shut", "move", "wait"]),
} satisfies Record<string, Row>;

export type SourceKindId = keyof typeof ROWS;
export type SourceKind = Row & { id: SourceKindId };
export const SOURCE_KINDS: Record<SourceKindId, SourceKind> = rowsById<SourceKindId, Row>(ROWS);
export const SOURCE_KIND_IDS = Object.keys(ROWS) as SourceKindId[];
