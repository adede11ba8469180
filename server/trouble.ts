/** The code that the database, or the way to it, gave an error. */
function codeOf(error: unknown): string {
  const code: unknown = (error as { code?: unknown }).code ?? (error as { cause?: { code?: unknown } }).cause?.code;
  return typeof code === "string" ? code : "";
}

/** What pg says, without a code, when it cannot reach the database or is cut off in the middle. */
const AWAY = /timeout exceeded when trying to connect|Connection terminated|Client was closed|Cannot use a pool/;

const messagesOf = (error: unknown): string =>
  [error, (error as { cause?: unknown }).cause].map((each) => (each instanceof Error ? each.message : "")).join(" ");

/** The database, or the way to it, is away: nothing was done, or nobody knows. */
export const isAway = (error: unknown): boolean =>
  /^(ECONN|EPIPE|ETIMEDOUT|57P0|08|53)/.test(codeOf(error)) || AWAY.test(messagesOf(error));

/** A value that the database cannot hold, whatever let it through. */
export const isUnstorable = (error: unknown): boolean => /^(22|23514)/.test(codeOf(error));

/** It refers to something that is not there. */
export const isDangling = (error: unknown): boolean => codeOf(error) === "23503";
