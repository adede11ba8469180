import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { Lav, Pack, Receiver, RecorderInput, genericFigures } from "../core/chain/devices";
import { planGain } from "../core/chain/gainPlan";
import { STEP_NAMES } from "../core/dress/judgement";
import { DressInput } from "../core/dress/outfit";
import { planDress, type Candidate } from "../core/dress/planDress";
import { PlaceModel, forecastPlace } from "../core/room/place";

export interface Calculator {
  says: string;
  schema: TSchema;
  example: unknown;
  /** Input already fits the schema. A finding is a sentence and makes the exit code 1. */
  run(input: unknown): { result: unknown; finding: string | null };
}

const DressCall = Type.Object(
  { ...DressInput.properties, leadM: Type.Number({ minimum: 0.3, maximum: 5, title: "Lead" }) },
  { additionalProperties: false },
);

const level = (title: string) => Type.Number({ title, unit: "dB SPL", minimum: -20, maximum: 170 });

const LevelCall = Type.Object(
  {
    chain: Type.Object(
      { lav: Lav, pack: Pack, receiver: Receiver, input: RecorderInput },
      { additionalProperties: false },
    ),
    sound: Type.Object(
      {
        softestDb: level("Softest voice"),
        normalDb: level("Normal voice"),
        loudestDb: level("Loudest voice"),
        noiseDb: level("Noise"),
      },
      { additionalProperties: false },
    ),
    targets: Type.Object(
      {
        targetDbfs: Type.Number({ title: "Target", unit: "dBFS", minimum: -40, maximum: -1 }),
        ceilingDbfs: Type.Number({ title: "Ceiling", unit: "dBFS", minimum: -30, maximum: 0 }),
      },
      { additionalProperties: false },
    ),
  },
  { additionalProperties: false },
);

function candidateRow(candidate: Candidate, index: number) {
  return {
    rank: index + 1,
    site: candidate.site.id,
    name: candidate.site.name,
    placement: candidate.placement,
    distanceM: candidate.main.distanceM,
    offAxisDeg: candidate.main.offAxisDeg,
    levelDb: candidate.levelDb,
    swingDb: candidate.swingDb,
    colourDb: candidate.colourDb,
    rustle: { is: STEP_NAMES.rustle[candidate.rustle.step], rules: candidate.rustle.rules },
    visibility: { is: STEP_NAMES.visibility[candidate.visibility.step], rules: candidate.visibility.rules },
    wind: { is: STEP_NAMES.wind[candidate.wind.step], rules: candidate.wind.rules },
    cable: { neededM: candidate.cable.neededM, spareM: candidate.cable.spareM },
    fixing: candidate.site.fixing,
    points: candidate.points,
    reasons: candidate.reasons,
  };
}

/** What scripts can ask of the core by name. */
export const CALCULATORS: Record<string, Calculator> = {
  dress: {
    says: "where a lavalier goes on a person in an outfit: ranked places with level, swing, cable and reasons",
    schema: DressCall,
    example: {
      heightM: 1.78,
      outfit: {
        layers: [
          { garment: "shirt", fabric: "cotton", fit: "fitted", opening: "closed", pattern: "plain" },
          { garment: "blazer", fabric: "wool", fit: "fitted", opening: "open", pattern: "plain" },
        ],
        accessories: ["tie"],
      },
      performance: {
        faces: "left",
        action: "sitting",
        shot: "medium",
        mayBeSeen: true,
        softest: "soft",
        loudest: "raised",
      },
      windMps: 0,
      leadM: 1.6,
    } satisfies Static<typeof DressCall>,
    run(input) {
      const { leadM, ...dress } = input as Static<typeof DressCall>;
      const plan = planDress(dress, leadM);
      return {
        result: {
          candidates: plan.candidates.map(candidateRow),
          ruledOut: plan.ruledOut.map(({ site, reason }) => ({ site: site.id, name: site.name, reason })),
        },
        finding: plan.candidates.length === 0 ? "No place on this outfit works." : null,
      };
    },
  },
  room: {
    says: "what a place does to the voice: reverberation by octave, critical distance, noise, verdict",
    schema: PlaceModel,
    example: {
      setting: "room",
      lengthM: 5,
      widthM: 4,
      heightM: 2.5,
      floor: "carpetOnConcrete",
      ceiling: "gypsum",
      walls: "plaster",
      otherWall: "windowGlass",
      otherWallM2: 4,
      noiseNc: 30,
      windMps: 0,
    } satisfies PlaceModel,
    run(input) {
      const result = forecastPlace(input as PlaceModel);
      const isPoor = result.verdict.echo === "poor" || result.verdict.noise === "poor";
      return { result, finding: isPoor ? result.verdict.says : null };
    },
  },
  level: {
    says: "settings of pack, receiver and recorder for the loudest voice: headroom, who clips first, noise",
    schema: LevelCall,
    example: {
      chain: {
        lav: genericFigures("lav"),
        pack: genericFigures("pack"),
        receiver: genericFigures("receiver"),
        input: genericFigures("input"),
      },
      sound: { softestDb: 68, normalDb: 74, loudestDb: 80, noiseDb: 46 },
      targets: { targetDbfs: -12, ceilingDbfs: -6 },
    } satisfies Static<typeof LevelCall>,
    run(input) {
      const { chain, sound, targets } = input as Static<typeof LevelCall>;
      const result = planGain(chain, sound, targets);
      return { result, finding: result.isClean ? null : (result.advice[0] ?? "A stage clips on the loudest voice.") };
    },
  },
};
