import { lanNow } from "./lan";

/** Names of the machine itself. */
export const LOOPBACK: readonly string[] = ["localhost", "127.0.0.1", "[::1]"];

/**
 * Names that may be asked for: the machine's own, those it has in the local network where it listens there, and those of
 * HYPOPHON_HOSTS, parted by commas or spaces. A page elsewhere
 * whose name is made to point here asks for its own name, and is refused.
 */
export function allowedHosts(setting = process.env["HYPOPHON_HOSTS"] ?? ""): ReadonlySet<string> {
  const named = setting.split(/[\s,]+/).filter(Boolean);
  return new Set([...LOOPBACK, ...(lanNow()?.hosts ?? []), ...named.map((name) => name.toLowerCase())]);
}

/** The name in a Host header, without its port; null where it is none. */
export function hostName(header: string | null | undefined): string | null {
  const found = /^([a-z0-9._-]+|\[[0-9a-f:.]+\])(?::\d{1,5})?$/i.exec(header ?? "");
  return found ? found[1]!.toLowerCase() : null;
}

export function isAllowedHost(header: string | null | undefined, allowed = allowedHosts()): boolean {
  const name = hostName(header);
  return name !== null && allowed.has(name);
}

/** Whether an Origin header names a page of ours: the host that was asked for, over http or https. */
export function isOwnOrigin(origin: string, host: string | null, allowed = allowedHosts()): boolean {
  if (!URL.canParse(origin)) return false;
  const { protocol, host: named } = new URL(origin);
  return /^https?:$/.test(protocol) && named === host?.toLowerCase() && isAllowedHost(named, allowed);
}
