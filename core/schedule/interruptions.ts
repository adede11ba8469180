/** A noise that comes now and then: times an hour, seconds each. */
export interface Passing {
  perHour: number;
  lastsS: number;
}

export interface Interruptions {
  /** Expected number of noises that touch a take. */
  perTake: number;
  /** Chance that a take stays clean, 0…1, and takes to expect until one does. */
  cleanChance: number;
  takesNeeded: number;
}

/**
 * What noises that come now and then do to a take of so many minutes, taken as arriving at random.
 * Source: Poisson arrivals; a noise touches the take when it begins in it or has not ended at its start.
 */
export function interruptionsOf(takeMin: number, passing: readonly Passing[]): Interruptions {
  const perTake = passing.reduce((sum, { perHour, lastsS }) => sum + (perHour / 60) * (takeMin + lastsS / 60), 0);
  const cleanChance = Math.exp(-perTake);
  return { perTake, cleanChance, takesNeeded: 1 / cleanChance };
}
