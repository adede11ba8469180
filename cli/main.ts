import { runBench } from "../bench/bench";
import { runWeb } from "./runWeb";
import { runTests } from "./runTests";

const [command = "", ...args] = process.argv.slice(2);

const COMMANDS: Record<string, (args: readonly string[]) => Promise<number>> = {
  demo: () => runWeb("demo"),
  start: () => runWeb("start"),
  dev: () => runWeb("dev"),
  test: runTests,
  bench: runBench,
};

try {
  const run = COMMANDS[command];
  process.exitCode = run ? await run(args) : 2;
} catch (error) {
  process.stderr.write(`hypophon: ${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
process.exit();
