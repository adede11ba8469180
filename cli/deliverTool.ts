import { runDeliver } from "./deliver";
import { guardOutput } from "./output";

guardOutput("hypophon deliver");
process.exitCode = await runDeliver(process.argv.slice(2));
