import type { InputId } from "../connect/devices";
import type { Input } from "../connect/ports";
import { type RecorderInput } from "./devices";
import { isTypicalFigures } from "./genericDevices";

/** Steps of a gain, dB. */
export interface Steps {
  leastDb: number;
  mostDb: number;
  stepDb: number;
}

/** How an input counts levels: typical of its kind until the owner's data sheet says more. */
export interface InputLevels {
  /** Overload of the socket, and full scale of the file at the lowest gain, dBu. */
  maxInputDbu: number;
  fullScaleDbu: number;
  gain: Steps | null;
  /** Input noise and converter's range, A-weighted. */
  einDbu: number;
  converterRangeDb: number;
  /** Switched to line: its own figures. */
  line: Pick<InputLevels, "maxInputDbu" | "fullScaleDbu" | "einDbu"> | null;
  /** A computer: boost before the converter; the system's level and the program's trim behind it. */
  boostsDb: readonly number[] | null;
  system: Steps | null;
  trim: Steps | null;
}

const NO_COMPUTER = { line: null, boostsDb: null, system: null, trim: null } as const;
const SYSTEM: Steps = { leastDb: -30, mostDb: 0, stepDb: 1 };
const TRIM: Steps = { leastDb: -20, mostDb: 20, stepDb: 1 };
const gain = (mostDb: number, stepDb = 1): Steps => ({ leastDb: 0, mostDb, stepDb });

const MINIJACK: InputLevels = {
  maxInputDbu: -8,
  fullScaleDbu: -10,
  gain: gain(40),
  einDbu: -112,
  converterRangeDb: 102,
  ...NO_COMPUTER,
};
const XLR: InputLevels = {
  maxInputDbu: 4,
  fullScaleDbu: 4,
  gain: gain(56),
  einDbu: -121,
  converterRangeDb: 108,
  ...NO_COMPUTER,
};
const HEADSET: InputLevels = {
  maxInputDbu: -20,
  fullScaleDbu: -20,
  gain: null,
  einDbu: -105,
  converterRangeDb: 90,
  ...NO_COMPUTER,
};
const DIGITAL: InputLevels = {
  maxInputDbu: 0,
  fullScaleDbu: 0,
  gain: null,
  einDbu: -150,
  converterRangeDb: 144,
  ...NO_COMPUTER,
};

/** Generic inputs. Typical figures; common practice, to be replaced by data sheets. */
export const INPUT_LEVELS: Record<InputId, InputLevels> = {
  recorderXlr: XLR,
  recorder35: MINIJACK,
  recorderLine: { ...XLR, maxInputDbu: 24, fullScaleDbu: 24, gain: gain(30), einDbu: -92 },
  recorderSwitched: {
    ...XLR,
    maxInputDbu: 0,
    fullScaleDbu: 0,
    line: { maxInputDbu: 24, fullScaleDbu: 24, einDbu: -97 },
  },
  phone: HEADSET,
  phoneOlder: HEADSET,
  phoneData: DIGITAL,
  computerMic: {
    ...HEADSET,
    maxInputDbu: -14,
    fullScaleDbu: -14,
    converterRangeDb: 92,
    boostsDb: [0, 10, 20, 30],
    system: SYSTEM,
    trim: TRIM,
  },
  computerUsb: { ...DIGITAL, system: SYSTEM, trim: TRIM },
  streamMixer: { ...XLR, gain: gain(60) },
  cameraNoPhones: { ...HEADSET, gain: gain(36), einDbu: -106, converterRangeDb: 94 },
};

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

/** Levels of an input: by the owner's figures, by its row, or as is usual of its kind with its own limits. */
export function levelsOfInput(input: Input, figures: RecorderInput | null): KnownLevels {
  if (figures) return { levels: ofFigures(figures), isTypical: isTypicalFigures("input", figures), spreadDb: 0 };
  const row = (INPUT_LEVELS as Record<string, InputLevels | undefined>)[input.id];
  if (row) return { levels: row, isTypical: true, spreadDb: 0 };
  const isDigital = input.takes.every((carriage) => carriage === "digital");
  const usual = isDigital ? DIGITAL : INPUT_LEVELS[BY_KIND[input.kind]];
  const known = input.levels;
  const line =
    input.lineClipsDbu === null
      ? null
      : { maxInputDbu: input.lineClipsDbu, fullScaleDbu: input.lineClipsDbu, einDbu: INPUT_LEVELS.recorderLine.einDbu };
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

/** Converters on the way: a recorder as an audio interface, an adapter. Typical figures; common practice. */
export const CONVERTER_LEVELS: Record<string, InputLevels> = {
  interface: { ...XLR, maxInputDbu: -6, fullScaleDbu: -6, einDbu: -118, converterRangeDb: 105 },
  "interface-35": { ...HEADSET, maxInputDbu: -16, fullScaleDbu: -16, gain: gain(30), converterRangeDb: 94 },
};

/** Inputs whose levels stand for those of a microphone inside the device, by microphone. */
export const INSIDE_INPUTS: Record<string, InputId> = { recorderPair: "recorder35", phone: "phone" };
