import { execFileSync, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { ROOT } from "../../host/state";
import { part } from "./benchClient";

interface Truth {
  offsetS: number;
  driftPpm: number;
  overlapS: number;
}

interface Told {
  matches: {
    picture: string;
    sound: string;
    offsetS: number;
    driftPpm: number | null;
    overlapS: number;
    confidence: number;
  }[];
}

interface Set {
  name: string;
  pairs: number;
  seed: number;
  leastS: number;
  mostS: number;
  noiseDb: number;
  rateHz: number;
  kind: "apart" | "same";
}

const SCRIPTS = join(ROOT, "tools", "bench", "sync");
const python = (script: string, ...args: (string | number)[]): string =>
  execFileSync("python3", [join(SCRIPTS, script), ...args.map(String)], { encoding: "utf8" });

/** Makes a set: its pictures in one folder, its sounds in another. */
function makeSet(folder: string, { pairs, seed, leastS, mostS, noiseDb, rateHz, kind }: Set): Truth[] {
  python("makePairs.py", folder, pairs, seed, leastS, mostS, noiseDb, rateHz, kind);
  for (const side of ["picture", "sound"]) {
    mkdirSync(join(folder, side));
    for (const name of readdirSync(folder).filter((each) => each.startsWith(side) && each.endsWith(".wav")))
      renameSync(join(folder, name), join(folder, side, name));
  }
  return JSON.parse(readFileSync(join(folder, "truth.json"), "utf8")) as Truth[];
}

function sync(folder: string): { told: Told; seconds: number } {
  const began = performance.now();
  const tool = join(ROOT, ".build", "cli", "syncTool.mjs");
  const { stdout } = spawnSync(process.execPath, [tool, join(folder, "picture"), join(folder, "sound"), "--json"], {
    encoding: "utf8",
    maxBuffer: 1 << 28,
  });
  return { told: JSON.parse(stdout) as Told, seconds: (performance.now() - began) / 1000 };
}

const numberOf = (path: string): number => Number(/(\d+)\.wav$/.exec(basename(path))![1]);
const most = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b), 0);

/** How the pairs of one set are found, and how exactly. */
function score(set: Set, truth: readonly Truth[], { told, seconds }: ReturnType<typeof sync>) {
  const isTrue = ({ picture, sound }: Told["matches"][number]) => numberOf(picture) === numberOf(sound);
  const good = told.matches.filter(isTrue);
  const wrong = told.matches.length - good.length;
  const offsetsMs: number[] = [];
  const driftsPpm: number[] = [];
  for (const { picture, offsetS, driftPpm } of good) {
    const exact = truth[numberOf(picture)]!;
    // In the middle of the overlap: at its beginning drift and offset make up for each other.
    const middleS = Math.max(0, -exact.offsetS) + exact.overlapS / 2;
    const own = offsetS + (middleS * (driftPpm ?? exact.driftPpm)) / 1e6;
    offsetsMs.push(1000 * Math.abs(own - exact.offsetS - (middleS * exact.driftPpm) / 1e6));
    if (driftPpm !== null) driftsPpm.push(Math.abs(driftPpm - exact.driftPpm));
  }
  const hours = truth.reduce((sum, each) => sum + each.overlapS, 0) / 3600;
  process.stdout.write(
    `${set.name}: ${good.length} of ${truth.length} pairs found, ${wrong} false of ${truth.length ** 2 - truth.length} tries; ` +
      `offset median ${part(offsetsMs, 0.5).toFixed(4)} ms, worst ${most(offsetsMs).toFixed(3)} ms; ` +
      `drift median ${part(driftsPpm, 0.5).toFixed(2)} ppm, worst ${most(driftsPpm).toFixed(2)} ppm; ` +
      `${seconds.toFixed(1)} s with reading, for ${hours.toFixed(1)} h in common\n`,
  );
  return { found: good.length / truth.length, wrong, offsetsMs, driftsPpm, seconds };
}

/** Pairs that other programs made: how many are found, how exactly, how fast; one hour against scipy's correlation. */
export async function benchSync(args: readonly string[]): Promise<number> {
  const isQuick = args.includes("--quick");
  const folder = mkdtempSync(join(tmpdir(), "hypophon-sync-"));
  let isGood = true;
  try {
    const run = (set: Set) => {
      const own = join(folder, set.name.replaceAll(/\W/g, ""));
      const truth = makeSet(own, set);
      const scored = score(set, truth, sync(own));
      if (set.mostS < 3000) rmSync(own, { recursive: true });
      return { own, truth, ...scored };
    };
    const rateHz = 48_000;
    const apart = run({
      ...{ name: "another microphone, room of 1 s, 0 dB noise, AAC", pairs: isQuick ? 30 : 200, seed: 601 },
      ...{ leastS: 15, mostS: 60, noiseDb: 0, rateHz, kind: "apart" },
    });
    isGood &&= apart.found >= 0.99 && apart.wrong === 0 && most(apart.offsetsMs) <= 1;
    const same = run({
      ...{ name: "the same microphone path", pairs: isQuick ? 10 : 40, seed: 602 },
      ...{ leastS: 15, mostS: 60, noiseDb: -20, rateHz, kind: "same" },
    });
    isGood &&= same.found === 1 && same.wrong === 0 && part(same.offsetsMs, 0.5) <= 1000 / rateHz;
    const long = run({
      ...{ name: "overlaps of half an hour and more", pairs: isQuick ? 1 : 4, seed: 603 },
      ...{ leastS: 2100, mostS: 2400, noiseDb: 0, rateHz: 16_000, kind: "apart" },
    });
    isGood &&= long.found === 1 && most(long.driftsPpm) <= 1;
    const hour = run({
      ...{ name: "one hour against one hour", pairs: 1, seed: 604 },
      ...{ leastS: 3600, mostS: 3601, noiseDb: -6, rateHz: 16_000, kind: "apart" },
    });
    const [seconds, offsetS] = python(
      "correlate.py",
      join(hour.own, "picture", "picture0000.wav"),
      join(hour.own, "sound", "sound0000.wav"),
    )
      .trim()
      .split(" ")
      .map(Number) as [number, number];
    const exact = hour.truth[0]!;
    const middleS = Math.max(0, -exact.offsetS) + exact.overlapS / 2;
    const errorMs = 1000 * Math.abs(offsetS - exact.offsetS - (middleS * exact.driftPpm) / 1e6);
    process.stdout.write(
      `scipy's correlation of the same hour: ${seconds.toFixed(1)} s after reading, ${errorMs.toFixed(2)} ms off; ` +
        `${(hour.seconds / seconds).toFixed(2)} of its time with reading (at most 0.3, and 3 s)\n`,
    );
    isGood &&= hour.seconds <= 3 && hour.seconds <= 0.3 * seconds;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return isGood ? 0 : 1;
}
