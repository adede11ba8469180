import { STATE_DIR } from "./state";
import { whyFailed } from "./trouble";

/** What a command does with what stands after its name; it gives back how the process ends. */
export type Run = (args: readonly string[]) => Promise<number>;

/** Runs the command that this process was started with, and ends the process; what fails is said in one line. */
export async function runCommand(commands: Readonly<Record<string, Run>>): Promise<never> {
  const [command = "", ...args] = process.argv.slice(2);
  try {
    const run = commands[command];
    process.exitCode = run ? await run(args) : 2;
  } catch (error) {
    const said = error instanceof Error ? error.message : String(error);
    const isSystem = typeof (error as NodeJS.ErrnoException | null)?.code === "string";
    process.stderr.write(`hypophon: ${isSystem ? whyFailed(said, STATE_DIR) : said}\n`);
    process.exitCode = 1;
  }
  process.exit();
}
