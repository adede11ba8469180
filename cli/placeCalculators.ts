import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { say } from "../messages";
import { RATE_RANGE_HZ, readMono, RecordingRefusal } from "../core/audio";
import {
  acceptanceArcDeg,
  distanceFactor,
  FIRST_WISHES,
  MOST_TALKERS,
  nullDeg,
  PATTERN_IDS,
  patternDb,
  type PickupCandidate,
  PickupWishes,
  placeSound,
  proximityDb,
  randomEnergy,
  randomEnergyDb,
  rankPickups,
  Talker,
  whatWouldBeat,
} from "../core/pickup";
import {
  analyseClap,
  clarityC50Db,
  forecastPlace,
  LIVING_ROOM,
  octaveTransferIndex,
  placeFaults,
  PlaceModel,
  planTreatments,
  rankTreatments,
  speechTransmissionIndex,
  piecesOf,
} from "../core/room";
import { bestOrder, timeOfDay } from "../core/schedule";
import { oneOf } from "../core/schema";
import { mapOctaves } from "../core/sound";
import { VOICES } from "../core/voice";
import type { Answer, Calculator } from "./calculator";
import { openFileSource } from "./fileSource";

const strict = { additionalProperties: false } as const;

const EXAMPLE_ROOM: PlaceModel = {
  ...LIVING_ROOM,
  ceiling: "gypsum",
  walls: "plaster",
  patches: [{ surface: "north", material: "windowGlass", areaM2: 4 }],
  noiseNc: 30,
};

/** The answer when a place cannot be; null when it can. */
function impossible(place: PlaceModel): Answer | null {
  const faults = placeFaults(place);
  return faults[0] ? { result: { faults }, finding: say(faults[0].says) } : null;
}

const ClapCall = Type.Object({ file: Type.String({ title: "File", minLength: 1, maxLength: 4096 }) }, strict);

/** Longest clap that is read, s. */
const LONGEST_S = 120;

async function clap({ file }: Static<typeof ClapCall>): Promise<Answer> {
  let source: Awaited<ReturnType<typeof openFileSource>>;
  try {
    source = await openFileSource(file);
  } catch (error) {
    if (!(error instanceof RecordingRefusal)) throw error;
    return { result: null, finding: `${file}: ${say(error.says)}` };
  }
  try {
    const { samples, sampleRateHz } = await readMono(source, LONGEST_S);
    const analysis = analyseClap(samples, sampleRateHz);
    return { result: analysis, finding: analysis.isMeasured ? null : say(analysis.says) };
  } catch (error) {
    if (!(error instanceof RecordingRefusal)) throw error;
    return { result: null, finding: say(error.says) };
  } finally {
    await source.close();
  }
}

const PickupCall = Type.Object(
  {
    place: PlaceModel,
    talkers: Type.Array(Talker, { title: "Talkers", minItems: 1, maxItems: MOST_TALKERS }),
    wishes: PickupWishes,
    /** The deepest voice among them; left out: not known. */
    deepest: Type.Optional(oneOf(VOICES, "Deepest voice")),
  },
  strict,
);

function wayRow(candidate: PickupCandidate, { talkers, place }: Static<typeof PickupCall>) {
  const { id, name, points, worstSti, ruledOut, mics, best, heard, deductions } = candidate;
  return {
    id,
    name,
    ruledOut,
    points,
    speechTransmissionIndex: worstSti,
    deductions,
    mics,
    talkers: best.map(({ talkerId, micId, heard: each }) => ({ micId, ...each, talkerId })),
    separationDb: heard.map(({ micId, separationDb }) => ({ micId, separationDb })),
    better:
      ruledOut === null
        ? whatWouldBeat(candidate, talkers, place).map(({ says, ...gains }) => ({ ...gains, ...says, says: say(says) }))
        : [],
  };
}

const PatternCall = Type.Object(
  {
    pattern: oneOf(PATTERN_IDS, "Pattern"),
    frequencyHz: Type.Number({ title: "Frequency", unit: "Hz", minimum: 20, maximum: 20000 }),
    distanceM: Type.Number({ title: "Distance", unit: "m", minimum: 0.01, maximum: 100 }),
  },
  strict,
);

const octaves = (title: string, unit: string, minimum: number, maximum: number) =>
  Type.Array(Type.Number({ title, unit, minimum, maximum }), { minItems: 7, maxItems: 7 });

const StiCall = Type.Object(
  {
    reverberationS: octaves("Reverberation time", "s", 0, 30),
    directOverReverberantDb: octaves("Direct over reverberant", "dB", -100, 100),
    snrDb: octaves("Voice over noise", "dB", -100, 100),
  },
  strict,
);

const Minutes = (title: string) => Type.Number({ title, unit: "min", minimum: 0, maximum: 2880 });
const Stretch = Type.Object({ fromMin: Minutes("From"), toMin: Minutes("To") }, strict);
const WindowsCall = Type.Object(
  {
    day: Stretch,
    moveMin: Type.Number({ title: "Going elsewhere", unit: "min", minimum: 0, maximum: 240 }),
    scenes: Type.Array(
      Type.Object(
        {
          id: Type.String({ minLength: 1, maxLength: 80 }),
          lengthMin: Type.Number({ title: "Length", unit: "min", minimum: 0.1, maximum: 1440 }),
          takeMin: Type.Number({ title: "Longest take", unit: "min", minimum: 0.1, maximum: 1440 }),
          placeId: Type.String({ maxLength: 80 }),
          earliestMin: Minutes("Not before"),
          latestMin: Minutes("Not after"),
          fixedAtMin: Type.Union([Minutes("Fixed at"), Type.Null()]),
          blocked: Type.Array(Stretch, { maxItems: 200 }),
        },
        strict,
      ),
      { minItems: 1, maxItems: 30 },
    ),
  },
  strict,
);

/** What scripts can ask about places and microphones in them. */
export const PLACE_CALCULATORS: Record<string, Calculator> = {
  room: {
    says: "what a place does to the voice: reverberation by octave, critical distance, noise, verdict, treatments",
    schema: PlaceModel,
    example: EXAMPLE_ROOM,
    run(input) {
      const place = input as PlaceModel;
      const fault = impossible(place);
      if (fault) return fault;
      const forecast = forecastPlace(place);
      const isPoor = forecast.verdict.echo === "poor" || forecast.verdict.noise === "poor";
      const result = {
        ...forecast,
        treatments: rankTreatments(place).map((gain) => ({
          ...gain,
          says: say({ code: "room.pieces", ...piecesOf(gain) }),
        })),
        advice: say(planTreatments(place).says),
      };
      return { result, finding: isPoor ? say(forecast.verdict.says) : null };
    },
  },
  clap: {
    says: `echo by octave from a recorded clap, ${RATE_RANGE_HZ.min / 1000} to ${RATE_RANGE_HZ.max / 1000} kHz WAV, up to ${LONGEST_S} s`,
    schema: ClapCall,
    example: { file: "demo/recordings/granary-clap.wav" } satisfies Static<typeof ClapCall>,
    run: (input) => clap(input as Static<typeof ClapCall>),
  },
  pickup: {
    says: "ways of picking up talkers in a place side by side, ranked, with levels, clarity, risks and what would beat them",
    schema: PickupCall,
    example: {
      place: EXAMPLE_ROOM,
      talkers: [
        {
          id: "a",
          name: "Talker",
          wearerId: null,
          at: { xM: 2.5, yM: 2 },
          mouthM: 1.2,
          facesDeg: 90,
          turnsDeg: 30,
          effort: "normal",
          path: [],
          isInstrument: false,
        },
      ],
      wishes: FIRST_WISHES,
    } satisfies Static<typeof PickupCall>,
    run(input) {
      const call = input as Static<typeof PickupCall>;
      const fault = impossible(call.place);
      if (fault) return fault;
      const ways = rankPickups(call.talkers, placeSound(call.place), call.wishes, call.deepest);
      const isPossible = ways.some(({ ruledOut }) => ruledOut === null);
      return {
        result: { best: ways[0]?.ruledOut === null ? ways[0].id : null, ways: ways.map((way) => wayRow(way, call)) },
        finding: isPossible ? null : say({ code: "pickup.none" }),
      };
    },
  },
  pattern: {
    says: "a microphone pattern: arcs, null, back, random energy, distance factor, proximity lift",
    schema: PatternCall,
    example: { pattern: "cardioid", frequencyHz: 100, distanceM: 0.1 } satisfies Static<typeof PatternCall>,
    run(input) {
      const { pattern, frequencyHz, distanceM } = input as Static<typeof PatternCall>;
      return {
        result: {
          arc3Deg: acceptanceArcDeg(pattern, 3),
          arc6Deg: acceptanceArcDeg(pattern, 6),
          nullDeg: nullDeg(pattern),
          sideDb: patternDb(pattern, 90),
          backDb: patternDb(pattern, 180),
          randomEnergy: randomEnergy(pattern),
          randomEnergyDb: randomEnergyDb(pattern),
          distanceFactor: distanceFactor(pattern),
          proximityDb: proximityDb(pattern, frequencyHz, distanceM),
        },
        finding: null,
      };
    },
  },
  sti: {
    says: "speech transmission index and C50 from echo, direct part and noise by octave 125…8k",
    schema: StiCall,
    example: {
      reverberationS: [1, 1, 1, 1, 1, 1, 1],
      directOverReverberantDb: [0, 0, 0, 0, 0, 0, 0],
      snrDb: [20, 20, 20, 20, 20, 20, 20],
    } satisfies Static<typeof StiCall>,
    run(input) {
      const call = input as Static<typeof StiCall>;
      const octave = (values: readonly number[]) => mapOctaves((band) => values[band]!);
      const sound = {
        reverberationS: octave(call.reverberationS),
        directOverReverberantDb: octave(call.directOverReverberantDb),
        snrDb: octave(call.snrDb),
      };
      const index = (band: number) =>
        octaveTransferIndex(sound.reverberationS[band]!, sound.directOverReverberantDb[band]!, sound.snrDb[band]!);
      return {
        result: {
          speechTransmissionIndex: speechTransmissionIndex(sound),
          octaveIndices: mapOctaves(index),
          c50Db: mapOctaves((band) => clarityC50Db(sound.reverberationS[band]!, sound.directOverReverberantDb[band]!)),
        },
        finding: null,
      };
    },
  },
  windows: {
    says: "order and times of a day's scenes between the noises of their places",
    schema: WindowsCall,
    example: {
      day: { fromMin: 480, toMin: 1140 },
      moveMin: 15,
      scenes: [
        {
          id: "interview",
          lengthMin: 60,
          takeMin: 10,
          placeId: "granary",
          earliestMin: 480,
          latestMin: 1140,
          fixedAtMin: null,
          blocked: [{ fromMin: 520, toMin: 532 }],
        },
      ],
    } satisfies Static<typeof WindowsCall>,
    run(input) {
      const order = bestOrder(input as Static<typeof WindowsCall>);
      const [left] = order.left;
      return {
        result: {
          ...order,
          placed: order.placed.map((each) => ({
            ...each,
            startsAt: timeOfDay(each.fromMin),
            endsAt: timeOfDay(each.toMin),
          })),
        },
        finding: left ? `${left.id}: ${say(left.says)}` : null,
      };
    },
  },
};
