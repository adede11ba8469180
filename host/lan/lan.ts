import { createServer as createPlain, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { createServer, type Server as SecureServer } from "node:https";
import { join } from "node:path";
import { setLan } from "../../server/lan";
import { log } from "../../server/log";
import { STATE_DIR } from "../state";
import { askedPort, listenFrom } from "../listenFrom";
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

interface Door {
  secure: SecureServer;
  plain: Server;
  /** Where phones open it, and where they take the certificate. */
  address: string;
  trust: string;
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
  const firstPort = askedPort("HYPOPHON_LAN_PORT", PREFERRED_PORT);
  const doors = new Map<string, Door>();
  let made: Certificates;

  async function openDoor(at: string): Promise<void> {
    const secure = createServer({ cert: made.cert, key: made.key }, answer);
    const port = await listenFrom(secure, at, firstPort);
    // The machine has left that network meanwhile.
    if (port === null) return;
    const address = `https://${at}:${port}`;
    const plain = createPlain((request, response) => answerTrust(request.url ?? "/", `${address}/`, made, response));
    const trustPort = await listenFrom(plain, at, port + 1).catch(() => null);
    if (trustPort === null) {
      secure.close();
      return;
    }
    for (const each of [secure, plain])
      each.on("error", (error) => log.warn({ error }, "a port of the local network failed"));
    doors.set(at, { secure, plain, address, trust: `http://${at}:${trustPort}` });
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
      doors: [...doors.values()].map(({ address, trust }) => ({ address, trust })),
    });
  }

  await look();
  let looking = Promise.resolve();
  const timer = setInterval(() => {
    looking = look().catch((error: unknown) => log.warn({ error }, "the local network could not be looked at"));
  }, LOOK_EVERY_MS);
  return {
    addresses: () => [...doors.values()].map(({ address }) => address),
    close: async () => {
      clearInterval(timer);
      await looking;
      for (const address of [...doors.keys()]) closeDoor(address);
      setLan(null);
    },
  };
}
