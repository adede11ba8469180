import { runCalc } from "./calc";
import { guardOutput } from "./output";

guardOutput("hypophon calc");
process.exitCode = await runCalc(process.argv.slice(2));
