import type { Server } from "node:net";

/** So many ports are tried from the first one on. */
export const PORTS_TRIED = 200;

/** Listens at one port: whether it did, or why it cannot. */
const listenAt = (server: Server, address: string, port: number): Promise<string | null> =>
  new Promise((resolve, reject) => {
    const refused = (error: NodeJS.ErrnoException) => {
      server.off("listening", accepted);
      if (["EADDRINUSE", "EACCES", "EADDRNOTAVAIL"].includes(error.code ?? "")) resolve(error.code!);
      else reject(error);
    };
    const accepted = () => {
      server.off("error", refused);
      resolve(null);
    };
    server.once("error", refused);
    server.once("listening", accepted);
    server.listen(port, address);
  });

/** Listens at an address, on a port or the next free one; null where the machine has no such address. */
export async function listenFrom(server: Server, address: string, first: number): Promise<number | null> {
  for (let port = first; port <= first + PORTS_TRIED; port += 1) {
    const why = await listenAt(server, address, port);
    if (why === null) return port;
    if (why === "EADDRNOTAVAIL") return null;
  }
  throw new Error(`No free port between ${first} and ${first + PORTS_TRIED}.`);
}

/** A port that a setting asks for; `usual` where nobody asks. Throws where it is none that others could follow. */
export function askedPort(name: string, usual: number): number {
  const asked = process.env[name];
  const port = asked ? Number(asked) : usual;
  const last = 65_535 - PORTS_TRIED;
  if (!Number.isInteger(port) || port < 1 || port > last)
    throw new Error(`${name} is ${asked}: a number from 1 to ${last} was expected.`);
  return port;
}
