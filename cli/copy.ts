import { Command, CommanderError } from "commander";
import { refuser } from "./output";
import { checkBag, copyCard, type CopyFault, CopyRefusal, type CopyResult } from "./verifiedCopy";

const PROGRAM = "hypophon copy";
const refuse = refuser(PROGRAM);

const FAULTS: Record<CopyFault["why"], string> = {
  vanished: "vanished while it was to be read",
  unreadable: "cannot be read",
  changed: "changed while it was read",
  differs: "differs from the card when it is read back",
  unwritable: "cannot be written",
};
const CHECK_FAULTS = {
  missing: "is missing",
  differs: "differs from its list",
  unlisted: "is not in the list",
  unreadable: "cannot be read",
} as const;

const files = (count: number): string => (count === 1 ? "1 file" : `${count} files`);
const today = (): string => new Date().toISOString().slice(0, 10);

/** Says how far it is, at most twice a second, where somebody looks. */
function progressLine(): ((progress: { doneBytes: number; allBytes: number }) => void) | undefined {
  if (!process.stderr.isTTY) return undefined;
  const began = performance.now();
  let toldMs = 0;
  return ({ doneBytes, allBytes }) => {
    const now = performance.now();
    if (now - toldMs < 500) return;
    toldMs = now;
    const leftS = ((now - began) / 1000) * (allBytes / doneBytes - 1);
    const share = Math.floor((100 * doneBytes) / allBytes);
    process.stderr.write(`\r${share} %, ${Math.ceil(leftS / 60)} min left   `);
  };
}

function tell(result: CopyResult, to: readonly string[]): number {
  for (const { path, why, target } of result.faults)
    process.stderr.write(`${PROGRAM}: ${path} ${FAULTS[why]}${target ? ` (${target})` : ""}\n`);
  if (result.faults.length > 0) {
    process.stderr.write(`${PROGRAM}: not complete. Do not format this card; call this again to go on.\n`);
    return 1;
  }
  const again = result.known > 0 ? `, ${result.known} of them copied before` : "";
  process.stdout.write(
    `${files(result.files.length)}${again}: on ${to.length === 1 ? "the copy" : `all ${to.length} copies`}, read back and equal.\n` +
      (to.length > 1
        ? "This card may be formatted, in the recorder.\n"
        : "One copy is none: make a second one before this card is formatted.\n"),
  );
  return 0;
}

async function check(path: string, isJson: boolean): Promise<number> {
  const { files: count, faults } = await checkBag(path);
  if (isJson) process.stdout.write(`${JSON.stringify({ files: count, faults }, null, 1)}\n`);
  else {
    for (const { path: name, why } of faults) process.stdout.write(`${name} ${CHECK_FAULTS[why]}\n`);
    if (faults.length === 0) process.stdout.write(`${files(count)}: all as they were copied.\n`);
  }
  return faults.length > 0 ? 1 : 0;
}

/** Copies a card to folders, verified, or verifies a copy: 0 all equal, 1 not all, 2 a bad call or one that cannot begin. */
export async function runCopy(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = new Command(PROGRAM)
    .argument("<folder>", "the card; with --verify, a copy")
    .option("--to <folders...>", "new folders, on two disks at least")
    .option("--verify", "verify an old copy")
    .option("--json", "tell it as JSON")
    .exitOverride()
    .configureOutput({ writeErr: (text) => process.stderr.write(text.replace(/^error: /, `${PROGRAM}: `)) })
    .action(async (folder: string, options: { to?: string[]; verify?: boolean; json?: boolean }) => {
      if (options.verify) {
        code = await check(folder, options.json ?? false);
        return;
      }
      if (!options.to) {
        code = refuse("where to? --to FOLDER FOLDER");
        return;
      }
      const onProgress = progressLine();
      const result = await copyCard(folder, options.to, { date: today(), ...(onProgress && { onProgress }) });
      if (onProgress) process.stderr.write("\r\u001b[K");
      if (options.json) {
        process.stdout.write(`${JSON.stringify(result, null, 1)}\n`);
        code = result.faults.length > 0 ? 1 : 0;
      } else code = tell(result, options.to);
    });
  try {
    await program.parseAsync(["node", "hypophon", ...args]);
    return code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : 2;
    if (error instanceof CopyRefusal) return refuse(error.message);
    const { code: system, path } = error as NodeJS.ErrnoException;
    if (system === "ENOSPC" || system === "EDQUOT")
      return refuse("a target is full. What is copied stays: make room, and call this again to go on.");
    if (system === "EROFS") return refuse("a target can be read only.");
    return refuse(`it could not go on: ${system ?? "unknown"}${path ? ` at ${path}` : ""}. Call this again to go on.`);
  }
}
