import { readFile } from "node:fs/promises";
import { Command, CommanderError, InvalidArgumentError } from "commander";
import type { Static, TSchema } from "@sinclair/typebox";
import { MAX_CHANNELS, RecordingRefusal } from "../core/audio";
import { schemaFaults } from "../core/schema";
import { say } from "../messages";
import { refuser } from "./output";
import { writingFault } from "./rendering";

/** A command that makes one sound file of another. */
export const soundCommand = (program: string): Command =>
  new Command(program)
    .argument("<file>", "a WAV; it stays as it is")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, `${program}: `)) });

/** Runs such a command: its action's code, 1 for a recording that cannot be read, 2 for a bad call or no place to write to. */
export async function runSound(command: Command, args: readonly string[], code: () => number): Promise<number> {
  const program = command.name();
  try {
    await command.parseAsync(["node", "hypophon", ...args]);
    return code();
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    if (error instanceof RecordingRefusal) {
      process.stderr.write(`${program}: ${say(error.says)}\n`);
      return 1;
    }
    const fault = writingFault(error);
    if (fault) return refuser(program)(fault);
    throw error;
  }
}

/** A file of JSON that keeps to a schema, or what is wrong with it. */
export async function readJson<Schema extends TSchema>(schema: Schema, path: string): Promise<Static<Schema> | string> {
  let value: unknown;
  try {
    value = JSON.parse(await readFile(path, "utf8"));
  } catch {
    return `${path}: no JSON file`;
  }
  const [fault] = schemaFaults(schema, value);
  return fault ? `${path}: ${say(fault.says)}` : value;
}

/** A number within bounds, of a call's option. */
export const amount =
  (least: number, most: number, unit: string) =>
  (text: string): number => {
    const value = Number(text.replace("−", "-"));
    if (text.trim() !== "" && value >= least && value <= most) return value;
    throw new InvalidArgumentError(`${least} to ${most} ${unit} are expected.`);
  };

/** Tracks as they are numbered, from 1; given back from 0, each once. */
export function trackNumbers(text: string): number[] {
  const tracks = text.split(",").map(Number);
  if (tracks.every((track) => Number.isInteger(track) && track >= 1 && track <= MAX_CHANNELS))
    return [...new Set(tracks)].map((track) => track - 1);
  throw new InvalidArgumentError(`Track numbers from 1 to ${MAX_CHANNELS} are expected, such as 1,2.`);
}
