import { backup, restore } from "./backup";
import { runWeb } from "./runWeb";
import { runCommand } from "./runCommand";
import { webBuild } from "./webBuild";

// Who reads what is told may go: that ends nothing here, and an error of it is told to nobody.
for (const stream of [process.stdout, process.stderr]) stream.on("error", () => undefined);

await runCommand({
  build: async () => {
    await webBuild();
    return 0;
  },
  demo: () => runWeb("demo"),
  start: (args) => runWeb("start", args),
  backup,
  restore,
});
