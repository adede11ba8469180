import { createHash } from "node:crypto";
import { homedir } from "node:os";
import { isAbsolute, join } from "node:path";

/** The checkout this command belongs to. */
export const ROOT = process.env["HYPOPHON_ROOT"] ?? process.cwd();

export const IS_ROOT = process.getuid?.() === 0;

const checkoutKey = createHash("sha256").update(ROOT).digest("hex").slice(0, 10);

/**
 * Where this checkout keeps its database, password and logs. Outside the checkout, since PostgreSQL refuses to run as
 * root and its own user may not be able to enter the checkout.
 */
export const STATE_DIR = join(IS_ROOT ? "/var/lib" : userStateDir(), "hypophon", checkoutKey);

/** Where a user's programs keep state. Empty and relative settings are none, as the XDG base directory specification says. */
function userStateDir(): string {
  const set = process.env["XDG_STATE_HOME"];
  return set && isAbsolute(set) ? set : join(homedir(), ".local", "state");
}

export const LOG_DIR = join(STATE_DIR, "log");

/** Says what is being done; results alone go to standard output. */
export function say(text: string): void {
  process.stderr.write(`${text}\n`);
}
