import { runClean } from "./clean";
import { guardOutput } from "./output";

guardOutput("hypophon clean");
process.exitCode = await runClean(process.argv.slice(2));
