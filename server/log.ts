import pino from "pino";

/** What is told of an error: what it said and where, with the database's code, but nothing of what people had typed. */
export function toldOf(error: unknown): object {
  if (!(error instanceof Error)) return { message: String(error) };
  const { name, cause, stack } = error;
  const { code, query } = error as { code?: unknown; query?: unknown };
  const message = query === undefined ? error.message : "Failed query";
  return {
    name,
    message,
    ...(code === undefined ? {} : { code }),
    ...(query === undefined ? {} : { query }),
    at: stack?.split("\n").filter((line) => /^\s+at /.test(line)),
    ...(cause === undefined ? {} : { cause: toldOf(cause) }),
  };
}

/** One line of JSON an event, on standard error. HYPOPHON_LOG is the least level that is told, or "silent". */
export const log = pino(
  {
    level: process.env["HYPOPHON_LOG"] ?? "info",
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    serializers: { error: toldOf },
  },
  // A reader that has gone is no failure of ours.
  pino.destination({ dest: 2, sync: true }).on("error", () => undefined),
);
