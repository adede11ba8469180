/** Rate of everything in the set, Hz. */
export const RATE = 48_000;
