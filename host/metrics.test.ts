import { EventEmitter } from "node:events";
import { readdirSync } from "node:fs";
import type { ServerResponse } from "node:http";
import { join } from "node:path";
import { KNOWN_API, makeMetrics, openMetrics, routeOf } from "./metrics";

/** An answer that ends with a status. */
function answer(statusCode: number) {
  const response = Object.assign(new EventEmitter(), { statusCode });
  return { response: response as unknown as ServerResponse, end: () => response.emit("close") };
}

test.each([
  ["/", "page"],
  ["/shoots/51ac0000-0000-4000-8000-000000000001/roll?day=2", "page"],
  ["/shoots/51ac0000-0000-4000-8000-000000000001/report.pdf", "document"],
  ["/l/aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa", "document"],
  ["/t/aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa", "page"],
  ["/api/shoots/51ac0000/records?since=0", "/api/shoots"],
  ["/api/accounts/reset-password/secret", "/api/accounts"],
  ["/api/../..", "/api"],
  ["/_next/static/chunks/a.js", "file"],
])("%s counts as %s: no shoot and nobody's link is told", (url, route) => expect(routeOf(url)).toBe(route));

test("requests are counted when they are answered; pages that listen as long as they do", async () => {
  const metrics = makeMetrics();
  const [save, listens, strange] = [answer(200), answer(200), answer(404)];
  metrics.watch({ url: "/api/commands" }, save.response);
  metrics.watch({ url: "/api/events?page=1" }, listens.response);
  metrics.watch({ url: "/api/madeup" }, strange.response);
  expect(await metrics.text()).toMatch(/^hypophon_event_streams 1$/m);
  for (const each of [save, listens, strange]) each.end();
  const text = await metrics.text();
  expect(text).toMatch(/^hypophon_event_streams 0$/m);
  expect(text).toContain('hypophon_requests_total{route="/api/commands",status="200"} 1');
  expect(text).toContain('hypophon_requests_total{route="/api",status="404"} 1');
  expect(text).toContain('hypophon_request_seconds_count{route="/api/commands"} 1');
  // A line that stands for hours says nothing of how long an answer takes.
  expect(text).not.toContain('hypophon_request_seconds_count{route="/api/events"}');
  expect(text).toContain('hypophon_database_connections{state="waited for"} 0');
});

test("figures are read on a port of their own", async () => {
  const metrics = makeMetrics();
  const open = await openMetrics(metrics, 19_181);
  try {
    const read = await fetch("http://127.0.0.1:19181/metrics");
    expect([read.status, read.headers.get("content-type")]).toEqual([200, metrics.type]);
    expect(await read.text()).toMatch(/^process_resident_memory_bytes \d+$/m);
    expect((await fetch("http://127.0.0.1:19181/")).status).toBe(404);
  } finally {
    open.close();
  }
});

test("every part of the API has its figure", () => {
  const parts = readdirSync(join(__dirname, "..", "app", "api"));
  expect(new Set(KNOWN_API)).toEqual(new Set(parts));
});
