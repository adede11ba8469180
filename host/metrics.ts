import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import type { Pool } from "pg";
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from "prom-client";

/** What an address is of, so that no shoot and nobody's link stands in a figure. */
export function routeOf(url: string): string {
  const path = url.split("?")[0]!;
  const [, first = "", second = ""] = path.split("/");
  if (first === "api") return /^[a-z]+$/.test(second) ? `/api/${second}` : "/api";
  if (first === "_next" || /\.[a-z0-9]+$/i.test(path)) return path.endsWith(".pdf") ? "document" : "file";
  return first === "l" ? "document" : "page";
}

/** Known parts of the API; any other address that is tried is one figure. */
export const KNOWN_API =
  "accounts alive commands crew demo events health here history links me shoots takes talent".split(" ");
const known = (route: string): string =>
  route.startsWith("/api/") && !KNOWN_API.includes(route.slice(5)) ? "/api" : route;

/** Figures of this process, in the text form that Prometheus reads. */
export function makeMetrics() {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const asked = new Counter({
    name: "hypophon_requests_total",
    help: "Requests answered, by what they were for and how.",
    labelNames: ["route", "status"],
    registers: [registry],
  });
  const took = new Histogram({
    name: "hypophon_request_seconds",
    help: "How long an answer took.",
    labelNames: ["route"],
    buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [registry],
  });
  const listening = new Gauge({
    name: "hypophon_event_streams",
    help: "Pages that listen to what others change.",
    registers: [registry],
  });
  new Gauge({
    name: "hypophon_database_connections",
    help: "Connections to the database, by what they do.",
    labelNames: ["state"],
    registers: [registry],
    collect() {
      const pool = (globalThis as { hypophonPool?: Pool }).hypophonPool;
      this.set({ state: "open" }, pool?.totalCount ?? 0);
      this.set({ state: "idle" }, pool?.idleCount ?? 0);
      this.set({ state: "waited for" }, pool?.waitingCount ?? 0);
    },
  });
  return {
    /** Counts one request, from now until it is answered or given up. */
    watch({ url = "" }: Pick<IncomingMessage, "url">, response: ServerResponse): void {
      const route = known(routeOf(url));
      const isStream = route === "/api/events";
      const began = performance.now();
      if (isStream) listening.inc();
      response.once("close", () => {
        asked.inc({ route, status: String(response.statusCode) });
        if (isStream) listening.dec();
        else took.observe({ route }, (performance.now() - began) / 1000);
      });
    },
    text: () => registry.metrics(),
    type: registry.contentType,
  };
}

export type Metrics = ReturnType<typeof makeMetrics>;

/** Answers figures on a port of loopback of their own: nobody who uses the application reads them. */
export async function openMetrics(metrics: Metrics, port: number): Promise<{ close: () => void }> {
  const server = createServer((request, response) => {
    if (request.url !== "/metrics") {
      response.writeHead(404).end();
      return;
    }
    metrics.text().then(
      (text) => response.writeHead(200, { "content-type": metrics.type }).end(text),
      () => response.writeHead(500).end(),
    );
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", resolve);
  });
  return { close: () => void server.close() };
}
