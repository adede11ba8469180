import { Client } from "pg";
import type { ActingCrew } from "./crew";
import { log } from "./log";

/** Something of a shoot changed, up to a number; of the crew's kit where there is no shoot. */
export interface News {
  crewId: string;
  shootId: string | null;
  seq: number;
}

/** What a listener is told: news, that somebody was signed out, or that some may have been missed. */
export type Told = { news: News } | { signedOut: string } | { missed: true };

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
        const told = JSON.parse(payload ?? "") as News | { signedOut: string };
        tell("signedOut" in told ? told : { news: told });
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

/** Server-sent events of one crew: "change" with the shoot and its number, "missed" where all should be asked for anew. */
export function eventStream(
  { crewId, member }: Pick<ActingCrew, "crewId" | "member">,
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
          if (told.signedOut !== member) return;
          send("event: signedOut\ndata: {}\n\n");
          end();
        } else if (told.news.crewId === crewId) {
          const { shootId, seq } = told.news;
          send(`event: change\ndata: ${JSON.stringify({ shootId, seq })}\n\n`);
        }
      });
      const beat = setInterval(() => send(": still here\n\n"), HEARTBEAT_MS);
      beat.unref();
      function stop(): void {
        clearInterval(beat);
        stopListening();
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
    },
  });
}
