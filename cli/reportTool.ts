import { guardOutput } from "./output";
import { runReport } from "./report";

guardOutput("hypophon report");
process.exitCode = await runReport(process.argv.slice(2));
