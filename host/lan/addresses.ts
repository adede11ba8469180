import { isIPv4 } from "node:net";
import { hostname, networkInterfaces } from "node:os";

/** Networks that no router passes on. Source: RFC 1918, RFC 3927 and RFC 6598, as address and mask. */
export const LOCAL_NETWORKS = [
  ["10.0.0.0", "255.0.0.0"],
  ["172.16.0.0", "255.240.0.0"],
  ["192.168.0.0", "255.255.0.0"],
  ["169.254.0.0", "255.255.0.0"],
  ["100.64.0.0", "255.192.0.0"],
  ["127.0.0.0", "255.0.0.0"],
] as const;

const asNumber = (address: string): number =>
  address.split(".").reduce((number, part) => number * 256 + Number(part), 0);

/** Whether an address is of a local network, which the certificate may be for. */
export function isLocalAddress(address: string): boolean {
  if (!isIPv4(address)) return false;
  return LOCAL_NETWORKS.some(([network, mask]) => {
    const size = 2 ** 32 - asNumber(mask);
    return Math.floor(asNumber(address) / size) === Math.floor(asNumber(network) / size);
  });
}

/** What this machine is called in the local network, as printers and phones find it; null where it has no name fit for it. */
export function localName(name = hostname()): string | null {
  const first = name.split(".")[0]!.toLowerCase();
  return /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/.test(first) && first !== "localhost" ? `${first}.local` : null;
}

/** Addresses of this machine in local networks, as they are now; HYPOPHON_LAN_ADDRESSES names others. */
export function lanAddresses(setting = process.env["HYPOPHON_LAN_ADDRESSES"] ?? ""): string[] {
  const named = setting.split(/[\s,]+/).filter(Boolean);
  const stranger = named.find((each) => !isLocalAddress(each));
  if (stranger !== undefined)
    throw new Error(`HYPOPHON_LAN_ADDRESSES names ${stranger}, which is no IPv4 address of a local network.`);
  if (named.length > 0) return named;
  return Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, family, address }) => !internal && family === "IPv4" && isLocalAddress(address))
    .map(({ address }) => address)
    .sort();
}
