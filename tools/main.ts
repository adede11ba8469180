import { runCommand } from "../host/runCommand";
import { runWeb } from "../host/runWeb";
import { runBench } from "./bench/bench";
import { runTests } from "./runTests";

await runCommand({
  dev: () => runWeb("dev"),
  test: runTests,
  bench: runBench,
});
