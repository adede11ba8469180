/** A place where sound is cut or stretched by so much, so that it stays on its picture. */
export interface DriftEdit {
  /** Time in the recording, s. */
  atS: number;
  /** How much goes (positive) or is doubled there (negative), s. */
  byS: number;
}

/** Sound may be off by so much of a frame before an edit brings it back. Source: common practice. */
const MOST_OFF_FRAMES = 0.25;

/** The stretches of a recording that edits leave, in frames; what is doubled comes twice. */
export function stretchesOf(
  edits: readonly DriftEdit[],
  { frames, sampleRateHz }: { frames: number; sampleRateHz: number },
): { from: number; to: number }[] {
  const at = (seconds: number) => Math.max(0, Math.min(frames, Math.round(seconds * sampleRateHz)));
  const stretches: { from: number; to: number }[] = [];
  let from = 0;
  for (const { atS, byS } of edits) {
    stretches.push({ from, to: at(atS) });
    from = at(atS + byS);
  }
  return [...stretches, { from, to: frames }].filter((each) => each.to > each.from);
}

/**
 * Edits in pauses that keep a recording within a quarter frame of its picture; null where its pauses lie too far apart for that.
 * `driftPpm`: by how much its clock runs fast; `pausesS`: middles of pauses in rising order; `fromS`…`toS`: what is under the
 * picture. Each edit costs a join, where resampling costs none but touches every sample.
 */
export function driftEdits(
  driftPpm: number,
  { fromS, toS }: { fromS: number; toS: number },
  pausesS: readonly number[],
  frameRate: number,
): DriftEdit[] | null {
  const perS = driftPpm / 1e6;
  const most = MOST_OFF_FRAMES / frameRate;
  const edits: DriftEdit[] = [];
  // Off by nothing at the beginning; each edit may overshoot, so that twice the slack is used.
  let offS = 0;
  let atS = fromS;
  const offAt = (second: number) => offS + (second - atS) * perS;
  const usable = pausesS.filter((second) => second > fromS && second < toS);
  while (Math.abs(offAt(toS)) > most) {
    const inReach = usable.filter((second) => second > atS && Math.abs(offAt(second)) <= most);
    const next = inReach.at(-1);
    if (next === undefined) return null;
    const own = offAt(next);
    // To the other side of what is allowed: the next is due the later.
    const byS = own + Math.sign(perS) * Math.min(most, Math.abs((toS - next) * perS) / 2);
    edits.push({ atS: next, byS });
    offS = own - byS;
    atS = next;
    if (edits.length > 10_000) return null;
  }
  return edits;
}
