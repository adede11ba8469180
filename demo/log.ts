import type { MarkBody, RollBody, RollSetupBody } from "../core/records";
import type { MarkKind, Rating, TakeType } from "../core/roll";
import { DEMO_SHOOT_ID, demoId } from "./recordings";

/** The estuary keeps summer time: an hour ahead of UTC. */
const ZONE_MIN = 60;
/** The pocket recorder's clock is so far ahead of the phone that keeps the log, s. */
const RECORDER_AHEAD_S = 47;

const [INTERVIEW, GATE, SPEECH, WADE, WELD, WELCOME] = [21, 22, 23, 24, 25, 27].map(demoId) as [
  string,
  string,
  string,
  string,
  string,
  string,
];
const TRACKS: Record<string, readonly [rig: number, name: string, wearer: number][]> = {
  [INTERVIEW]: [[41, "Tam, miller", 31]],
  [GATE]: [[42, "Ines, engineer", 32]],
  [SPEECH]: [
    [43, "Odile, singer", 33],
    [49, "Quill, accordion", 39],
  ],
  [WADE]: [[44, "Wen, ecologist", 34]],
  [WELD]: [[45, "Jory, welder", 35]],
  [WELCOME]: [[63, "Tam, miller", 31]],
};

interface Line {
  day: number;
  scene: string;
  slate: string;
  take: number;
  /** By the recorder's clock. */
  at: string;
  seconds: number;
  rating?: Rating;
  type?: TakeType;
  note?: string;
  marks?: readonly [atS: number, kind: MarkKind, note?: string][];
  file?: string;
}

const clap = [1.2, "clap"] as const;

/** What was rolled on the three days, as the mixer logged it. */
const LINES: readonly Line[] = [
  {
    day: 1,
    scene: INTERVIEW,
    slate: "1",
    take: 1,
    at: "09:31:20",
    seconds: 212,
    rating: "noGood",
    marks: [[...clap], [64, "aircraft"], [71, "fluffed"]],
  },
  {
    day: 1,
    scene: INTERVIEW,
    slate: "1",
    take: 2,
    at: "09:35:40",
    seconds: 187,
    rating: "hold",
    marks: [[...clap], [122, "rustle", "leans on the table"]],
  },
  {
    day: 1,
    scene: INTERVIEW,
    slate: "1",
    take: 3,
    at: "09:39:50",
    seconds: 12,
    rating: "good",
    marks: [[...clap], [8, "best", "how the wheel sounds"]],
    file: "miller-granary.wav",
  },
  { day: 1, scene: INTERVIEW, slate: "1", take: 4, at: "09:44:00", seconds: 24.4, rating: "good", marks: [[...clap]] },
  {
    day: 1,
    scene: INTERVIEW,
    slate: "1",
    take: 5,
    at: "09:52:00",
    seconds: 23.6,
    rating: "hold",
    marks: [[...clap], [9, "rustle"]],
  },
  {
    day: 1,
    scene: INTERVIEW,
    slate: "1",
    take: 6,
    at: "10:05:00",
    seconds: 24.1,
    rating: "good",
    note: "Fridge in the kitchen was on again",
    marks: [[...clap], [3, "hum"]],
  },
  { day: 1, scene: INTERVIEW, slate: "1", take: 7, at: "10:21:00", seconds: 24.8, rating: "none", marks: [[...clap]] },
  { day: 1, scene: INTERVIEW, slate: "1", take: 1, at: "10:26:10", seconds: 33, type: "roomTone", rating: "good" },
  {
    day: 1,
    scene: GATE,
    slate: "2",
    take: 1,
    at: "13:58:10",
    seconds: 12,
    rating: "hold",
    marks: [[...clap], [4, "wind"]],
    file: "engineer-quay.wav",
  },
  {
    day: 1,
    scene: GATE,
    slate: "2",
    take: 2,
    at: "14:03:00",
    seconds: 24.2,
    rating: "noGood",
    marks: [[...clap], [5, "wind"], [14, "wind"]],
  },
  {
    day: 1,
    scene: GATE,
    slate: "2",
    take: 3,
    at: "14:09:00",
    seconds: 23.9,
    rating: "noGood",
    marks: [[...clap], [12, "radioHit"]],
  },
  { day: 1, scene: GATE, slate: "2", take: 4, at: "14:15:00", seconds: 24.5, rating: "good", marks: [[...clap]] },
  {
    day: 1,
    scene: GATE,
    slate: "2",
    take: 5,
    at: "14:22:00",
    seconds: 24,
    rating: "good",
    note: "Shouts over the winch",
    marks: [],
  },
  {
    day: 1,
    scene: GATE,
    slate: "2",
    take: 6,
    at: "14:29:00",
    seconds: 24.3,
    rating: "hold",
    marks: [[...clap], [7, "handling"]],
  },
  { day: 1, scene: GATE, slate: "2", take: 7, at: "14:37:00", seconds: 23.7, rating: "none", marks: [[...clap]] },
  {
    day: 2,
    scene: WELD,
    slate: "3",
    take: 1,
    at: "08:34:00",
    seconds: 24.3,
    rating: "noGood",
    marks: [[...clap], [14, "clipped", "inside the hood"]],
  },
  {
    day: 2,
    scene: WELD,
    slate: "3",
    take: 2,
    at: "08:41:00",
    seconds: 23.8,
    rating: "good",
    note: "Sensitivity down 9 dB",
    marks: [[...clap]],
  },
  {
    day: 2,
    scene: WADE,
    slate: "4",
    take: 1,
    at: "11:04:00",
    seconds: 24.2,
    rating: "noGood",
    marks: [[...clap], [9, "aircraft"], [18, "voices"]],
  },
  {
    day: 2,
    scene: WADE,
    slate: "4",
    take: 1,
    at: "11:09:00",
    seconds: 24.1,
    type: "wild",
    rating: "good",
    note: "The count again, on the bank",
  },
  {
    day: 3,
    scene: WELCOME,
    slate: "5",
    take: 1,
    at: "13:31:00",
    seconds: 24.6,
    rating: "noGood",
    marks: [[...clap], [11, "voices", "hall fills"]],
  },
  { day: 3, scene: WELCOME, slate: "5", take: 2, at: "13:36:00", seconds: 24, rating: "good", marks: [[...clap]] },
  {
    day: 3,
    scene: WELCOME,
    slate: "5",
    take: 3,
    at: "13:42:00",
    seconds: 24.3,
    rating: "good",
    marks: [[...clap], [15, "best"]],
  },
  {
    day: 3,
    scene: SPEECH,
    slate: "6",
    take: 1,
    at: "15:02:00",
    seconds: 12,
    rating: "good",
    marks: [[...clap]],
    file: "singer-hall.wav",
  },
  {
    day: 3,
    scene: SPEECH,
    slate: "6",
    take: 2,
    at: "15:12:00",
    seconds: 24.4,
    rating: "hold",
    marks: [[...clap], [6, "pop"]],
  },
  { day: 3, scene: SPEECH, slate: "6", take: 3, at: "15:20:00", seconds: 23.8, rating: "good", marks: [[...clap]] },
  {
    day: 3,
    scene: SPEECH,
    slate: "6",
    take: 4,
    at: "15:27:00",
    seconds: 24.2,
    rating: "good",
    marks: [[...clap], [12, "laugh"]],
  },
  {
    day: 3,
    scene: SPEECH,
    slate: "6",
    take: 5,
    at: "15:35:00",
    seconds: 24.1,
    rating: "none",
    note: "Pack light was off at the end",
    marks: [[...clap]],
  },
];

const rollId = (index: number): string => demoId(300 + index);

function startOf({ day, at }: Line): string {
  const local = Date.parse(`2027-05-${String(10 + day)}T${at}.000Z`);
  return new Date(local - ZONE_MIN * 60_000 - RECORDER_AHEAD_S * 1000).toISOString();
}

const rollOf = (line: Line): RollBody => ({
  shootId: DEMO_SHOOT_ID,
  sceneId: line.scene,
  day: line.day,
  slate: line.slate,
  take: line.take,
  type: line.type ?? "take",
  rating: line.rating ?? "none",
  startedAt: startOf(line),
  zoneMin: ZONE_MIN,
  lengthS: line.seconds,
  fileName: line.type ? "" : `D${line.day}_S${line.slate}_T${String(line.take).padStart(2, "0")}`,
  tracks: TRACKS[line.scene]!.map(([rig, name, wearer]) => ({ id: demoId(rig), name, wearerId: demoId(wearer) })),
  note: line.note ?? "",
  counter: null,
  device: "mixer's phone",
  files: line.file ? [{ name: line.file, lengthS: line.seconds, hash: null, isSure: true }] : [],
});

/** The demo's log: takes, marks, and how they are named. */
export const DEMO_LOG = {
  setup: {
    id: demoId(299),
    body: {
      shootId: DEMO_SHOOT_ID,
      scheme: "D{day}_S{slate}_T{take:2}",
      counter: 1,
      ownKinds: ["Winch"],
    } satisfies RollSetupBody,
  },
  rolls: LINES.map((line, index) => ({ id: rollId(index), body: rollOf(line) })),
  marks: LINES.flatMap((line, index) =>
    (line.marks ?? []).map(([atS, kind, note = ""], at) => ({
      id: demoId(400 + 10 * index + at),
      body: {
        ...{ shootId: DEMO_SHOOT_ID, rollId: rollId(index), atS, kind, trackId: null, note },
        ...{ source: "pressed", isProposal: false },
      } satisfies MarkBody,
    })),
  ),
};
