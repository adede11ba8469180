import { createServer as createPlain, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { createServer, type Server as SecureServer } from "node:https";
import { join } from "node:path";
import { setLan } from "../../server/lan";
import { log } from "../../server/log";
import { STATE_DIR } from "../state";
import { lanAddresses, localName } from "./addresses";
import { type Certificates, certificatesFor } from "./certificates";
import { shortFingerprint, trustPage } from "./trustPage";

/** The local network changes when the laptop is carried to the next place: looked at so often, ms. */
const LOOK_EVERY_MS = 20_000;
const PREFERRED_PORT = 4443;

type Answer = (request: IncomingMessage, response: ServerResponse) => void;

const CONTENT = { "cache-control": "no-store", "x-content-type-options": "nosniff", "referrer-policy": "no-referrer" };

/** Answers on the port without TLS: the root certificate, and what to do with it. Nothing of anybody's work. */
export function answerTrust(
  path: string,
  address: string,
  { root, fingerprint }: Certificates,
  response: ServerResponse,
) {
  if (path === "/hypophon-root.crt") {
    response.writeHead(200, { ...CONTENT, "content-type": "application/x-x509-ca-cert" });
    response.end(root);
  } else if (path === "/") {
    const policy = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'";
    response.writeHead(200, {
      ...CONTENT,
      "content-type": "text/html; charset=utf-8",
      "content-security-policy": policy,
    });
    response.end(trustPage({ address, fingerprint }));
  } else {
    response.writeHead(302, { ...CONTENT, location: "/" });
    response.end();
  }
}

/** Listens on one address, and the next free port from the one asked for; null where the address has gone meanwhile. */
function listenOn(server: Server | SecureServer, address: string, port: number): Promise<number | null> {
  return new Promise((resolve, reject) => {
    const refused = (error: NodeJS.ErrnoException) => {
      server.off("listening", accepted);
      if (error.code === "EADDRNOTAVAIL") resolve(null);
      else if (error.code === "EADDRINUSE" && port < PREFERRED_PORT + 200)
        listenOn(server, address, port + 2).then(resolve, reject);
      else reject(error);
    };
    const accepted = () => {
      server.off("error", refused);
      resolve(port);
    };
    server.once("error", refused);
    server.once("listening", accepted);
    server.listen(port, address);
  });
}

interface Door {
  secure: SecureServer;
  plain: Server;
  port: number;
}

export interface Lan {
  /** Where phones open it, one a network. */
  addresses: () => string[];
  close: () => Promise<void>;
}

/**
 * Lets phones of the local network in: over TLS at every address this machine has in one, with a page beside it from which a phone
 * takes the root certificate. Follows the machine into the next network.
 */
export async function openLan(answer: Answer): Promise<Lan> {
  const home = join(STATE_DIR, "lan");
  const firstPort = Number(process.env["HYPOPHON_LAN_PORT"] ?? PREFERRED_PORT);
  const doors = new Map<string, Door>();
  let made: Certificates;

  async function openDoor(address: string): Promise<void> {
    const secure = createServer({ cert: made.cert, key: made.key }, answer);
    const port = await listenOn(secure, address, firstPort);
    if (port === null) return;
    const own = `https://${address}:${port}/`;
    const plain = createPlain((request, response) => answerTrust(request.url ?? "/", own, made, response));
    const plainPort = await listenOn(plain, address, port + 1);
    if (plainPort !== port + 1) log.warn({ plainPort }, "the page of the certificate has another port");
    for (const each of [secure, plain])
      each.on("error", (error) => log.warn({ error }, "a port of the local network failed"));
    doors.set(address, { secure, plain, port });
  }

  function closeDoor(address: string): void {
    const door = doors.get(address);
    doors.delete(address);
    for (const server of door ? [door.secure, door.plain] : []) {
      server.closeAllConnections();
      server.close();
    }
  }

  async function look(): Promise<void> {
    const now = lanAddresses();
    const name = localName();
    const names = [...now, ...(name === null ? [] : [name])];
    const before = made?.cert;
    made = await certificatesFor(home, names);
    if (made.cert !== before)
      for (const { secure } of doors.values()) secure.setSecureContext({ cert: made.cert, key: made.key });
    for (const address of [...doors.keys()]) if (!now.includes(address)) closeDoor(address);
    for (const address of now) if (!doors.has(address)) await openDoor(address);
    setLan({
      hosts: names,
      fingerprint: shortFingerprint(made.fingerprint),
      doors: [...doors].map(([address, { port }]) => ({
        address: `https://${address}:${port}`,
        trust: `http://${address}:${port + 1}`,
      })),
    });
  }

  await look();
  let looking = Promise.resolve();
  const timer = setInterval(() => {
    looking = look().catch((error: unknown) => log.warn({ error }, "the local network could not be looked at"));
  }, LOOK_EVERY_MS);
  return {
    addresses: () => [...doors].map(([address, { port }]) => `https://${address}:${port}`),
    close: async () => {
      clearInterval(timer);
      await looking;
      for (const address of [...doors.keys()]) closeDoor(address);
      setLan(null);
    },
  };
}
