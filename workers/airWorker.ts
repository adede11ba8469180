import * as Comlink from "comlink";
import {
  type AirPlan,
  type AirProgress,
  type Binding,
  bindingOf,
  binScan,
  coordinateAir,
  type CoordinatedAir,
  type OnAir,
  readScan,
  type Scan,
  type ScanMessage,
  ScanRefusal,
} from "../core/wireless";
import { clipText } from "../core/schema";

/** A search that has not found all by then ends with its best. */
const LONGEST_MS = 10_000;
const TOLD_EVERY_MS = 100;
/** More rounds than any search does in its time. */
const ROUNDS = 100_000_000;

let isCancelled = false;
const turn = () => new Promise((resolve) => setTimeout(resolve, 0));

/** Runs a search to its end, or to its best when it is cancelled or takes too long; tells how far it is every tenth of a second. */
async function runInTurns<Step, Result>(
  search: Generator<Step, Result, boolean | undefined>,
  tell: (step: Step) => void,
): Promise<Result> {
  isCancelled = false;
  const began = performance.now();
  let told = began;
  let next = search.next();
  while (!next.done) {
    const now = performance.now();
    if (now - told > TOLD_EVERY_MS) {
      told = now;
      tell(next.value);
      // Lets a cancel come in.
      await turn();
    }
    next = search.next(isCancelled || now - began > LONGEST_MS);
  }
  return next.value;
}

export type ScanOutcome = { scan: Scan; says: ScanMessage } | { refused: ScanMessage };

const door = {
  /** Coordinates; progress is told every tenth of a second, and a cancelled search gives its best so far. */
  coordinate(
    plan: AirPlan,
    onAir: readonly OnAir[],
    onProgress: (progress: AirProgress) => void,
  ): Promise<CoordinatedAir> {
    return runInTurns(coordinateAir(plan, onAir, 1, ROUNDS), onProgress);
  },
  /** What keeps a plan from more than `reached` links. */
  binding(plan: AirPlan, onAir: readonly OnAir[], reached: number): Promise<Binding[]> {
    return runInTurns(bindingOf(plan, onAir, reached, 1), () => undefined);
  },
  cancel(): void {
    isCancelled = true;
  },
  /** Reads scans out of files; several are merged by their strongest. */
  async readScans(files: readonly File[]): Promise<ScanOutcome> {
    try {
      const texts = await Promise.all(files.map((file) => file.text()));
      const read = readScan(texts.join("\n"));
      const name = files.length === 1 ? files[0]!.name : `${files[0]!.name} and ${files.length - 1} more`;
      const scan = binScan(read.points, clipText(name, 120));
      const { rows, unit, ignored, firstFault } = read;
      return { scan, says: { code: "scan.read", rows, unit, ignored, firstFault } };
    } catch (error) {
      return { refused: error instanceof ScanRefusal ? error.says : { code: "scan.unreadable" } };
    }
  },
};

export type AirDoor = typeof door;

Comlink.expose(door);
