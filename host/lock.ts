import { spawn } from "node:child_process";
import { mkdirSync } from "node:fs";
import { join } from "node:path";

/**
 * Runs one task at a time under a name, over all processes that use a folder.
 * The lock is the kernel's and dies with whoever holds it, so a killed run leaves none behind.
 */
export async function withLock<Result>(folder: string, name: string, task: () => Promise<Result>): Promise<Result> {
  mkdirSync(folder, { recursive: true });
  const holder = spawn("flock", [join(folder, `${name}.lock`), "sh", "-c", "echo held; exec cat >/dev/null"], {
    stdio: ["pipe", "pipe", "inherit"],
  });
  await new Promise<void>((resolve, reject) => {
    holder.once("error", reject);
    holder.once("exit", () => reject(new Error(`The lock "${name}" in ${folder} could not be taken.`)));
    holder.stdout.once("data", () => resolve());
  });
  try {
    return await task();
  } finally {
    holder.removeAllListeners("exit");
    holder.stdin.end();
  }
}
