import { randomUUID } from "node:crypto";
import type { Pool } from "pg";
import { answerChange, answerHealth, withAccounts } from "./door";
import { FAULT_STATUS, Fault } from "./faults";
import { workerDatabase } from "../fixtures/testCrew";

let pool: Pool;
beforeAll(() => {
  ({ pool } = workerDatabase());
  globalThis.hypophonPool = pool;
  process.env["DATABASE_URL"] = "postgres://unused";
});
afterAll(() => pool.end());

const json = { "content-type": "application/json" };
const request = (body: string, headers: Record<string, string> = {}) =>
  new Request("http://127.0.0.1:4180/api/records/shoot", {
    method: "POST",
    headers: { host: "127.0.0.1:4180", ...json, ...headers },
    body,
  });

async function answer(each: Request, work: Parameters<typeof answerChange>[1] = async () => ({ done: true })) {
  const response = await answerChange(each, work);
  return {
    status: response.status,
    body: (await response.json()) as { code?: string; says?: { code: string }; message?: string },
  };
}

test("what is about accounts is not done where there are none", async () => {
  let isDone = false;
  const { status, body } = await answer(
    request("{}"),
    withAccounts(() => {
      isDone = true;
      return Promise.resolve({});
    }),
  );
  expect([status, body.says?.code, isDone]).toEqual([404, "crew.noAccounts", false]);
});

test("health asks the database and makes nothing: no crew is founded by it", async () => {
  const crews = async () => (await pool.query<{ count: string }>("select count(*) from crew")).rows[0]!.count;
  await pool
    .query("delete from crew where is_local and not exists (select 1 from shoot where crew_id = crew.id)")
    .catch(() => undefined);
  const before = await crews();
  const response = await answerHealth();
  expect([response.status, await response.json()]).toEqual([200, { ok: true }]);
  expect(await crews()).toBe(before);
});

test("a good request reaches the work with its crew and body", async () => {
  const seen: unknown[] = [];
  const result = await answer(request('{"a":1}'), async (acting, body) => {
    seen.push(typeof acting.crewId, body);
    return { done: true };
  });
  expect(result).toEqual({ status: 200, body: { done: true } });
  expect(seen).toEqual(["string", { a: 1 }]);
});

test("an empty body is an empty request, nothing returned is an empty answer", async () => {
  const result = await answer(request(""), async (_, body) => {
    expect(body).toEqual({});
    return undefined;
  });
  expect(result).toEqual({ status: 200, body: {} });
});

test.each<[string, Record<string, string>]>([
  ["another origin", { origin: "https://elsewhere.example" }],
  ["an origin of null", { origin: "null" }],
  ["an origin that is none", { origin: "%%%" }],
  ["another host, as a rebound page asks for", { host: "evil.example:4180", origin: "http://evil.example:4180" }],
  ["a cross-site fetch", { "sec-fetch-site": "cross-site" }],
  ["a same-site fetch from a sibling", { "sec-fetch-site": "same-site" }],
  ["a form", { "content-type": "application/x-www-form-urlencoded" }],
  ["plain text, which needs no preflight", { "content-type": "text/plain" }],
])("%s is refused before any work", async (_, headers) => {
  let worked = false;
  const result = await answer(request("{}", headers), async () => (worked = true));
  expect(result).toMatchObject({ status: 403, body: { code: "forbidden" } });
  expect(worked).toBe(false);
});

test("our own pages are let in", async () => {
  const own = { origin: "http://127.0.0.1:4180", "sec-fetch-site": "same-origin" };
  expect((await answer(request("{}", own))).status).toBe(200);
});

test("a body without an end is read no further than its limit", async () => {
  let sent = 0;
  const body = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      sent += 100_000;
      controller.enqueue(new Uint8Array(100_000).fill(0x20));
    },
  });
  const endless = new Request("http://127.0.0.1:4180/api/records/shoot", {
    method: "POST",
    headers: { host: "127.0.0.1:4180", ...json },
    body,
    duplex: "half",
  } as RequestInit);
  expect(await answer(endless)).toMatchObject({ status: 413, body: { code: "tooLarge" } });
  expect(sent).toBeLessThan(2_500_000);
});

test("characters in several parts are put together; bytes that are no UTF-8 are no JSON", async () => {
  const bytes = new TextEncoder().encode('{"name":"Inès 🎙"}');
  const parts = (all: Uint8Array) =>
    new Request("http://127.0.0.1:4180/api/records/shoot", {
      method: "POST",
      headers: { host: "127.0.0.1:4180", ...json },
      body: new ReadableStream<Uint8Array>({
        start: (controller) => {
          for (const byte of all) controller.enqueue(Uint8Array.of(byte));
          controller.close();
        },
      }),
      duplex: "half",
    } as RequestInit);
  const seen: unknown[] = [];
  await answer(parts(bytes), async (_, body) => void seen.push(body));
  expect(seen).toEqual([{ name: "Inès 🎙" }]);
  expect(await answer(parts(Uint8Array.of(0x22, 0xff, 0x22)))).toMatchObject({ status: 422 });
});

test("what is too large or no JSON is refused in words", async () => {
  expect(await answer(request("x".repeat(2_000_001)))).toMatchObject({ status: 413, body: { code: "tooLarge" } });
  expect(await answer(request("{"))).toMatchObject({
    status: 422,
    body: { says: { code: "request.noJson" }, message: "The request is not JSON." },
  });
});

test.each(Object.entries(FAULT_STATUS))(
  "a fault %s has status %d, its message and its detail",
  async (code, status) => {
    const says = { code: "record.missing" } as const;
    const fields = [{ path: "x", says }];
    const result = await answer(request("{}"), async () => {
      throw new Fault(code as keyof typeof FAULT_STATUS, says, { fields });
    });
    expect(result).toEqual({ status, body: { code, says, message: "This record does not exist.", fields } });
  },
);

describe("trouble that is not the caller's", () => {
  let silence: jest.SpyInstance;
  beforeEach(() => {
    silence = jest.spyOn(console, "error").mockImplementation(() => undefined);
  });
  afterEach(() => silence.mockRestore());

  test.each(["ECONNREFUSED", "57P01", "08006", "53300"])(
    "a database that is away (%s) is 503 and said so",
    async (code) => {
      const result = await answer(request("{}"), async () => {
        throw Object.assign(new Error("lost"), { cause: { code } });
      });
      expect(result).toMatchObject({
        status: 503,
        body: { code: "unavailable", says: { code: "request.databaseAway" } },
      });
    },
  );

  test.each(["22021", "22P05", "22003"])(
    "a value that the database cannot hold (%s) is refused, no failure",
    async (code) => {
      const result = await answer(request("{}"), async () => {
        throw Object.assign(new Error("invalid byte sequence"), { cause: { code } });
      });
      expect(result).toEqual({
        status: 422,
        body: {
          code: "invalid",
          says: { code: "record.unstorable" },
          message: "It contains something that cannot be stored.",
        },
      });
    },
  );

  test("a mistake of ours tells nothing of its insides", async () => {
    const result = await answer(request("{}"), async () => {
      throw new Error(`secret ${randomUUID()}`);
    });
    expect(result.status).toBe(500);
    expect(JSON.stringify(result.body)).not.toContain("secret");
  });
});
