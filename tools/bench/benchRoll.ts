import { spawnSync } from "node:child_process";
import { closeSync, mkdtempSync, openSync, rmSync, statSync, writeFileSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { performance } from "node:perf_hooks";
import { matchCard } from "../../core/roll";
import { benchRollScreen } from "./benchRollScreen";
import { madeDay, someTroubles } from "../../fixtures/madeDay";

const middle = (values: readonly number[]): number => values.toSorted((one, other) => one - other)[values.length >> 1]!;
const tell = (text: string): void => void process.stdout.write(`${text}\n`);

/** Days that are made, and how many of their takes are found: right, sure, and wrong though told as sure. */
function accuracy(days: number): boolean {
  let [lines, right, sure, wrong] = [0, 0, 0, 0];
  for (let seed = 1; seed <= days; seed += 1) {
    const day = madeDay(seed, 10 + (seed % 40), someTroubles(seed));
    const { matches } = matchCard(day.lines, day.files);
    const found = new Map(matches.flatMap((match) => match.lineIds.map((id) => [id, match] as const)));
    for (const { id } of day.lines) {
      const match = found.get(id);
      const isRight = (match?.fileIds.join() ?? "") === day.truth.get(id)!.join();
      lines += 1;
      right += Number(isRight);
      sure += Number(match?.isSure ?? false);
      wrong += Number((match?.isSure ?? false) && !isRight);
    }
  }
  tell(
    `${days} made days, ${lines} takes: ${((100 * right) / lines).toFixed(2)} % right, ${((100 * sure) / lines).toFixed(1)} % sure, ${wrong} wrong for sure`,
  );
  return right / lines >= 0.99 && wrong === 0;
}

function speed(): boolean {
  const times = Array.from({ length: 9 }, (_, at) => {
    const day = madeDay(at + 1, 300, { ...someTroubles(at + 1), notLogged: 0.03, falseStarts: 0.06, split: 0.02 });
    const began = performance.now();
    matchCard(day.lines, day.files);
    return performance.now() - began;
  }).slice(2);
  tell(`300 takes with their card: median ${middle(times).toFixed(0)} ms`);
  return middle(times) <= 200;
}

const FILE_BYTES = 4_000_000_000;
const PART_BYTES = 1 << 24;

/** A file of 4 GB of sound: a header, and sound that no file system leaves out. */
function bigFile(path: string): void {
  const header = Buffer.alloc(44);
  const frames = Math.floor((FILE_BYTES - 44) / 12);
  header.write("RIFF", 0);
  header.writeUInt32LE(36 + frames * 12, 4);
  header.write("WAVEfmt ", 8);
  header.writeUInt32LE(16, 16);
  header.writeUInt16LE(1, 20);
  header.writeUInt16LE(4, 22);
  header.writeUInt32LE(48_000, 24);
  header.writeUInt32LE(48_000 * 12, 28);
  header.writeUInt16LE(12, 32);
  header.writeUInt16LE(24, 34);
  header.write("data", 36);
  header.writeUInt32LE(frames * 12, 40);
  const part = Buffer.alloc(PART_BYTES, 0x5a);
  const file = openSync(path, "w");
  writeSync(file, header);
  for (let left = frames * 12; left > 0; left -= part.length) writeSync(file, part, 0, Math.min(left, part.length));
  closeSync(file);
}

/** Words into a copy of 4 GB against the system's own copy, in turns. */
function copies(): boolean {
  const folder = mkdtempSync(join(tmpdir(), "hypophon-roll-"));
  try {
    const [wav, tags] = [join(folder, "big.wav"), join(folder, "tags.json")];
    bigFile(wav);
    writeFileSync(
      tags,
      JSON.stringify({ bext: { description: "12A take 3" }, markers: [{ atFrame: 1, frames: 0, label: "x" }] }),
    );
    const root = process.env["HYPOPHON_ROOT"] ?? process.cwd();
    const timed = (program: string, args: readonly string[]): number => {
      const began = performance.now();
      const done = spawnSync(program, args, { encoding: "utf8" });
      if (done.status !== 0) throw new Error(done.stderr);
      return performance.now() - began;
    };
    const [ours, theirs]: [number[], number[]] = [[], []];
    for (let round = 0; round < 4; round += 1) {
      const copy = join(folder, `copy ${round}.wav`);
      theirs.push(timed("sh", ["-c", `cp "${wav}" "${copy}" && sync "${copy}"`]));
      rmSync(copy);
      const meta = [join(root, ".build", "cli", "metaTool.mjs"), wav, "--write", tags, "--to", copy];
      ours.push(timed(process.execPath, meta));
      if (statSync(copy).size <= FILE_BYTES - 100) throw new Error("The copy is not whole.");
      rmSync(copy);
    }
    const ratio = middle(theirs.slice(1)) / middle(ours.slice(1));
    tell(
      `words into a copy of 4 GB: ${(middle(ours.slice(1)) / 1000).toFixed(1)} s, cp and sync ${(middle(theirs.slice(1)) / 1000).toFixed(1)} s, ${ratio.toFixed(2)} of its speed`,
    );
    return ratio >= 0.8;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The log of takes: matching with a card, and words in copies; with --screen, what its page does instead. */
export async function benchRoll(args: readonly string[]): Promise<boolean> {
  if (args.includes("--screen")) return benchRollScreen();
  const results = [accuracy(1000), speed(), ...(args.includes("--quick") ? [] : [copies()])];
  return results.every(Boolean);
}
