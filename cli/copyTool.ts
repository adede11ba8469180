import { runCopy } from "./copy";
import { guardOutput } from "./output";

guardOutput("hypophon copy");
process.exitCode = await runCopy(process.argv.slice(2));
