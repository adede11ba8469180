import { createHash } from "node:crypto";
import { homedir } from "node:os";
import { isAbsolute, join, resolve } from "node:path";

/** The checkout this command belongs to. */
export const ROOT = process.env["HYPOPHON_ROOT"] ?? process.cwd();

export const IS_ROOT = process.getuid?.() === 0;

/** Short name of this checkout, for what it does not share with others. */
export const CHECKOUT_KEY = createHash("sha256").update(ROOT).digest("hex").slice(0, 10);

/** Where a user's programs keep state. Empty and relative settings are none, as the XDG base directory specification says. */
function userStateDir(): string {
  const set = process.env["XDG_STATE_HOME"];
  return set && isAbsolute(set) ? set : join(homedir(), ".local", "state");
}

const chosen = process.env["HYPOPHON_STATE"];

/** Whether HYPOPHON_STATE says where the data is. */
export const IS_STATE_CHOSEN = chosen !== undefined && chosen !== "";

/**
 * Where a user's database, passwords and logs are, whichever checkout asks: a checkout may be moved, renamed or thrown away.
 * For root it is not in root's home, which PostgreSQL's own user cannot enter.
 */
export const STATE_DIR = IS_STATE_CHOSEN ? resolve(chosen!) : join(IS_ROOT ? "/var/lib" : userStateDir(), "hypophon");

/** Where tests and benches of this checkout keep theirs: they end servers and drop databases. */
export const TEST_STATE_DIR = join(STATE_DIR, "test", CHECKOUT_KEY);

/** Says what is being done; results alone go to standard output. */
export function say(text: string): void {
  process.stderr.write(`${text}\n`);
}
