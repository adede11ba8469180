import { isMessage, say } from "../messages";
import { readFileSync } from "node:fs";
import { schemaFaults } from "../core/schema";
import { CALCULATORS } from "./calculators";

const USAGE = "hypophon calc --list | NAME --schema | NAME --example | NAME INPUT.json (- for standard input)";

function print(value: unknown): void {
  // JSON has no infinity: an unlimited figure is null.
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
}

function refuse(message: string): 2 {
  process.stderr.write(`hypophon calc: ${message}\n`);
  return 2;
}

function readInput(path: string): { value: unknown } | { problem: string } {
  let text: string;
  try {
    text = readFileSync(path === "-" ? 0 : path, "utf8");
  } catch {
    return { problem: `${path} cannot be read` };
  }
  try {
    return { value: JSON.parse(text.replace(/^\uFEFF/, "")) as unknown };
  } catch {
    return { problem: `${path === "-" ? "standard input" : path} is no JSON` };
  }
}

/** An answer with its messages in words beside their codes. */
export function withWords(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withWords);
  if (typeof value !== "object" || value === null) return value;
  const inner = Object.fromEntries(Object.entries(value).map(([key, each]) => [key, withWords(each)]));
  return isMessage(value) && !("says" in value) ? { ...inner, says: say(value) } : inner;
}

/** Runs a calculator of the core: 0 good, 1 a finding or refusal, 2 bad input. */
export async function runCalc(args: readonly string[]): Promise<number> {
  const [name, what, ...rest] = args;
  if (name === "--list" && what === undefined) {
    for (const [id, calculator] of Object.entries(CALCULATORS))
      process.stdout.write(`${id.padEnd(11)}${calculator.says}\n`);
    return 0;
  }
  if (name === undefined || what === undefined || rest.length > 0) return refuse(USAGE);
  const calculator = Object.hasOwn(CALCULATORS, name) ? CALCULATORS[name] : undefined;
  if (!calculator) return refuse(`there is no calculator "${name}"; --list shows them`);
  if (what === "--schema") print(calculator.schema);
  else if (what === "--example") print(calculator.example);
  else {
    const input = readInput(what);
    if ("problem" in input) return refuse(input.problem);
    const [fault] = schemaFaults(calculator.schema, input.value);
    if (fault) return refuse(`${fault.path || "input"}: ${say(fault.says)}`);
    const answer = await Promise.resolve(calculator.run(input.value)).catch((error: unknown) =>
      refuse(`${name} could not work this out: ${error instanceof Error ? error.message : String(error)}`),
    );
    if (answer === 2) return answer;
    const { result, finding } = answer;
    print(withWords(result));
    if (finding) process.stderr.write(`${finding}\n`);
    return finding ? 1 : 0;
  }
  return 0;
}
