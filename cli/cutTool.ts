import { runCut } from "./cut";
import { guardOutput } from "./output";

guardOutput("hypophon cut");
process.exitCode = await runCut(process.argv.slice(2));
