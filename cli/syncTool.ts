import { guardOutput } from "./output";
import { runSync } from "./sync";

guardOutput("hypophon sync");
process.exitCode = await runSync(process.argv.slice(2));
