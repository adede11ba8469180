import { runCalc } from "./calc";

process.exitCode = await runCalc(process.argv.slice(2));
