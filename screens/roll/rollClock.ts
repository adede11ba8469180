/** When takes were started on this page, by a clock that nobody sets. */
const begun = new Map<string, number>();

/** A take began now. */
export function beginTake(rollId: string): void {
  begun.set(rollId, performance.now());
}

/**
 * How long a take has run, s. One that was started on this page is timed by a clock that nobody sets; one of another page or
 * device by the clock on the wall, and never below nothing where that was set back.
 */
export function elapsedS(rollId: string, startedAt: string): number {
  const since = begun.get(rollId);
  if (since !== undefined) return (performance.now() - since) / 1000;
  return Math.max(0, (Date.now() - Date.parse(startedAt)) / 1000);
}
