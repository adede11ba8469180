import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ROOT } from "../../host/state";

const ROUNDS = 3;
const RATIO_LIMIT = 0.5;
const MEMORY_LIMIT_MB = 200;
const CLI = join(ROOT, "hypophon");

export function makeFile(path: string, seconds: number, kind: "speech" | "noise" | "sine"): void {
  const source = join(ROOT, "demo", "recordings", "miller-granary.wav");
  const made =
    kind === "speech"
      ? spawnSync("sox", [
          source,
          "-b",
          "24",
          path,
          "remix",
          "1",
          "1",
          "repeat",
          String(Math.ceil(seconds / 9)),
          "trim",
          "0",
          String(seconds),
        ])
      : spawnSync("sox", [
          "-n",
          "-r",
          "48000",
          "-b",
          "24",
          "-c",
          "2",
          path,
          "synth",
          String(seconds),
          kind === "noise" ? "pinknoise" : "sine",
          ...(kind === "sine" ? ["997"] : []),
          "vol",
          "0.5",
        ]);
  if (made.status !== 0) throw new Error(`sox could not make ${path}`);
}

export interface Run {
  seconds: number;
  peakMb: number;
}

/** Wall time and peak resident memory of a command, by the shell's own child accounting. */
export function timed(command: string, args: readonly string[]): Run {
  const script =
    "import resource,subprocess,sys,time\nt=time.time()\nr=subprocess.call(sys.argv[1:],stdout=subprocess.DEVNULL,stderr=subprocess.DEVNULL)\nprint(time.time()-t,resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss/1024)\n";
  const done = spawnSync("python3", ["-c", script, command, ...args], { encoding: "utf8" });
  const [seconds = NaN, peakMb = NaN] = done.stdout.trim().split(" ").map(Number);
  return { seconds, peakMb };
}

const best = (runs: readonly Run[]): Run => ({
  seconds: Math.min(...runs.map((run) => run.seconds)),
  peakMb: Math.max(...runs.map((run) => run.peakMb)),
});

function mebibytesOf(path: string): string {
  return (readFileSync(path).byteLength / 2 ** 20).toFixed(0);
}

/** Wall time of `measure` against ffmpeg's ebur128 with true peak on the same files, and memory over length. */
export async function benchMeasure(): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), "hypophon-bench-"));
  let isGood = true;
  try {
    for (const kind of ["speech", "noise", "sine"] as const) {
      const file = join(folder, `${kind}.wav`);
      makeFile(file, 600, kind);
      const ours: Run[] = [];
      const theirs: Run[] = [];
      for (let round = 0; round < ROUNDS; round += 1) {
        theirs.push(timed("ffmpeg", ["-nostdin", "-i", file, "-af", "ebur128=peak=true", "-f", "null", "-"]));
        ours.push(timed(CLI, ["measure", file, "--json"]));
      }
      const own = best(ours);
      const other = best(theirs);
      const ratio = own.seconds / other.seconds;
      process.stdout.write(
        `${kind.padEnd(7)}10 min 48k/24 stereo (${mebibytesOf(file)} MiB): measure ${own.seconds.toFixed(2)} s, ffmpeg ${other.seconds.toFixed(2)} s, ratio ${ratio.toFixed(2)}, peak ${own.peakMb.toFixed(0)} MB\n`,
      );
      if (ratio > RATIO_LIMIT) isGood = false;
      if (own.peakMb > MEMORY_LIMIT_MB) isGood = false;
      rmSync(file);
    }
    const long = join(folder, "hour.wav");
    makeFile(long, 3600, "speech");
    const hour = timed(CLI, ["measure", long, "--json"]);
    process.stdout.write(
      `speech 60 min 48k/24 stereo: measure ${hour.seconds.toFixed(1)} s, peak ${hour.peakMb.toFixed(0)} MB\n`,
    );
    if (hour.peakMb > MEMORY_LIMIT_MB) isGood = false;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  process.stdout.write(
    isGood ? "within the limits\n" : `beyond the limits (ratio ${RATIO_LIMIT}, ${MEMORY_LIMIT_MB} MB)\n`,
  );
  return isGood ? 0 : 1;
}
