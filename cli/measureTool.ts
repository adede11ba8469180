import { runMeasure } from "./measure";
import { guardOutput } from "./output";

guardOutput("hypophon measure");
process.exitCode = await runMeasure(process.argv.slice(2));
