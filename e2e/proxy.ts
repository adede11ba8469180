import { createServer, request as ask, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo, Socket } from "node:net";

/** A server before the real one that can be taken away, and that can be a newer build. */
export interface Proxy {
  address: string;
  /** Nobody answers any more, and whoever is being answered is cut off. */
  goAway: () => Promise<void>;
  comeBack: () => Promise<void>;
  /** From now on each answer takes so much longer, and of so many requests the asking or the answer is lost; all the same ones. */
  beFar: (latencyMs: number, loss: number) => void;
  /** Bytes that have gone either way so far. */
  bytes: () => number;
  /** From now on its service worker is another one, as after an update. */
  beNewer: () => void;
  close: () => Promise<void>;
}

/** Puts a proxy before the server under test. */
export async function proxyOf(target: string): Promise<Proxy> {
  const { hostname, port } = new URL(target);
  let isNewer = false;
  let [latencyMs, loss, asked] = [0, 0, 0];
  const lines = new Set<Socket>();
  let ended = 0;
  const bytesOf = (line: Socket) => line.bytesRead + line.bytesWritten;

  function pass(incoming: IncomingMessage, outgoing: ServerResponse): void {
    asked += 1;
    // Every so-manieth, by turns on its way there and on its way back.
    const every = loss > 0 ? Math.round(1 / loss) : Infinity;
    const isLost = asked % every === 0;
    if (isLost && (asked / every) % 2 === 0) {
      setTimeout(() => incoming.socket.destroy(), latencyMs);
      return;
    }
    const headers = { ...incoming.headers, host: `${hostname}:${port}` };
    if (headers.origin) headers.origin = target;
    if (headers.referer) headers.referer = `${target}/`;
    const passed = ask({ hostname, port, path: incoming.url, method: incoming.method, headers }, (answer) => {
      if (isLost) {
        incoming.socket.destroy();
        return;
      }
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      if (!(isNewer && incoming.url === "/sw.js")) return void answer.pipe(outgoing);
      answer.pipe(outgoing, { end: false });
      answer.on("end", () => outgoing.end("\n// A newer build."));
    });
    passed.on("error", () => outgoing.destroy());
    outgoing.on("close", () => passed.destroy());
    if (latencyMs > 0) setTimeout(() => incoming.pipe(passed), latencyMs);
    else incoming.pipe(passed);
  }

  const open = (at: number): Promise<Server> =>
    new Promise((resolve, reject) => {
      const server = createServer(pass);
      server.once("error", reject);
      server.on("connection", (line) => {
        lines.add(line);
        line.once("close", () => {
          lines.delete(line);
          ended += bytesOf(line);
        });
      });
      server.listen(at, "127.0.0.1", () => resolve(server));
    });
  const shut = (server: Server): Promise<void> =>
    new Promise((resolve) => {
      server.close(() => resolve());
      server.closeAllConnections();
    });

  let server = await open(0);
  const own = (server.address() as AddressInfo).port;
  return {
    address: `http://127.0.0.1:${own}`,
    goAway: () => shut(server),
    async comeBack() {
      server = await open(own);
    },
    beFar(byMs, share) {
      latencyMs = byMs;
      loss = share;
    },
    bytes: () => [...lines].reduce((sum, line) => sum + bytesOf(line), ended),
    beNewer() {
      isNewer = true;
    },
    close: () => shut(server),
  };
}
