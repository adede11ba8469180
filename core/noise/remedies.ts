import type { OctaveLevels } from "../sound";
import type { Remedy } from "./sourceKinds";

interface Row {
  /** What it takes from the noise, dB by octave 125…8k; shutting depends on the way in and is worked out there. */
  lossDb: OctaveLevels;
  /** It must be undone when the scene is over. */
  isUndone: boolean;
}

const flat = (lossDb: number): OctaveLevels => [lossDb, lossDb, lossDb, lossDb, lossDb, lossDb, lossDb];

/** Nothing is left of what is off or waited out. */
const GONE_DB = 150;

/** What can be done about a noise. Losses are estimates: asking is common practice, covering from memory. */
export const REMEDY_ROWS: Record<Remedy, Row> = {
  switchOff: { lossDb: flat(GONE_DB), isUndone: true },
  ask: { lossDb: flat(GONE_DB), isUndone: true },
  wait: { lossDb: flat(GONE_DB), isUndone: false },
  move: { lossDb: flat(6), isUndone: false },
  shut: { lossDb: flat(0), isUndone: false },
  // Early on a Sunday a road carries a quarter of its traffic.
  anotherHour: { lossDb: flat(6), isUndone: false },
  cover: { lossDb: [1, 2, 3, 5, 7, 9, 10], isUndone: true },
};
