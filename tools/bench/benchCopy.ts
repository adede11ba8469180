import { execFileSync, spawn, spawnSync } from "node:child_process";
import { createCipheriv } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ROOT } from "../../host/state";
import { part } from "./benchClient";
import { benchCopyPage } from "./benchCopyPage";

const FILES = 8;
const FILE_MB = 256;
const ROUNDS = 3;
const SHARE = 0.8;

/** Bytes that no disk can make smaller, the same every time. */
const noise = (size: number, seed: number): Buffer =>
  createCipheriv("aes-128-ctr", Buffer.alloc(16, seed), Buffer.alloc(16)).update(Buffer.alloc(size));

const ended = (program: string, args: readonly string[]): Promise<void> =>
  new Promise((resolve, reject) => {
    spawn(program, args, { stdio: "ignore" }).once("close", (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} ended with ${code}`)),
    );
  });

/** A card of 2 GB into one verified copy, against cp and sha256sum of the same at the same time. */
async function benchCopyShell(): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), "hypophon-bench-"));
  try {
    const card = join(folder, "card");
    mkdirSync(card);
    const paths = Array.from({ length: FILES }, (_, at) => join(card, `T${at + 1}.wav`));
    for (const [at, path] of paths.entries()) writeFileSync(path, noise(FILE_MB << 20, at + 1));
    const own: number[] = [];
    const theirs: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      execFileSync("sync");
      let began = performance.now();
      const copy = join(folder, `copy${round}`);
      await Promise.all([ended("cp", ["-r", card, copy]), ended("sha256sum", paths)]);
      execFileSync("sync");
      theirs.push(performance.now() - began);
      rmSync(copy, { recursive: true });
      began = performance.now();
      const bag = join(folder, `bag${round}`);
      const tool = join(ROOT, ".build", "cli", "copyTool.mjs");
      const { status } = spawnSync(process.execPath, [tool, card, "--to", bag], { stdio: "ignore" });
      if (status !== 0) throw new Error("the copy failed");
      execFileSync("sync");
      own.push(performance.now() - began);
      rmSync(bag, { recursive: true });
    }
    const [ours, reference] = [part(own, 0.5) / 1000, part(theirs, 0.5) / 1000];
    const mb = FILES * FILE_MB;
    process.stdout.write(
      `${mb} MB copied with both hashes and read back in ${ours.toFixed(1)} s (${(mb / ours).toFixed(0)} MB/s); ` +
        `cp and sha256sum together ${reference.toFixed(1)} s: ${(reference / ours).toFixed(2)} of their speed, ${SHARE} wanted\n`,
    );
    return reference / ours >= SHARE ? 0 : 1;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Verified copies of the shell, then of the page. */
export async function benchCopy(args: readonly string[]): Promise<number> {
  const shell = args.includes("--page") ? 0 : await benchCopyShell();
  return Math.max(shell, await benchCopyPage());
}
