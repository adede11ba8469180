import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { deviceFaults, planLevels, soundAt, soundOfFeed, stagesOfWay, type Way } from "../core/chain";
import {
  genericFigures,
  type InputId,
  INPUTS,
  Lav,
  levelsOfInput,
  Pack,
  PARTS,
  Receiver,
  RecorderInput,
  type SourceId,
  SOURCES,
} from "../core/devices";
import { placedWords, say } from "../messages";
import { findPath } from "../core/connect";
import { oneOf } from "../core/schema";
import type { OctaveLevels } from "../core/sound";
import { EFFORTS } from "../core/voice";
import type { Calculator } from "./calculator";

const strict = { additionalProperties: false } as const;
const Db = (title: string, unit: string, minimum: number, maximum: number) =>
  Type.Number({ title, unit, minimum, maximum });
const nullable = <Schema extends Type.TSchema>(schema: Schema) => Type.Union([schema, Type.Null()]);

const Mic = Type.Object(
  {
    sensitivityMvPerPa: Lav.properties.sensitivityMvPerPa,
    selfNoiseDba: Lav.properties.selfNoiseDba,
    maxSplDb: Lav.properties.maxSplDb,
  },
  strict,
);

const LevelCall = Type.Object(
  {
    source: oneOf(Object.keys(SOURCES) as SourceId[], "From"),
    input: oneOf(Object.keys(INPUTS) as InputId[], "Into"),
    /** Null: nobody's voice, a line from a desk at its loudest. */
    microphone: nullable(Mic),
    radio: nullable(Type.Object({ pack: Pack, receiver: Receiver }, strict)),
    /** Null: typical of the input. */
    inputFigures: nullable(RecorderInput),
    voice: Type.Object(
      {
        distanceM: Db("Distance", "m", 0.02, 20),
        offsetDb: Db("Voice", "dB", -40, 40),
        softest: oneOf(EFFORTS, "Softest"),
        usual: oneOf(EFFORTS, "Usual"),
        loudest: oneOf(EFFORTS, "Loudest"),
        noiseDba: Db("Noise", "dBA", 0, 120),
        /** The place's noise 125 Hz to 8 kHz; without it the level has the usual shape of a room's noise. */
        noiseOctavesDb: Type.Optional(
          Type.Array(Db("Noise by octave", "dB SPL", -20, 130), { minItems: 7, maxItems: 7 }),
        ),
      },
      strict,
    ),
    targets: Type.Object(
      { targetDbfs: Db("Target", "dBFS", -40, -1), ceilingDbfs: Db("Ceiling", "dBFS", -30, 0) },
      strict,
    ),
  },
  strict,
);
type LevelCall = Static<typeof LevelCall>;

/** Settings of every knob from a voice or a desk to the file. */
export const LEVEL_CALCULATOR: Calculator = {
  says: "settings of every knob from the voice, or a desk, to the file: headroom, who clips first, noise by band",
  schema: LevelCall,
  example: {
    source: "receiver",
    input: "recorder35",
    microphone: { sensitivityMvPerPa: 6, selfNoiseDba: 28, maxSplDb: 130 },
    radio: { pack: genericFigures("pack"), receiver: genericFigures("receiver") },
    inputFigures: null,
    voice: { distanceM: 0.25, offsetDb: 0, softest: "soft", usual: "normal", loudest: "raised", noiseDba: 35 },
    targets: { targetDbfs: -12, ceilingDbfs: -6 },
  } satisfies LevelCall,
  run(call) {
    const { source: sourceId, input: inputId, microphone, radio, inputFigures, voice, targets } = call as LevelCall;
    const [source, input] = [SOURCES[sourceId], INPUTS[inputId]];
    const path = findPath(source, input, PARTS);
    if (!path) return { result: null, finding: `Nothing connects ${source.name} to ${input.name}.` };
    const isFeed = source.kind === "desk" || source.kind === "speaker";
    if (!isFeed && !microphone)
      return { result: null, finding: `microphone: ${source.name} needs the figures of its microphone.` };
    if (targets.targetDbfs > targets.ceilingDbfs)
      return { result: null, finding: "targets.targetDbfs: at most the ceiling." };
    const way: Way = {
      mic: isFeed || !microphone ? null : { ...microphone, name: "microphone", isTypical: false },
      radio: radio && source.kind === "receiver" ? { ...radio, isTypical: false } : null,
      source,
      parts: path.parts,
      input,
      levels: levelsOfInput(input, inputFigures),
    };
    const chain = stagesOfWay(way);
    const [fault] = deviceFaults(chain);
    if (fault) return { result: null, finding: say(fault) };
    const sound = isFeed
      ? soundOfFeed(source.loudestDbu)
      : soundAt({ ...voice, noiseOctavesDb: voice.noiseOctavesDb as OctaveLevels | undefined });
    const { settings, ...plan } = planLevels(chain, sound, targets);
    const result = {
      ...plan,
      advice: plan.advice.map((each) => ({ ...each, says: say(each) })),
      settings,
      parts: path.parts.map(({ name }) => name),
      toSet: path.settings.filter(({ isLevel }) => !isLevel).map(placedWords),
    };
    return { result, finding: plan.isClean || !plan.advice[0] ? null : say(plan.advice[0]) };
  },
};
