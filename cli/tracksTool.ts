import { runTracks } from "./tracks";
import { guardOutput } from "./output";

guardOutput("hypophon tracks");
process.exitCode = await runTracks(process.argv.slice(2));
