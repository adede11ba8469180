import { runMeta } from "./meta";
import { guardOutput } from "./output";

guardOutput("hypophon meta");
process.exitCode = await runMeta(process.argv.slice(2));
