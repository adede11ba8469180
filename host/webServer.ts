import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { MAX_BODY_BYTES } from "../server/door";
import { allowedHosts, isAllowedHost } from "../server/hosts";
import { sendCompressed } from "./compressBuild";
import { writeNextSettings } from "./nextSettings";
import { nameAsker, trustedProxies } from "./asker";
import { type Lan, openLan } from "./lan/lan";
import { askedPort, listenFrom } from "./listenFrom";
import { makeMetrics, openMetrics } from "./metrics";
import { SERVICE_WORKER } from "./serviceWorker";
import { ROOT } from "./state";

export const PREFERRED_PORT = 4180;
/** Longer than proxies keep an idle line, so that none is closed under a request, ms. */
const KEEP_ALIVE_MS = 75_000;
/** When it is stopped, what is being answered has so long, ms. */
const LAST_ANSWERS_MS = 1500;

/** Where it listens: loopback, unless HYPOPHON_LISTEN names another address, in a container that is the only way in. */
const listenAddress = (): string => process.env["HYPOPHON_LISTEN"] ?? "127.0.0.1";

/** What is said of every answer. */
const HEADERS = {
  "x-content-type-options": "nosniff",
  "referrer-policy": "same-origin",
  "cross-origin-opener-policy": "same-origin",
  "permissions-policy": "camera=(), geolocation=(), microphone=(self)",
};

const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"];

/** Why a request is refused before anything of it is read; null where it is let in. */
export function refusalOf(
  { method = "GET", url = "", headers }: Pick<IncomingMessage, "method" | "url" | "headers">,
  allowed: ReadonlySet<string>,
): { status: number; says: string } | null {
  if (!isAllowedHost(headers.host, allowed))
    return {
      status: 421,
      says: "Hypophon is not asked for under this name. HYPOPHON_HOSTS lists the names it answers to.",
    };
  if (!METHODS.includes(method)) return { status: 405, says: "This is not done here." };
  // Whole addresses are for proxies, and name a host of their own.
  if (!url.startsWith("/")) return { status: 400, says: "The address must begin with a slash." };
  try {
    decodeURIComponent(url);
  } catch {
    return { status: 400, says: "The address is damaged." };
  }
  if (Number(headers["content-length"] ?? 0) > MAX_BODY_BYTES)
    return { status: 413, says: "That is too much to save at once." };
  return null;
}

function refuse(response: ServerResponse, { status, says }: { status: number; says: string }): void {
  response.writeHead(status, { "content-type": "text/plain; charset=utf-8", connection: "close" });
  response.end(`${says}\n`);
}

/** Browsers ask for it by its name each time: a newer build is noticed at once. */
function sendServiceWorker(response: ServerResponse, code: Buffer): void {
  response.writeHead(200, {
    "content-type": "text/javascript; charset=utf-8",
    "cache-control": "no-cache",
    "content-security-policy": "default-src 'self'; script-src 'self'; connect-src 'self'",
  });
  response.end(code);
}

export interface WebServer {
  address: string;
  /** Where phones of the local network open it; none unless it was asked for. */
  lanAddresses: () => string[];
  close(): Promise<void>;
}

/**
 * Serves the web application on loopback in this process, on the preferred port or the next free one, and in the local network
 * where that is asked for. Ports open when the application can answer, not before.
 */
export async function serveWeb(options: {
  distDir: string;
  databaseUrl: string;
  isDevelopment?: boolean;
  preferredPort?: number;
  isOnLan?: boolean;
}): Promise<WebServer> {
  process.env["HYPOPHON_DIST"] = options.distDir;
  process.env["DATABASE_URL"] = options.databaseUrl;
  Object.assign(process.env, { NODE_ENV: options.isDevelopment ? "development" : "production" });
  process.chdir(ROOT);
  if (options.isDevelopment) writeNextSettings();
  const server = createServer({ keepAliveTimeout: KEEP_ALIVE_MS });
  const first = options.preferredPort ?? PREFERRED_PORT;
  const { default: next } = await import("next");
  const application = next({
    dev: options.isDevelopment ?? false,
    dir: ROOT,
    hostname: "127.0.0.1",
    port: first,
    httpServer: server,
  });
  await application.prepare();
  const handle = application.getRequestHandler();
  const proxies = trustedProxies();
  const metrics = makeMetrics();
  const figuresAt = process.env["HYPOPHON_METRICS"] ? askedPort("HYPOPHON_METRICS", 0) : null;
  const serviceWorkerPath = join(ROOT, options.distDir, SERVICE_WORKER);
  const serviceWorker = existsSync(serviceWorkerPath) ? readFileSync(serviceWorkerPath) : null;
  const answer = (request: IncomingMessage, response: ServerResponse) => {
    nameAsker(request, proxies);
    metrics.watch(request, response);
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    const refusal = refusalOf(request, allowedHosts());
    if (refusal) refuse(response, refusal);
    else if (serviceWorker && request.url === `/${SERVICE_WORKER}`) sendServiceWorker(response, serviceWorker);
    else
      void sendCompressed(join(ROOT, options.distDir), request, response).then((isSent) =>
        isSent ? undefined : handle(request, response),
      );
  };
  server.on("request", answer);
  server.prependListener("upgrade", (request, socket) => {
    if (refusalOf(request, allowedHosts())) socket.destroy();
  });
  const port = await listenFrom(server, listenAddress(), first);
  if (port === null) throw new Error(`This machine has no address ${listenAddress()}.`);
  const figures = figuresAt === null ? null : await openMetrics(metrics, figuresAt);
  const lan: Lan | null = options.isOnLan ? await openLan(answer) : null;
  return {
    address: `http://127.0.0.1:${port}`,
    lanAddresses: () => lan?.addresses() ?? [],
    close: async () => {
      figures?.close();
      await lan?.close();
      await new Promise<void>((resolve) => {
        // What is being answered is answered; pages that listen come again elsewhere.
        const late = setTimeout(() => server.closeAllConnections(), LAST_ANSWERS_MS);
        server.close(() => {
          clearTimeout(late);
          resolve();
        });
        server.closeIdleConnections();
      });
    },
  };
}
