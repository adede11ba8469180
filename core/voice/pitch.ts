/** How low somebody speaks. */
export const VOICES = ["unknown", "deep", "middle", "light"] as const;
export type Voice = (typeof VOICES)[number];

/** Usual pitch of each, Hz. From memory of handbooks of phonetics: men near 110, women near 200, children above. */
export const USUAL_PITCH_HZ: Record<Exclude<Voice, "unknown">, number> = { deep: 110, middle: 160, light: 225 };

/**
 * Lowest pitch of ordinary speech, Hz: two semitones and more below the mean of each range. Means of about 120 Hz for men and
 * 210 Hz for women: Titze, Principles of Voice Production (1994), from memory.
 */
export const LOWEST_PITCH_HZ: Record<Exclude<Voice, "unknown">, number> = { deep: 85, middle: 115, light: 165 };

/** The deepest of several voices; unknown where nobody's is known. */
export const deepestOf = (voices: readonly Voice[]): Voice =>
  (["deep", "middle", "light"] as const).find((each) => voices.includes(each)) ?? "unknown";
