/** All of the labelled set is made at this rate, Hz. */
export const RATE = 48000;
