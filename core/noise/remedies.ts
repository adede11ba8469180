import type { OctaveLevels } from "../sound";
import type { Remedy } from "./sourceKinds";

interface Row {
  /** On a list, and done. */
  name: string;
  done: string;
  /** What it takes from the noise, dB by octave 125…8k; shutting depends on the way in and is worked out there. */
  lossDb: OctaveLevels;
  /** What must be undone when the scene is over. */
  undo: string | null;
}

const flat = (lossDb: number): OctaveLevels => [lossDb, lossDb, lossDb, lossDb, lossDb, lossDb, lossDb];

/** Nothing is left of what is off or waited out. */
const GONE_DB = 150;

/** What can be done about a noise. Losses are estimates: asking is common practice, covering from memory. */
export const REMEDY_ROWS: Record<Remedy, Row> = {
  switchOff: { name: "switch it off", done: "switched off", lossDb: flat(GONE_DB), undo: "switch it on again" },
  ask: {
    name: "ask them to stop",
    done: "asked, and they stop",
    lossDb: flat(GONE_DB),
    undo: "tell them you are done",
  },
  wait: { name: "wait it out", done: "waited out", lossDb: flat(GONE_DB), undo: null },
  move: { name: "go twice as far away", done: "moved away from it", lossDb: flat(6), undo: null },
  shut: { name: "shut door or window", done: "shut", lossDb: flat(0), undo: null },
  anotherHour: {
    name: "choose a quieter hour",
    done: "put to a quieter hour",
    // Early on a Sunday a road carries a quarter of its traffic.
    lossDb: flat(6),
    undo: null,
  },
  cover: {
    name: "cover it with blankets",
    done: "covered",
    lossDb: [1, 2, 3, 5, 7, 9, 10],
    undo: "take the covers off",
  },
};
