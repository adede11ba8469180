import type { IncomingHttpHeaders } from "node:http";
import { ADDRESS_HEADER, SECURE_HEADER } from "../server/asker";

/** Proxies whose word is taken, by their address; HYPOPHON_PROXY lists them, parted by commas or spaces. */
export const trustedProxies = (setting = process.env["HYPOPHON_PROXY"] ?? ""): ReadonlySet<string> =>
  new Set(setting.split(/[\s,]+/).filter(Boolean));

const plainAddress = (address: string | undefined): string => (address ?? "").replace(/^::ffff:/, "");
const lastOf = (header: string | string[] | undefined): string =>
  String(header ?? "")
    .split(",")
    .at(-1)!
    .trim();

/**
 * Notes in a request from which address it comes and whether over TLS, as the line itself shows it or as a trusted proxy says. What
 * anybody else says about it is thrown away.
 */
export function nameAsker(
  { headers, socket }: { headers: IncomingHttpHeaders; socket: { remoteAddress?: string; encrypted?: boolean } },
  trusted: ReadonlySet<string>,
): void {
  const peer = plainAddress(socket.remoteAddress);
  const isProxy = trusted.has(peer);
  const isSecure = isProxy ? lastOf(headers["x-forwarded-proto"]) === "https" : socket.encrypted === true;
  const address = (isProxy && lastOf(headers["x-forwarded-for"])) || peer;
  for (const name of Object.keys(headers))
    if (name === "forwarded" || name.startsWith("x-forwarded-") || name === "x-real-ip") delete headers[name];
  headers[ADDRESS_HEADER] = address;
  headers[SECURE_HEADER] = isSecure ? "1" : "0";
}
