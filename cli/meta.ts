import { execFile } from "node:child_process";
import { readFileSync } from "node:fs";
import { copyFile, open, rm, stat, truncate } from "node:fs/promises";
import { promisify } from "node:util";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { Command, CommanderError } from "commander";
import { readWavHeader, RecordingRefusal } from "../core/audio";
import { schemaFaults } from "../core/schema";
import { readTags, taggedCopy, type TaggedCopy } from "../core/tags";
import { say } from "../messages";
import { openFileSource } from "./fileSource";
import { refuser } from "./output";

const Text = (most: number) => Type.String({ maxLength: most });
const strict = { additionalProperties: false } as const;

/** What may be written; what is left out stays as it is. */
export const MetaInput = Type.Object(
  {
    bext: Type.Optional(
      Type.Partial(
        Type.Object(
          {
            description: Text(256),
            originator: Text(32),
            reference: Text(32),
            date: Type.String({ format: "date" }),
            time: Type.String({ pattern: "^\\d{2}:\\d{2}:\\d{2}$" }),
            timeReference: Type.Integer({ minimum: 0, maximum: Number.MAX_SAFE_INTEGER }),
          },
          strict,
        ),
        strict,
      ),
    ),
    ixml: Type.Optional(
      Type.Object(
        {
          ...{ project: Text(200), scene: Text(200), take: Text(40), tape: Text(200), note: Text(2000) },
          isCircled: Type.Boolean(),
          isNoGood: Type.Boolean(),
          isFalseStart: Type.Boolean(),
          isWild: Type.Boolean(),
          tracks: Type.Array(
            Type.Object({ channel: Type.Integer({ minimum: 1, maximum: 64 }), name: Text(120) }, strict),
            { maxItems: 64 },
          ),
          frameRate: Type.String({ pattern: "^\\d{1,6}/\\d{1,5}$" }),
          isDrop: Type.Boolean(),
        },
        strict,
      ),
    ),
    markers: Type.Optional(
      Type.Array(
        Type.Object(
          {
            atFrame: Type.Integer({ minimum: 0, maximum: 0xffffffff }),
            frames: Type.Integer({ minimum: 0, maximum: 0xffffffff }),
            label: Text(200),
          },
          strict,
        ),
        { maxItems: 10_000 },
      ),
    ),
  },
  strict,
);
type MetaInput = Static<typeof MetaInput>;

const refuse = refuser("hypophon meta");

/** The system's own copy, which moves no byte through this process; where there is none, Node's. */
async function copyQuickly(path: string, to: string): Promise<void> {
  const isDone = await promisify(execFile)("cp", ["--reflink=auto", "--", path, to]).then(
    () => true,
    () => false,
  );
  if (!isDone) await copyFile(path, to);
}

/** Writes a tagged copy: the system copies the file, then what differs is written into the copy. */
async function writeCopy(path: string, to: string, { keepBytes, patches, tail }: TaggedCopy): Promise<void> {
  try {
    // The place is taken first: nothing that is there is written over.
    await (await open(to, "wx")).close();
    await copyQuickly(path, to);
    if ((await stat(to)).size > keepBytes) await truncate(to, keepBytes);
    const handle = await open(to, "r+");
    try {
      for (const { offset, bytes } of patches) await handle.write(bytes, 0, bytes.length, offset);
      await handle.write(tail, 0, tail.length, keepBytes);
      await handle.sync();
    } finally {
      await handle.close();
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== "EEXIST") await rm(to, { force: true });
    throw error;
  }
}

async function read(path: string): Promise<number> {
  const source = await openFileSource(path);
  try {
    const header = await readWavHeader(source);
    const { sampleRateHz, channels, bitsPerSample, frames, container } = header;
    const format = { container, sampleRateHz, channels, bitsPerSample, seconds: frames / sampleRateHz };
    process.stdout.write(`${JSON.stringify({ file: path, format, ...(await readTags(source)) }, null, 2)}\n`);
    return 0;
  } finally {
    await source.close();
  }
}

async function write(path: string, inputPath: string, to: string): Promise<number> {
  let input: unknown;
  try {
    input = JSON.parse(readFileSync(inputPath === "-" ? 0 : inputPath, "utf8"));
  } catch {
    return refuse(`${inputPath} is no JSON that can be read`);
  }
  const [fault] = schemaFaults(MetaInput, input);
  if (fault) return refuse(`${fault.path || "input"}: ${say(fault.says)}`);
  const { bext, ixml, markers } = input as MetaInput;
  const source = await openFileSource(path);
  try {
    const copy = await taggedCopy(source, {
      ...(bext && { bext }),
      ...(ixml && { ixml }),
      ...(markers && { markers }),
    });
    await writeCopy(path, to, copy);
    return 0;
  } finally {
    await source.close();
  }
}

/** Reads what stands in a sound file beside its sound, or writes it into a copy: 0 done, 1 refused with a reason, 2 a bad call. */
export async function runMeta(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = new Command("hypophon meta")
    .argument("<file>", "a WAV, RF64 or BW64 file")
    .option("--write <json>", "what is to stand in a copy (- for standard input)")
    .option("--to <copy>", "where the copy goes; it must not be there yet")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, "hypophon meta: ")) })
    .action(async (file: string, options: { write?: string; to?: string }) => {
      if ((options.write === undefined) !== (options.to === undefined)) {
        code = refuse("--write and --to go together");
        return;
      }
      code = options.write === undefined ? await read(file) : await write(file, options.write, options.to!);
    });
  try {
    await program.parseAsync(["node", "hypophon", ...args]);
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    if (error instanceof RecordingRefusal) {
      process.stderr.write(`${args[0]}: ${say(error.says)}\n`);
      return 1;
    }
    if ((error as NodeJS.ErrnoException).code === "EEXIST")
      return refuse("the copy is there already; nothing was written");
    return refuse(`the copy could not be written: ${(error as NodeJS.ErrnoException).code ?? "unknown"}`);
  }
  return code;
}
