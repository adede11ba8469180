import { benchAir } from "./benchAir";
import { benchCheck } from "./benchCheck";
import { benchCopy } from "./benchCopy";
import { benchCrews } from "./benchCrews";
import { benchDetectors } from "./benchDetectors";
import { benchDress } from "./benchDress";
import { benchMeasure } from "./benchMeasure";
import { benchServer } from "./benchServer";
import { benchRoll } from "./benchRoll";
import { benchPlace } from "./benchPlace";
import { benchSituations } from "./benchSituations";
import { benchStrangers } from "./benchStrangers";
import { benchSync } from "./benchSync";
import { benchClean } from "./benchClean";
import { benchWeb } from "./benchWeb";
import { benchTrouble } from "./benchTrouble";
import { benchLevels } from "./benchLevels";
import { benchMeter } from "./benchMeter";
import { takePictures } from "./pictures";

const BENCHES: Record<string, (args: readonly string[]) => Promise<number>> = {
  air: () => Promise.resolve(benchAir() ? 0 : 1),
  check: benchCheck,
  copy: benchCopy,
  crews: benchCrews,
  detectors: async (args) =>
    args.includes("--strangers") ? benchStrangers(args.at(-1)) : benchDetectors(args.includes("--quick")),
  dress: benchDress,
  levels: () => Promise.resolve(benchLevels() ? 0 : 1),
  measure: benchMeasure,
  meter: benchMeter,
  place: async () => (benchPlace() ? 0 : 1),
  roll: async (args) => ((await benchRoll(args)) ? 0 : 1),
  server: benchServer,
  sync: benchSync,
  clean: benchClean,
  situations: () => Promise.resolve(benchSituations() ? 0 : 1),
  trouble: () => Promise.resolve(benchTrouble() ? 0 : 1),
  web: benchWeb,
  pictures: takePictures,
};

/** Runs a named bench. */
export async function runBench(args: readonly string[]): Promise<number> {
  const [name = ""] = args;
  const bench = Object.hasOwn(BENCHES, name) ? BENCHES[name] : undefined;
  if (!bench) {
    process.stderr.write(`hypophon bench: one of ${Object.keys(BENCHES).join(", ")}\n`);
    return 2;
  }
  return bench(args.slice(1));
}
