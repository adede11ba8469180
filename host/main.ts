import { backup, restore } from "./backup";
import { runWeb } from "./runWeb";
import { runCommand } from "./runCommand";

await runCommand({
  demo: () => runWeb("demo"),
  start: () => runWeb("start"),
  backup,
  restore,
});
