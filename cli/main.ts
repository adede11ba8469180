import { runBench } from "../bench/bench";
import { backup, restore } from "./backup";
import { runWeb } from "./runWeb";
import { runTests } from "./runTests";
import { STATE_DIR } from "./state";
import { whyFailed } from "./trouble";

const [command = "", ...args] = process.argv.slice(2);

const COMMANDS: Record<string, (args: readonly string[]) => Promise<number>> = {
  demo: () => runWeb("demo"),
  start: () => runWeb("start"),
  dev: () => runWeb("dev"),
  backup,
  restore,
  test: runTests,
  bench: runBench,
};

try {
  const run = COMMANDS[command];
  process.exitCode = run ? await run(args) : 2;
} catch (error) {
  const said = error instanceof Error ? error.message : String(error);
  const isSystem = typeof (error as NodeJS.ErrnoException | null)?.code === "string";
  process.stderr.write(`hypophon: ${isSystem ? whyFailed(said, STATE_DIR) : said}\n`);
  process.exitCode = 1;
}
process.exit();
