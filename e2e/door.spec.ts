import { connect } from "node:net";
import { expect } from "@playwright/test";
import { startShoot, expectSaved } from "./shoot";
import { long } from "./long";
import { test } from "./test";

const { hostname, port } = new URL(process.env["HYPOPHON_ADDRESS"]?.split(" ")[0] ?? "http://127.0.0.1");

/** Bytes straight into the port; what comes back until the other side is done, or has said enough. */
function raw(bytes: string | Buffer): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), hostname, () => socket.write(bytes));
    let said = "";
    socket.setTimeout(15_000, () => {
      socket.destroy();
      reject(new Error(`no end came, after ${JSON.stringify(said.slice(0, 80))}`));
    });
    socket.on("data", (data) => (said += data.toString("latin1")));
    socket.on("error", () => resolve(said));
    socket.on("close", () => resolve(said));
  });
}

const statusOf = (answer: string) => Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1] ?? 0);
const asked = (line: string, headers: readonly string[] = [`Host: ${hostname}:${port}`], body = "") =>
  raw([line, ...headers, "Connection: close", "", body].join("\r\n"));

test("a page elsewhere whose name points here reads and writes nothing", async ({ request }) => {
  const evil = [
    "Host: evil.example",
    "Origin: http://evil.example",
    "Content-Type: application/json",
    "Content-Length: 2",
  ];
  for (const line of [
    "GET / HTTP/1.1",
    "GET /_next/static/x.js HTTP/1.1",
    "POST /api/commands HTTP/1.1",
    "POST /api/demo HTTP/1.1",
  ]) {
    const answer = await asked(line, evil, "{}");
    expect([line, statusOf(answer)]).toEqual([line, 421]);
    expect(answer).toContain("HYPOPHON_HOSTS");
  }
  expect(statusOf(await asked("GET http://evil.example/ HTTP/1.1"))).toBe(400);
  expect((await request.get("/api/health")).status()).toBe(200);
});

test("origins that are not ours, junk among them, are refused; never a failure", async ({ request }) => {
  for (const origin of ["null", "%%%", "http://", "http://evil.example", "file://", ""]) {
    const answer = await request.post("/api/commands", { headers: { origin }, data: {} });
    expect([origin, answer.status()]).toEqual([origin, 403]);
  }
});

test("odd requests get a clear 4xx, never a 500 and never silence", async () => {
  const id = "0b7d9e3e-0000-4000-8000-000000000001";
  const json = (path: string, method: string, body: string) =>
    asked(
      `${method} ${path} HTTP/1.1`,
      [`Host: ${hostname}:${port}`, "Content-Type: application/json", `Content-Length: ${Buffer.byteLength(body)}`],
      body,
    );
  const answers = await Promise.all([
    asked("GET /shoots/%E0%A4%A/scout HTTP/1.1"),
    asked("GET /shoots/%00/scout HTTP/1.1"),
    asked("GET /shoots/urn:uuid:0b7d9e3e-0000-4000-8000-000000000001 HTTP/1.1"),
    asked(`GET /shoots/${"a".repeat(5000)} HTTP/1.1`),
    asked("GET /demo-recordings/..%2f..%2fpackage.json HTTP/1.1"),
    asked("TRACE / HTTP/1.1"),
    asked("PROPFIND /api/commands HTTP/1.1"),
    asked("GET /api/commands HTTP/1.1"),
    asked("GET / HTTP/1.1", []),
    asked("GET / HTTP/1.1", ["Host: a b"]),
    asked(`GET /api/shoots/${id}/records?since=-1 HTTP/1.1`),
    asked(`GET /api/shoots/${id}/records?since=1e400 HTTP/1.1`),
    asked(`GET /api/shoots/${id}/records?since=x HTTP/1.1`),
    asked(`GET /api/shoots/${id}/records HTTP/1.1`),
    asked("GET /api/shoots/%00/records HTTP/1.1"),
    asked("GET /api/shoots/__proto__/records HTTP/1.1"),
    asked(`GET /api/takes?of=${Array.from({ length: 61 }, () => id).join(",")} HTTP/1.1`),
    json("/api/commands", "POST", "[]"),
    json("/api/commands", "POST", "null"),
    json("/api/commands", "POST", '"text"'),
    json("/api/commands", "POST", '{"commands":[]}'),
    json("/api/commands", "POST", `{"commands":[${Array.from({ length: 51 }, () => "1").join(",")}]}`),
    json("/api/commands", "POST", `{"commands":${"[".repeat(20_000)}`),
  ]);
  answers.forEach((answer, index) => {
    const status = statusOf(answer);
    expect([index, status >= 400 && status < 500, answer.slice(0, 60)]).toEqual([index, true, answer.slice(0, 60)]);
  });
});

test("odd commands are refused one by one, never a failure", async ({ request }) => {
  const [id, key] = ["0b7d9e3e-0000-4000-8000-000000000001", "0b7d9e3e-0000-4000-8000-000000000002"];
  const create = { op: "create", key, kind: "shoot", id, body: {} };
  const odd = [
    1,
    null,
    {},
    { ...create, kind: "__proto__" },
    { ...create, kind: "constructor" },
    { ...create, id: "urn:uuid:0b7d9e3e-0000-4000-8000-000000000001" },
    { ...create, id: id.toUpperCase() },
    { ...create, more: true },
    { ...create, body: "deep" },
    { op: "patch", key, kind: "shoot", id, changes: [{ path: ["__proto__", "x"], to: 1 }] },
    { op: "patch", key, kind: "shoot", id, changes: [{ path: [], to: 1 }] },
    { op: "delete", key: "k", kind: "shoot", id },
  ];
  const answer = await request.post("/api/commands", {
    headers: { "content-type": "application/json" },
    // Deeper than JavaScript itself likes to write.
    data: JSON.stringify({ commands: odd }).replace('"deep"', "[".repeat(5000) + "]".repeat(5000)),
  });
  expect(answer.status()).toBe(200);
  const { outcomes } = (await answer.json()) as { outcomes: { outcome: string }[] };
  expect(outcomes.map(({ outcome }) => outcome)).toEqual(odd.map(() => "refused"));
});

test("forty megabytes are not read first, with a length or without one", async () => {
  const head = (how: string) =>
    `POST /api/commands HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Type: application/json\r\n${how}\r\n\r\n`;
  // Only the head is sent: the answer does not wait for the rest.
  expect(statusOf(await raw(head("Content-Length: 40000000")))).toBe(413);
  const chunk = `${(100_000).toString(16)}\r\n${" ".repeat(100_000)}\r\n`;
  const answer = await raw(head("Transfer-Encoding: chunked\r\nConnection: close") + chunk.repeat(25));
  expect(statusOf(answer)).toBe(413);
  expect(answer).toContain("too much to save at once");
});

long("what no database stores is cleaned at the field, and the shoot goes on being saved", async ({ page }) => {
  await startShoot(page, "Half a clapper");
  await page.getByRole("button", { name: "Add place" }).click();
  await expectSaved(page);
  const name = page.getByLabel("Place", { exact: true });
  await name.fill(`${"a".repeat(119)}🎬`);
  await expect(name).toHaveValue("a".repeat(119));
  await expectSaved(page);
  // Half a character does not come through fill: it is put in where the browser has it.
  await name.evaluate((input: HTMLInputElement) => {
    const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!;
    value.set!.call(input, `Mill\u0000 race ${String.fromCharCode(0xd83c)} end`);
    input.dispatchEvent(new Event("input", { bubbles: true }));
  });
  await expectSaved(page);
  await page.reload();
  await expect(page.getByLabel("Place", { exact: true })).toHaveValue("Mill race  end");
});
