import { randomUUID } from "node:crypto";
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
  | { here: Here[] }
  | { gone: Pick<Here, "crewId" | "page" | "process"> }
  /** What is open on a page. */
  | { place: { crewId: string; page: string; at: string } }
  /** A process is there, with all its pages. */
  | { alive: string }
  /** A process has come, and wants to know who is here. */
  | { whoIsHere: string }
  /** Somebody signed out, or works in another crew: what is known of sessions is asked for anew. */
  | { sessions: true }
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
      // It hears as long as the process has something else to do.
      (next as Client & { unref(): void }).unref();
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

/** Tells all processes; where the database is away there is nobody to tell. */
export const tellAll = (database: Database, told: Exclude<Told, { news: News } | { missed: true }>): void =>
  void database
    .execute(sql`select pg_notify('hypophon_change', ${JSON.stringify(told)})`)
    .catch((error: unknown) => log.warn({ error }, "who is here could not be told"));

/** A page whose line ends at this process. */
interface OwnPage extends Here {
  database: Database;
  onChange: () => void;
  checkSession: () => void;
}

/** What is said in one go must fit what the database passes on, 8000 bytes, however long names are. */
const PAGES_AT_ONCE = 8;
const LONGEST_NAME = 60;

/** Who is here, for all lines that end at this process: one word for all of them, and one look at their sessions. */
function makeHall() {
  const process = randomUUID();
  const presence = makePresence();
  const own = new Map<string, OwnPage>();
  let leave: (() => void) | null = null;

  const tellCrew = (crewId: string) => {
    for (const each of own.values()) if (each.crewId === crewId) each.onChange();
  };
  const anyDatabase = () => [...own.values()][0]?.database;

  function tellPages(): void {
    const all = [...own.values()].map(({ crewId, page, name, at }) => ({
      ...{ crewId, page, name, process },
      ...(at === undefined ? {} : { at }),
    }));
    const database = anyDatabase();
    for (let from = 0; database && from < all.length; from += PAGES_AT_ONCE)
      tellAll(database, { here: all.slice(from, from + PAGES_AT_ONCE) });
  }

  function hear(told: Told): void {
    if ("here" in told) {
      const crews = told.here.filter((each) => presence.here(each, Date.now())).map(({ crewId }) => crewId);
      new Set(crews).forEach(tellCrew);
    } else if ("gone" in told) {
      if (presence.gone(told.gone)) tellCrew(told.gone.crewId);
    } else if ("place" in told) {
      const { crewId, page, at } = told.place;
      const known = own.get(page);
      if (known?.crewId === crewId) known.at = at;
      if (presence.place(crewId, page, at)) tellCrew(crewId);
    } else if ("alive" in told) presence.alive(told.alive, Date.now());
    else if ("whoIsHere" in told) {
      if (told.whoIsHere !== process) tellPages();
    } else if ("missed" in told) {
      // What was said before the line stood, these pages' own word among it, nobody heard.
      tellPages();
      const database = anyDatabase();
      if (database) tellAll(database, { whoIsHere: process });
    }
  }

  function beat(): void {
    const database = anyDatabase();
    if (database) tellAll(database, { alive: process });
    presence.sweep(Date.now()).forEach(tellCrew);
    for (const each of own.values()) each.checkSession();
  }

  function open(database: Database): () => void {
    // While nobody listened here, nobody heard who came and went.
    presence.clear();
    const stopHearing = news().listen(hear);
    tellAll(database, { whoIsHere: process });
    const beating = setInterval(beat, SAY_EVERY_MS);
    beating.unref();
    return () => {
      clearInterval(beating);
      stopHearing();
    };
  }

  return {
    of: (crewId: string) => presence.of(crewId),
    /** A page has come; gives back how it leaves. */
    enter(entering: Omit<OwnPage, "process">): () => void {
      const { crewId, page, database } = entering;
      const name = entering.name.slice(0, LONGEST_NAME);
      const entered: OwnPage = { ...entering, name, process };
      own.set(page, entered);
      leave ??= open(database);
      tellAll(database, { here: [{ crewId, page, name, process }] });
      return () => {
        // A line that was made anew stands before the broken one is known to have ended.
        if (own.get(page) !== entered) return;
        own.delete(page);
        const gone = { crewId, page, process };
        if (presence.gone(gone)) tellCrew(crewId);
        tellAll(database, { gone });
        if (own.size > 0) return;
        leave?.();
        leave = null;
      };
    },
  };
}

const hall = makeHall();

const PlaceOfPage = Type.Object(
  {
    page: Type.String({ format: "uuid" }),
    /** Such as a shoot, a station and a talent, by their ids. */
    at: Type.String({ maxLength: 160, pattern: "^[0-9A-Za-z -]*$" }),
  },
  { additionalProperties: false },
);

/** A page says what is open on it, for the others of the crew. */
export async function requestHere({ crewId, database }: ActingCrew, request: unknown): Promise<object> {
  const { page, at } = accept(PlaceOfPage, request);
  tellAll(database, { place: { crewId, page, at } });
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
        if ("missed" in told) send("event: missed\ndata: {}\n\n");
        else if ("signedOut" in told) {
          if (told.signedOut === member) sendOut();
        } else if ("news" in told && told.news.crewId === crewId) {
          const { shootId, seq } = told.news;
          send(`event: change\ndata: ${JSON.stringify({ shootId, seq })}\n\n`);
        }
      });
      const sendHere = () => send(`event: here\ndata: ${JSON.stringify(hall.of(crewId))}\n\n`);
      const checkSession = () => void isStillIn().then((isIn) => (isIn ? undefined : sendOut()));
      const leave = hall.enter({ ...{ crewId, page, name, database }, onChange: sendHere, checkSession });
      const beat = setInterval(() => send(": still here\n\n"), HEARTBEAT_MS);
      beat.unref();
      let isOver = false;
      function stop(): void {
        if (isOver) return;
        isOver = true;
        clearInterval(beat);
        stopListening();
        leave();
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
    },
  });
}
