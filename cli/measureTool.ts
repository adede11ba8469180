import { runMeasure } from "./measure";

process.exitCode = await runMeasure(process.argv.slice(2));
