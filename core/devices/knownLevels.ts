import type { RecorderInput } from "./figures";
import { isTypicalFigures } from "./genericDevices";
import { DIGITAL, NO_COMPUTER, type InputLevels } from "./inputLevels";
import { INPUTS, type InputId } from "./inputs";
import type { Input } from "./ports";

/** What stands for an input of the owner's of which only the socket is known. */
const BY_KIND: Record<Input["kind"], InputId> = {
  recorder: "recorderXlr",
  camera: "cameraNoPhones",
  phone: "phone",
  computer: "computerMic",
  mixer: "streamMixer",
};
/** How far full scale may lie from what is usual of its kind where nobody has said, dB either way. Estimate. */
const UNKNOWN_DB = 6;

/** Levels of an input, whose they are, and how far they may be off. */
export interface KnownLevels {
  levels: InputLevels;
  isTypical: boolean;
  spreadDb: number;
}

const ofFigures = (figures: RecorderInput): InputLevels => ({
  maxInputDbu: figures.maxInputDbu,
  fullScaleDbu: figures.fullScaleDbu,
  gain: { leastDb: 0, mostDb: figures.gainMaxDb, stepDb: figures.gainStepDb },
  einDbu: figures.einDbu,
  converterRangeDb: figures.converterRangeDb,
  ...NO_COMPUTER,
});

/** Levels of an input: by the owner's figures, by its own row, or as is usual of its kind with its own limits. */
export function levelsOfInput(input: Input, figures: RecorderInput | null): KnownLevels {
  if (figures) return { levels: ofFigures(figures), isTypical: isTypicalFigures("input", figures), spreadDb: 0 };
  if (input.typical) return { levels: input.typical, isTypical: true, spreadDb: 0 };
  const isDigital = input.takes.every((carriage) => carriage === "digital");
  const usual = isDigital ? DIGITAL : INPUTS[BY_KIND[input.kind]].typical;
  const known = input.levels;
  const line =
    input.lineClipsDbu === null
      ? null
      : {
          maxInputDbu: input.lineClipsDbu,
          fullScaleDbu: input.lineClipsDbu,
          einDbu: INPUTS.recorderLine.typical.einDbu,
        };
  if (!known)
    return {
      levels: { ...usual, maxInputDbu: input.clipsDbu, fullScaleDbu: input.clipsDbu, line },
      isTypical: true,
      spreadDb: isDigital ? 0 : UNKNOWN_DB,
    };
  const { fullScaleDbu, gainMaxDb, gainStepDb, einDbu, converterRangeDb } = known;
  return {
    levels: {
      ...usual,
      maxInputDbu: input.clipsDbu,
      fullScaleDbu,
      gain: gainMaxDb > 0 ? { leastDb: 0, mostDb: gainMaxDb, stepDb: gainStepDb } : null,
      einDbu,
      converterRangeDb,
      line,
    },
    isTypical: false,
    spreadDb: 0,
  };
}

/** Inputs whose levels stand for those of a microphone inside the device, by microphone. */
export const INSIDE_INPUTS: Record<string, InputId> = { recorderPair: "recorder35", phone: "phone" };
