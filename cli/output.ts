const SAYS: Record<string, string> = {
  ENOSPC: "the disk is full",
  EDQUOT: "the disk quota is used up",
  EIO: "the disk failed",
};

/** Ends the process in a sentence when its output cannot be written; quietly where the reader has simply gone. */
export function guardOutput(program: string): void {
  process.stderr.on("error", () => undefined);
  process.stdout.on("error", (error: NodeJS.ErrnoException) => {
    if (error.code === "EPIPE") process.exit(process.exitCode ?? 0);
    process.stderr.write(`${program}: the output could not be written: ${SAYS[error.code ?? ""] ?? error.message}.\n`);
    process.exit(2);
  });
}

/** How a program refuses a bad call: a sentence, and its exit code. */
export const refuser =
  (program: string) =>
  (message: string): 2 => {
    process.stderr.write(`${program}: ${message}\n`);
    return 2;
  };
