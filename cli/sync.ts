import { readdir, stat } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { Command, CommanderError } from "commander";
import { RecordingRefusal } from "../core/audio";
import { type Candidate, isWavName, type LinedUp, lineUp, type Match, partsOf, reasonOf } from "../core/sync";
import { type AnyMessage, say } from "../messages";
import { fileRefusal } from "./fileSource";
import { refuser } from "./output";
import type { Heard, SyncDoor } from "./syncWorker";

const PROGRAM = "hypophon sync";
const refuse = refuser(PROGRAM);

/** A camera's sound may have been made into a WAV. */
const isPictureName = (name: string): boolean => /\.(mp4|m4v|mov|qt|webm|mkv)$/i.test(name) || isWavName(name);
/** Levels of folders that are looked into. */
const DEEPEST = 8;

/** Files of a folder and of those in it that may hold sound, by name; a file is itself. */
async function filesIn(path: string, isWanted: (name: string) => boolean, depth = 0): Promise<string[]> {
  const info = await stat(path).catch((error: unknown) => {
    throw fileRefusal(error);
  });
  if (!info.isDirectory()) return [path];
  const found: string[] = [];
  for (const entry of (await readdir(path, { withFileTypes: true })).toSorted((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.name.startsWith(".")) continue;
    if (entry.isDirectory() && depth < DEEPEST)
      found.push(...(await filesIn(join(path, entry.name), isWanted, depth + 1)));
    else if (entry.isFile() && isWanted(entry.name)) found.push(join(path, entry.name));
  }
  return found;
}

/** As many as fit into memory and cores. */
const MOST_WORKERS = Number(process.env["HYPOPHON_THREADS"] ?? 4);

interface Line {
  worker: Worker;
  door: Comlink.Remote<SyncDoor>;
}

function openLines(count: number): Line[] {
  return Array.from({ length: Math.max(1, Math.min(count, MOST_WORKERS, availableParallelism())) }, () => {
    const worker = new Worker(new URL("./syncWorker.mjs", import.meta.url));
    return { worker, door: Comlink.wrap<SyncDoor>(nodeEndpoint(worker)) };
  });
}

/** Listens to all files, several at a time; they come back in their order. */
async function hearAll(
  lines: readonly Line[],
  files: readonly { path: string; isPicture: boolean }[],
): Promise<Heard[]> {
  const heard: Heard[] = [];
  let next = 0;
  await Promise.all(
    lines.map(async ({ door }) => {
      for (let at = next++; at < files.length; at = next++)
        heard[at] = await door.scan(files[at]!.path, files[at]!.isPicture);
    }),
  );
  return heard;
}

const round = (value: number, digits: number): number => Number(value.toFixed(digits));

interface Told {
  picture: string;
  sound: string;
  offsetS: number;
  /** In frames of the picture, where it has a frame rate. */
  offsetFrames: number | null;
  driftPpm: number | null;
  driftMs: number;
  overlapS: number;
  confidence: number;
  isInverted: boolean;
  says: string[];
}

function toldOf(match: Match, picture: Heard, sound: Heard): Told {
  const { driftMs, says } = partsOf(match);
  const { offsetS, driftPpm, overlap, confidence, isInverted } = match;
  return {
    ...{ picture: picture.path, sound: sound.path, offsetS: round(offsetS, 6), isInverted },
    offsetFrames: picture.frameRate === null ? null : round(offsetS * picture.frameRate, 3),
    driftPpm: driftPpm === null ? null : round(driftPpm, 2),
    driftMs: round(driftMs, 2),
    overlapS: round(overlap.toS - overlap.fromS, 3),
    confidence: round(confidence, 4),
    says: says.map(say),
  };
}

/** Where a picture begins in a sound file, as a sentence's part; before its beginning it is the sound that comes later. */
const placeOf = ({ offsetS }: Told): string =>
  offsetS >= 0 ? `starts ${offsetS.toFixed(3)} s in` : `starts ${(-offsetS).toFixed(3)} s before it`;

/** Nothing is quite sure. */
const sureOf = ({ confidence }: Told): number => Math.min(99, Math.floor(100 * confidence));

function toldText(matches: readonly Told[], left: readonly { path: string; says: string }[], sum: string): string {
  const lines = matches.map((each) =>
    [`${each.picture} = ${each.sound}: ${placeOf(each)}, ${sureOf(each)} % sure`, ...each.says].join(". "),
  );
  return `${[...lines, ...left.map(({ path, says }) => `${path}: ${says}`), sum].join("\n")}\n`;
}

/** Files without a partner, and why. */
function leftOf(files: readonly Heard[], reasons: LinedUp["pictures"], isPicture: boolean) {
  const told = (path: string, why: AnyMessage) => [{ path, code: why.code, says: say(why) }];
  return files.flatMap(({ path, says }, at) => {
    if (says) return told(path, says);
    const reason = reasons[at];
    return reason ? told(path, reasonOf(reason, isPicture)) : [];
  });
}

async function run(picturesAt: string, soundsAt: string, isJson: boolean): Promise<number> {
  const paths = [await filesIn(picturesAt, isPictureName), await filesIn(soundsAt, isWavName)] as const;
  for (const [at, name] of [picturesAt, soundsAt].entries())
    if (paths[at]!.length === 0) return refuse(`${name}: no ${at === 0 ? "picture" : "sound"} files there.`);
  const files = paths.flatMap((all, side) => all.map((path) => ({ path, isPicture: side === 0 })));
  const lines = openLines(files.length);
  const heard = await hearAll(lines, files);
  const pictures = heard.filter(({ isPicture }) => isPicture);
  const sounds = heard.filter(({ isPicture }) => !isPicture);
  const pathOf = ({ path, seconds }: Heard) => ({ path, seconds });
  const found = await lineUp(pictures, sounds, {
    aligners: lines.map(
      ({ door }) =>
        (candidate: Candidate) =>
          door.align(candidate, pathOf(pictures[candidate.picture]!), pathOf(sounds[candidate.sound]!)),
    ),
  });
  await Promise.all(lines.map(({ worker }) => worker.terminate()));
  const matches = found.matches.map((match) => toldOf(match, pictures[match.picture]!, sounds[match.sound]!));
  const left = [...leftOf(pictures, found.pictures, true), ...leftOf(sounds, found.sounds, false)];
  const byClock = found.byClock.map(({ picture, sound, offsetS }) => ({
    ...{ picture: pictures[picture]!.path, sound: sounds[sound]!.path, offsetS: round(offsetS, 3) },
  }));
  const paired = new Set(found.matches.map(({ picture }) => picture)).size;
  if (isJson)
    process.stdout.write(`${JSON.stringify({ matches, byClock, clocks: found.clocks, unmatched: left }, null, 1)}\n`);
  else
    process.stdout.write(
      toldText(matches, left, say({ code: "sync.sum", paired, pictures: pictures.length, sounds: sounds.length })),
    );
  return paired < pictures.length ? 1 : 0;
}

/** Pairs picture and sound files: 0 every picture has its sound, 1 not all, 2 a bad call. */
export async function runSync(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = new Command(PROGRAM)
    .argument("<pictures>", "a picture file, or a folder of them")
    .argument("<sounds>", "a sound file, or a folder of them")
    .option("--json", "tell it as JSON")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, `${PROGRAM}: `)) })
    .action(async (pictures: string, sounds: string, options: { json?: boolean }) => {
      code = await run(pictures, sounds, options.json ?? false);
    });
  try {
    await program.parseAsync(["node", "hypophon", ...args]);
    return code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    if (error instanceof RecordingRefusal) return refuse(say(error.says));
    throw error;
  }
}
