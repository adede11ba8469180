import * as Type from "@sinclair/typebox";
import { sql } from "drizzle-orm";
import { Client } from "pg";
import type { Database } from "../db/client";
import type { ActingCrew } from "./crew";
import { log } from "./log";
import { makePresence, SAY_EVERY_MS, type Here } from "./presence";
import { accept } from "./validate";

/** Something of a shoot changed, up to a number; of the crew's kit where there is no shoot. */
export interface News {
  crewId: string;
  shootId: string | null;
  seq: number;
}

/** What a listener is told: news, that somebody was signed out, came or went, or that some may have been missed. */
export type Told =
  | { news: News }
  | { signedOut: string }
  | { here: Here }
  | { gone: Pick<Here, "crewId" | "page"> }
  | { missed: true };

type Listener = (told: Told) => void;

const FIRST_RETRY_MS = 250;
const LONGEST_RETRY_MS = 10_000;

/** Tells what the database says of changes to as many as want to hear it, over one connection that is made anew when it breaks. */
function newsFrom(url: string) {
  const listeners = new Set<Listener>();
  let client: Client | null = null;
  let retryMs = FIRST_RETRY_MS;
  let isConnecting = false;

  const tell = (told: Told) => listeners.forEach((listener) => listener(told));

  async function connect(): Promise<void> {
    if (client || isConnecting || listeners.size === 0) return;
    isConnecting = true;
    const next = new Client({ connectionString: url, connectionTimeoutMillis: 5000, keepAlive: true });
    let isOver = false;
    const onEnd = (error?: Error) => {
      if (isOver) return;
      isOver = true;
      client = null;
      isConnecting = false;
      if (error) log.warn({ error }, "news of the database broke off");
      if (listeners.size === 0) return;
      setTimeout(() => void connect(), retryMs).unref();
      retryMs = Math.min(LONGEST_RETRY_MS, 2 * retryMs);
    };
    next.on("error", onEnd);
    next.on("end", () => onEnd());
    next.on("notification", ({ payload }) => {
      try {
        const told = JSON.parse(payload ?? "") as News | Exclude<Told, { news: News }>;
        tell("seq" in told ? { news: told } : told);
      } catch {
        tell({ missed: true });
      }
    });
    try {
      await next.connect();
      await next.query("listen hypophon_change");
      client = next;
      isConnecting = false;
      retryMs = FIRST_RETRY_MS;
      // While nobody listened there may have been news.
      tell({ missed: true });
    } catch (error) {
      onEnd(error as Error);
      await next.end().catch(() => undefined);
    }
  }

  return {
    /** Listens until the function that comes back is called. */
    listen(listener: Listener): () => void {
      listeners.add(listener);
      void connect();
      return () => {
        listeners.delete(listener);
        if (listeners.size > 0 || !client) return;
        const idle = client;
        client = null;
        idle.removeAllListeners();
        idle.on("error", () => undefined);
        void idle.end().catch(() => undefined);
      };
    },
  };
}

declare global {
  var hypophonNews: ReturnType<typeof newsFrom> | undefined;
}

/** The process's news, from DATABASE_URL; one connection however often modules are loaded anew. */
export function news(): ReturnType<typeof newsFrom> {
  const url = process.env["DATABASE_URL"];
  if (!url) throw new Error("DATABASE_URL is not set.");
  globalThis.hypophonNews ??= newsFrom(url);
  return globalThis.hypophonNews;
}

/** So often something is sent, that a line that is dead is noticed on both ends, ms. */
const HEARTBEAT_MS = 15_000;

/** Who is here, as this process knows it, and the streams that tell of it, by crew. */
const presence = makePresence();
const streams = new Map<string, Set<() => void>>();
let stopHearing: (() => void) | null = null;

/** Hears who of a crew comes and goes, until the function that comes back is called. */
function watchPresence(crewId: string, onChange: () => void): () => void {
  const own = streams.get(crewId) ?? new Set();
  streams.set(crewId, own.add(onChange));
  stopHearing ??= news().listen((told) => {
    const changed =
      "here" in told && presence.here(told.here, Date.now())
        ? told.here.crewId
        : "gone" in told && presence.gone(told.gone.crewId, told.gone.page)
          ? told.gone.crewId
          : null;
    if (changed !== null) streams.get(changed)?.forEach((tell) => tell());
  });
  return () => {
    own.delete(onChange);
    if (own.size === 0) streams.delete(crewId);
    if (streams.size > 0) return;
    stopHearing?.();
    stopHearing = null;
  };
}

/** Tells all processes; where the database is away there is nobody to tell. */
const tellAll = (database: Database, told: object): void =>
  void database
    .execute(sql`select pg_notify('hypophon_change', ${JSON.stringify(told)})`)
    .catch((error: unknown) => log.warn({ error }, "who is here could not be told"));

const PlaceOfPage = Type.Object(
  {
    page: Type.String({ format: "uuid" }),
    /** Such as a shoot, a station and a talent, by their ids. */
    at: Type.String({ maxLength: 160 }),
  },
  { additionalProperties: false },
);

/** A page says what is open on it, for the others of the crew. */
export async function requestHere({ crewId, database }: ActingCrew, name: string, request: unknown): Promise<object> {
  const { page, at } = accept(PlaceOfPage, request);
  tellAll(database, { here: { crewId, page, name, at } });
  return {};
}

/** Who listens: of which crew, and the page by the name it gave itself. */
export type Listening = Pick<ActingCrew, "crewId" | "member" | "database"> & {
  page: string;
  name: string;
  /** Whether who listens may go on: a session may have ended elsewhere. */
  isStillIn: () => Promise<boolean>;
};

/**
 * Server-sent events of one crew: "change" with the shoot and its number, "here" with who is, "signedOut", and "missed" where all
 * should be asked for anew.
 */
export function eventStream(
  { crewId, member, database, page, name, isStillIn }: Listening,
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const stopListening = news().listen((told) => {
        if ("missed" in told) {
          send("event: missed\ndata: {}\n\n");
          // What was said before the line stood, this page's own word among it, nobody heard.
          sayHere();
        } else if ("signedOut" in told) {
          if (told.signedOut === member) sendOut();
        } else if ("news" in told && told.news.crewId === crewId) {
          const { shootId, seq } = told.news;
          send(`event: change\ndata: ${JSON.stringify({ shootId, seq })}\n\n`);
        }
      });
      const sendHere = () => send(`event: here\ndata: ${JSON.stringify(presence.of(crewId))}\n\n`);
      const stopWatching = watchPresence(crewId, sendHere);
      const sayHere = () => {
        if (presence.sweep(crewId, Date.now())) sendHere();
        tellAll(database, { here: { crewId, page, name } });
      };
      const sayOrLeave = async () => {
        if (await isStillIn()) sayHere();
        else sendOut();
      };
      const saying = setInterval(() => void sayOrLeave(), SAY_EVERY_MS);
      const beat = setInterval(() => send(": still here\n\n"), HEARTBEAT_MS);
      saying.unref();
      beat.unref();
      let isOver = false;
      function stop(): void {
        if (isOver) return;
        isOver = true;
        clearInterval(beat);
        clearInterval(saying);
        stopListening();
        stopWatching();
        tellAll(database, { gone: { crewId, page } });
      }
      function sendOut(): void {
        send("event: signedOut\ndata: {}\n\n");
        end();
      }
      function end(): void {
        stop();
        try {
          controller.close();
        } catch {
          // Closed by the browser already.
        }
      }
      signal.addEventListener("abort", end);
      // A second between tries, and something at once: then the page knows that it hears.
      send("retry: 1000\n: hello\n\n");
      sendHere();
      sayHere();
    },
  });
}
