/** Steps of a pack's sensitivity and of a receiver's output, dB: those of the generic devices of the chain. */
export const SENSITIVITY_DB = [-30, 0, 3] as const;
export const OUTPUT_DB = [-36, 0, 3] as const;
/** Gain of a recorder's input, dB: of the generic ones of the chain. */
export const GAIN_DB = [0, 56, 1] as const;

/** Noise of an analogue link below full modulation, dB. Common practice; that of the generic devices. */
export const LINK_NOISE_DB = -102;
/** Noise of an input by its socket's overload, dBu: mic inputs and line inputs. Common practice; those of the generic devices. */
export const inputNoiseDbu = (isLine: boolean, clipsDbu: number): number => (isLine || clipsDbu > 10 ? -88 : -118);
