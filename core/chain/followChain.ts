import {
  aWeightedDb,
  dbToPower,
  mapOctaves,
  type OctaveLevels,
  overallDb,
  powerToDb,
  shiftOctaves,
  sumLevelsDb,
  whiteNoiseDb,
} from "../sound";
import { type Effort, EFFORTS } from "../voice";
import { bestSettings, type Settings, type Targets } from "./bestSettings";
import { levelAdvice } from "./levelAdvice";
import type { LevelPlan, StageLevels } from "./levelPlan";
import { PEAK_OVER_SINE_DB, peakOf, type SoundIn } from "./soundIn";
import { saysDb, type Chain, type ChainStage, type Position } from "./stage";

/** How far such a forecast may be off, dB: voice ±3, place ±2, device figures ±2, as a root of squares. Estimate. */
export const LEVEL_UNCERTAINTY_DB = 4;
/** A room's noise is known by a curve only: its forecast may be off by this, dB. Estimate. */
export const NOISE_UNCERTAINTY_DB = 8;

const positionAt = (stage: ChainStage, index: number): Position => stage.positions[index] ?? stage.positions[0];

/** Less than this over a bound is rounding, dB. */
const ROUNDING_DB = 1e-6;

interface NoiseSource {
  name: string;
  isPlace: boolean;
  /** In the unit of the stage at hand. */
  levels: OctaveLevels;
}

const gathered = (sources: readonly NoiseSource[]): OctaveLevels =>
  mapOctaves((band) => powerToDb(sources.reduce((sum, { levels }) => sum + dbToPower(levels[band]!), 0)));

const overall = (sound: SoundIn) =>
  Object.fromEntries(EFFORTS.map((effort) => [effort, overallDb(sound.voicesDb[effort])])) as Record<Effort, number>;

/** Levels at every stage with noise as it gathers. */
function walk(chain: Chain, settings: Settings, sound: SoundIn) {
  const voices = overall(sound);
  const [first] = chain;
  const isPlace = first.unit === "dB SPL";
  let sources: NoiseSource[] = [{ name: isPlace ? "place" : first.device, isPlace, levels: sound.noiseDb }];
  let gainDb = 0;
  const stages = chain.map((stage, number): StageLevels => {
    const position = positionAt(stage, settings[number] ?? 0);
    const add = (levelDba: number | null) => {
      if (levelDba !== null) sources.push({ name: stage.noiseFrom, isPlace: false, levels: whiteNoiseDb(levelDba) });
    };
    sources = sources.map((each) => ({ ...each, levels: shiftOctaves(each.levels, stage.entersDb) }));
    add(position.noiseBefore);
    sources = sources.map((each) => ({ ...each, levels: shiftOctaves(each.levels, position.addsDb) }));
    add(position.noiseAfter);
    gainDb += stage.entersDb + position.addsDb;
    const at = Object.fromEntries(EFFORTS.map((effort) => [effort, voices[effort] + gainDb])) as Record<Effort, number>;
    const peak = at[sound.loudest] + PEAK_OVER_SINE_DB;
    return {
      id: stage.id,
      name: stage.name,
      device: stage.device,
      unit: stage.unit,
      voices: at,
      noise: overallDb(gathered(sources)),
      softest: at[sound.softest],
      loudest: at[sound.loudest],
      peak,
      clip: position.clip,
      headroomDb: position.clip === null ? null : position.clip - peak,
      reserveDb: stage.reserveDb,
      isTypical: stage.isTypical,
    };
  });
  return { stages, sources, gainDb, voices };
}

/** What the chain does at given settings: a position for each stage. Levels in the unit of each stage; gains in dB. */
export function followChain(
  chain: Chain,
  settings: Settings,
  sound: SoundIn,
  targets: Targets,
  held: ReadonlyMap<string, number> = new Map(),
): LevelPlan {
  const { stages, sources, gainDb, voices } = walk(chain, settings, sound);
  const noise = gathered(sources);
  const limited = stages.filter(({ headroomDb }) => headroomDb !== null);
  const first = limited.reduce((least, stage) => (stage.headroomDb! < least.headroomDb! ? stage : least));
  const atDb = voices[sound.loudest] + first.headroomDb!;
  const peakDbfs = voices[sound.loudest] + gainDb + PEAK_OVER_SINE_DB;
  const usual = shiftOctaves(sound.voicesDb[sound.usual], gainDb);
  const noiseDbfs = overallDb(noise);
  const byName = new Map<string, { name: string; isPlace: boolean; levels: number[] }>();
  for (const { name, isPlace, levels } of sources) {
    const known = byName.get(name);
    if (known) known.levels.push(overallDb(levels));
    else byName.set(name, { name, isPlace, levels: [overallDb(levels)] });
  }
  const plan: Omit<LevelPlan, "advice"> = {
    settings,
    knobs: chain.flatMap((stage, number) => {
      if (!stage.knob) return [];
      const { addsDb, says } = positionAt(stage, settings[number] ?? 0);
      return [
        {
          ...stage.knob,
          stageId: stage.id,
          device: stage.device,
          deviceId: stage.deviceId,
          valueDb: addsDb,
          says,
          lowDb: addsDb,
          highDb: addsDb,
          isHeld: held.has(stage.id),
          choices: stage.positions.map((each) => ({ valueDb: each.addsDb, says: each.says })),
        },
      ];
    }),
    stages,
    targets,
    loudest: sound.loudest,
    firstToClip: {
      id: first.id,
      name: first.name,
      headroomDb: first.headroomDb!,
      atDb,
      atEffort: EFFORTS.find((effort) => voices[effort] > atDb) ?? null,
    },
    peakDbfs,
    softestDbfs: voices[sound.softest] + gainDb,
    speechDbfs: voices[sound.usual] + gainDb,
    loudestDbfs: voices[sound.loudest] + gainDb,
    noiseDbfs,
    snrDb: overallDb(usual) - noiseDbfs,
    snrDba: aWeightedDb(usual) - aWeightedDb(noise),
    snrOctavesDb: mapOctaves((band) => usual[band]! - noise[band]!),
    noiseSources: [...byName.values()]
      .map(({ name, isPlace, levels }) => ({ origin: name, isPlace, dbfs: sumLevelsDb(levels) }))
      .sort((one, other) => other.dbfs - one.dbfs),
    isClean:
      limited.every(({ headroomDb }) => headroomDb! >= -ROUNDING_DB) && peakDbfs <= targets.ceilingDbfs + ROUNDING_DB,
  };
  return { ...plan, advice: levelAdvice(chain, plan) };
}

/** A chain whose missing figures lie at one end of what they may be. */
const leaning = (chain: Chain, sign: 1 | -1): Chain =>
  chain.map((stage) => ({ ...stage, entersDb: stage.entersDb + sign * stage.spreadDb })) as unknown as Chain;

/**
 * Settings for the loudest planned voice: its peaks at the target, no stage on the way clipped, the least noise.
 *
 * Levels in the unit of the first stage (dB SPL, or dBu for a desk), targets dBFS (−40…0, ceiling above target). Peaks are
 * taken 18 dB over the long-term level (common practice). Where a figure is missing the settings are given as a range.
 * Sources of the arithmetic: dBu, dBV and AES17 definitions; noise sums as power.
 */
export function planLevels(
  chain: Chain,
  sound: SoundIn,
  targets: Targets,
  held: ReadonlyMap<string, number> = new Map(),
): LevelPlan {
  const peakDb = peakOf(sound);
  const plan = followChain(chain, bestSettings(chain, peakDb, targets, held), sound, targets, held);
  if (chain.every(({ spreadDb }) => spreadDb === 0)) return plan;
  const ends = ([1, -1] as const).map((sign) => {
    const settings = bestSettings(leaning(chain, sign), peakDb, targets, held);
    return new Map(chain.map((stage, number) => [stage.id, positionAt(stage, settings[number] ?? 0).addsDb]));
  });
  return {
    ...plan,
    knobs: plan.knobs.map((knob) => {
      const values = [knob.valueDb, ...ends.map((end) => end.get(knob.stageId)!)];
      const [lowDb, highDb] = [Math.min(...values), Math.max(...values)];
      return { ...knob, lowDb, highDb, says: lowDb === highDb ? knob.says : `${saysDb(lowDb)} to ${saysDb(highDb)}` };
    }),
  };
}
