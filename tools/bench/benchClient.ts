import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { Agent, request } from "node:http";
import { migrateDatabase } from "../../db/migrate";
import { MIGRATIONS } from "../../host/databases";
import { type DatabaseUrls, localPostgres, WEB_ROLE } from "../../host/postgres";
import { TEST_STATE_DIR } from "../../host/state";
import { webBuild } from "../../host/webBuild";
import { freePort, WebProcess } from "../webProcess";

export const tell = (text: string) => process.stdout.write(`${text}\n`);
export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
export const part = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? NaN;

/** A web process on a database, as the start command runs it. */
async function startWeb(
  urls: DatabaseUrls,
  heapMb: number,
  own: { args?: readonly string[]; environment?: Record<string, string> } = {},
): Promise<WebProcess> {
  // A small heap is collected often: what stays is what is held, and a leak ends the process.
  const web = new WebProcess(urls, await freePort(), [`--max-old-space-size=${heapMb}`], own);
  await web.start();
  return web;
}

/** Does something with two web processes on one new database, and ends them. */
export async function withTwoWebs(
  heapMb: number,
  own: { args?: readonly string[]; environment?: Record<string, string> },
  run: (webs: readonly [WebProcess, WebProcess], urls: DatabaseUrls) => Promise<number>,
): Promise<number> {
  const postgres = await localPostgres(TEST_STATE_DIR);
  const name = `bench_${randomUUID().slice(0, 8)}`;
  const webs: WebProcess[] = [];
  try {
    await webBuild();
    const urls = await postgres.freshDatabaseUrls(name);
    await migrateDatabase(urls.owner, MIGRATIONS, WEB_ROLE);
    for (let at = 0; at < 2; at += 1) webs.push(await startWeb(urls, heapMb, own));
    return await run(webs as [WebProcess, WebProcess], urls);
  } finally {
    for (const web of webs) {
      await Promise.race([web.kill("SIGTERM"), pause(5000)]);
      await web.kill();
    }
    await postgres.dropDatabase(name);
    await postgres.release();
  }
}

export const memoryMb = ({ pid }: WebProcess): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) / 1024;

/** One client of the program, with a connection that it keeps. */
export class Client {
  private readonly agent = new Agent({ keepAlive: true, maxSockets: 4 });
  private listening: ReturnType<typeof request> | null = null;

  /** Who this is, once somebody is signed in. */
  cookie = "";

  /** `from`: the address that the proxy before the process says it comes from. */
  constructor(
    private readonly address: string,
    private readonly from: string | null = null,
  ) {}

  private get headers(): Record<string, string> {
    return {
      ...(this.cookie === "" ? {} : { cookie: this.cookie }),
      ...(this.from === null ? {} : { "x-forwarded-for": this.from }),
    };
  }

  ask<Answer>(path: string, body?: unknown): Promise<Answer> {
    const sent = body === undefined ? null : JSON.stringify(body);
    return new Promise((resolve, reject) => {
      const asked = request(
        `${this.address}${path}`,
        {
          agent: this.agent,
          method: sent ? "POST" : "GET",
          headers: {
            ...this.headers,
            ...(sent ? { "content-type": "application/json", "content-length": Buffer.byteLength(sent) } : {}),
          },
        },
        (answer) => {
          const given = answer.headers["set-cookie"]?.map((each) => each.split(";")[0]!);
          if (given) this.cookie = given.join("; ");
          const parts: Buffer[] = [];
          answer.on("data", (bytes: Buffer) => parts.push(bytes));
          answer.on("end", () => {
            const text = Buffer.concat(parts).toString();
            if (answer.statusCode === 200) resolve(JSON.parse(text) as Answer);
            else reject(new Error(`${answer.statusCode}: ${text.slice(0, 200)}`));
          });
        },
      );
      asked.on("error", reject);
      asked.end(sent ?? undefined);
    });
  }

  send(commands: readonly object[]) {
    return this.ask<{ outcomes: { outcome: string }[] }>("/api/commands", {
      commands: commands.map((command) => ({ key: randomUUID(), ...command })),
    });
  }

  /** Hears of changes, as a page does. */
  listen(onChange: (shootId: string) => void): void {
    this.listening = request(
      `${this.address}/api/events`,
      { headers: { ...this.headers, accept: "text/event-stream" } },
      (answer) => {
        let rest = "";
        answer.on("data", (bytes: Buffer) => {
          rest += bytes.toString();
          for (const [event] of rest.matchAll(/data: .*\n/g)) {
            if (event.includes("shootId")) onChange((JSON.parse(event.slice(6)) as { shootId: string }).shootId);
          }
          rest = rest.slice(rest.lastIndexOf("\n") + 1);
        });
        answer.on("error", () => undefined);
      },
    );
    this.listening.on("error", () => undefined);
    this.listening.end();
  }

  close(): void {
    this.listening?.destroy();
    this.agent.destroy();
  }
}
