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

export const NO_COMPUTER = { line: null, boostsDb: null, system: null, trim: null } as const;
export const SYSTEM: Steps = { leastDb: -30, mostDb: 0, stepDb: 1 };
export const TRIM: Steps = { leastDb: -20, mostDb: 20, stepDb: 1 };
export const gainTo = (mostDb: number, stepDb = 1): Steps => ({ leastDb: 0, mostDb, stepDb });

export const MINIJACK: InputLevels = {
  maxInputDbu: -16,
  fullScaleDbu: -16,
  gain: gainTo(40),
  einDbu: -112,
  converterRangeDb: 102,
  ...NO_COMPUTER,
};
export const XLR: InputLevels = {
  maxInputDbu: -6,
  fullScaleDbu: -6,
  gain: gainTo(56),
  einDbu: -121,
  converterRangeDb: 108,
  ...NO_COMPUTER,
};
export const HEADSET: InputLevels = {
  maxInputDbu: -20,
  fullScaleDbu: -20,
  gain: null,
  einDbu: -105,
  converterRangeDb: 90,
  ...NO_COMPUTER,
};
export const DIGITAL: InputLevels = {
  maxInputDbu: 0,
  fullScaleDbu: 0,
  gain: null,
  einDbu: -150,
  converterRangeDb: 144,
  ...NO_COMPUTER,
};
