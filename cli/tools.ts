import { runCalc } from "./calc";
import { runMeasure } from "./measure";

const [command = "", ...args] = process.argv.slice(2);

process.exitCode = command === "measure" ? await runMeasure(args) : await runCalc(args);
