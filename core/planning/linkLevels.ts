import {
  type Chain,
  type LevelPlan,
  type MicLevels,
  planLevels,
  type RadioLevels,
  soundAt,
  type SoundIn,
  soundOfFeed,
  stagesOfWay,
  type Targets,
  type Way,
} from "../chain";
import {
  genericFigures,
  type Input,
  INPUTS,
  isTypicalFigures,
  levelsOfInput,
  type Part,
  type Source,
  SOURCES,
  isFeed,
} from "../devices";
import { type MicrophoneId, MICROPHONES } from "../pickup";
import type { RightSettings } from "../rehearsal";
import type { RigDevices } from "./planRig";

/** A way from a voice to a file with what goes in, and what stands on its knobs. */
export interface WayLevels {
  way: Way;
  chain: Chain;
  sound: SoundIn;
  /** Nobody is planned there: a usual voice at a usual distance. */
  isUsualVoice: boolean;
}

/** What a way begins with: somebody's rig, or nobody's. */
export interface Begins {
  devices: RigDevices | null;
  sound: SoundIn | null;
}

/** A voice nobody has planned: at this distance from a lavalier, a hand mic and a mic on a stand, m. Common practice. */
const USUAL_M = { lav: 0.25, handCardioid: 0.1, standCardioid: 0.3 } as const;
/** The place's noise where nobody knows the place, dBA. Estimate. */
const USUAL_NOISE_DBA = 35;

const usualSound = (distanceM: number): SoundIn =>
  soundAt({ distanceM, offsetDb: 0, softest: "soft", usual: "normal", loudest: "raised", noiseDba: USUAL_NOISE_DBA });

/** A microphone of Pickup's list as Level counts it. */
export function micLevels(id: MicrophoneId): MicLevels {
  const { name, sensitivityMvPerPa, selfNoiseDba, maxSplDb } = MICROPHONES[id];
  return { name, sensitivityMvPerPa, selfNoiseDba, maxSplDb, isTypical: true };
}

/** The owner's receiver is known by its source only: it turns in these steps, dB. Common practice. */
const OUTPUT_STEP_DB = 3;

function radioOf(source: Source, begins: Begins): RadioLevels {
  const { pack, receiver } = begins.devices ?? { pack: genericFigures("pack"), receiver: genericFigures("receiver") };
  const isTypical = isTypicalFigures("pack", pack) && isTypicalFigures("receiver", receiver);
  if (begins.devices && source.id in SOURCES) return { pack, receiver, isTypical };
  return {
    pack,
    receiver: {
      ...receiver,
      fullOutputDbu: source.loudestDbu,
      outputMinDb: -source.turnsDownDb,
      outputStepDb: source.turnsDownDb === -receiver.outputMinDb ? receiver.outputStepDb : OUTPUT_STEP_DB,
    },
    isTypical,
  };
}

/** Whose voice a microphone gets while nobody has been planned for it. */
function usualMic({ kind, needs }: Source): keyof typeof USUAL_M {
  if (kind !== "mic") return "lav";
  return needs === "phantom" ? "standCardioid" : "handCardioid";
}

/** Levels along one way that was found between a source and an input. */
export function wayLevels(
  source: Source,
  parts: readonly Part[],
  input: Input,
  isRadio: boolean,
  begins: Begins,
): WayLevels {
  const isGenericRecorder = input.id === INPUTS.recorder35.id || input.id === INPUTS.recorderXlr.id;
  const figures = isGenericRecorder && begins.devices ? begins.devices.input : null;
  const levels = levelsOfInput(input, figures);
  if (isFeed(source)) {
    const way: Way = { mic: null, radio: null, source, parts, input, levels };
    return { way, chain: stagesOfWay(way), sound: soundOfFeed(source.loudestDbu), isUsualVoice: false };
  }
  const usual = usualMic(source);
  const lav = begins.devices?.lav ?? genericFigures("lav");
  const mic: MicLevels =
    isRadio || source.kind === "lav" || source.kind === "receiver"
      ? { ...lav, name: "lavalier", isTypical: isTypicalFigures("lav", lav) }
      : micLevels(usual);
  const way: Way = { mic, radio: isRadio ? radioOf(source, begins) : null, source, parts, input, levels };
  return {
    way,
    chain: stagesOfWay(way),
    sound: begins.sound ?? usualSound(USUAL_M[usual]),
    isUsualVoice: begins.sound === null,
  };
}

/** Settings as the simulated devices of Link know them. */
export interface LinkSettings {
  right: RightSettings;
  isLine: boolean;
  /** Full scale at the lowest gain, and where the socket overloads, dBu. */
  fullScaleDbu: number;
  clipsDbu: number;
  /** What the source gives at its loudest, dBu; peaks over the pack's full modulation at 0 dB. */
  loudestDbu: number;
  modulationDb: number;
}

const knobDb = (plan: LevelPlan, id: string): number => plan.knobs.find((knob) => knob.id === id)?.valueDb ?? 0;

/** What a plan means for the devices that Link rehearses with. */
export function linkSettings({ way }: WayLevels, plan: LevelPlan): LinkSettings {
  const { levels } = way.levels;
  const isInterface = (id: string) => id.startsWith("part-");
  const gains = plan.knobs.filter(({ id, stageId }) => id === "gain" && !isInterface(stageId));
  const converterDb = plan.knobs.find(({ id, stageId }) => id === "gain" && isInterface(stageId))?.valueDb ?? 0;
  const isLine = knobDb(plan, "mode") !== 0;
  const peakAt = (id: string) => plan.stages.find((stage) => stage.id === id)?.peak ?? null;
  const packPeak = peakAt("pack");
  const afterConverterDb = knobDb(plan, "system") + knobDb(plan, "trim");
  return {
    right: {
      sensitivityDb: knobDb(plan, "sensitivity"),
      outputDb: knobDb(plan, "output"),
      gainDb: (gains[0]?.valueDb ?? 0) + knobDb(plan, "boost") + afterConverterDb,
      boostDb: knobDb(plan, "boost"),
      converterDb,
    },
    isLine,
    fullScaleDbu: levels.fullScaleDbu,
    clipsDbu: levels.maxInputDbu,
    loudestDbu: way.radio
      ? way.radio.receiver.fullOutputDbu
      : Math.round(10 * ((peakAt("outlet") ?? 0) - knobDb(plan, "send"))) / 10,
    modulationDb: packPeak === null ? 0 : packPeak - knobDb(plan, "sensitivity"),
  };
}

export const planWay = (levels: WayLevels, targets: Targets, held?: ReadonlyMap<string, number>): LevelPlan =>
  planLevels(levels.chain, levels.sound, targets, held);
