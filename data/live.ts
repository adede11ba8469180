import { askMe, goSignIn } from "./server";

interface LiveOptions {
  onNews: (shootId: string | null, seq: number) => void;
  /** There may have been news that nobody heard. */
  onMissed: () => void;
  /** The server is heard, for the first time or again. */
  onHeard: () => void;
  /** Who of the crew has a page open now. */
  onHere: (here: WhoIsHere) => void;
}

/** Who is here: how many pages, whose where people sign in, and what is open on them. */
export interface WhoIsHere {
  pages: number;
  names: readonly string[];
  people: readonly { page: string; name: string; at: string }[];
}
export const NOBODY: WhoIsHere = { pages: 0, names: [], people: [] };

/** This page, as the others of the crew know it. */
let ownPage: string | null = null;
export const pageHere = (): string => (ownPage ??= crypto.randomUUID());

/** A line that broke for good is tried again so much later, ms. */
const AGAIN_MS = 5000;
/** Where nothing tells of changes, they are asked for so often, ms. */
const ASK_EVERY_MS = 30_000;

/** Hears what others change, as long as the page is there; asks from time to time where it cannot hear. */
export function openLive(options: LiveOptions): void {
  const { onNews, onMissed, onHeard, onHere } = options;
  if (typeof EventSource === "undefined") {
    setInterval(onMissed, ASK_EVERY_MS);
    return;
  }
  const source = new EventSource(`/api/events?page=${pageHere()}`);
  let asking: ReturnType<typeof setInterval> | null = null;
  source.addEventListener("open", () => {
    if (asking) clearInterval(asking);
    asking = null;
    onHeard();
    onMissed();
  });
  source.addEventListener("change", ({ data }: MessageEvent<string>) => {
    const { shootId, seq } = JSON.parse(data) as { shootId: string | null; seq: number };
    onNews(shootId, seq);
  });
  source.addEventListener("here", ({ data }: MessageEvent<string>) => onHere(JSON.parse(data) as WhoIsHere));
  source.addEventListener("missed", onMissed);
  source.addEventListener("signedOut", goSignIn);
  source.addEventListener("error", () => {
    asking ??= setInterval(onMissed, ASK_EVERY_MS);
    // A browser gives up where it gets an answer that is no stream.
    if (source.readyState !== EventSource.CLOSED) return;
    source.close();
    if (asking) clearInterval(asking);
    // Refused: a session may have ended while nothing was heard, and whoever asks is told.
    askMe().catch(() => undefined);
    onHere(NOBODY);
    setTimeout(() => openLive(options), AGAIN_MS);
  });
}
