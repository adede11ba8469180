import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { database } from "../db/client";
import { installation } from "../db/schema";
import type { FaultMessage } from "../core/records";
import { say } from "../messages";
import { localCrew, type ActingCrew } from "./crew";
import { eventStream } from "./events";
import { FAULT_STATUS, Fault, type FaultCode } from "./faults";
import { isAllowedHost, isOwnOrigin } from "./hosts";
import { jsonStream } from "./jsonStream";
import { log } from "./log";
import { isAway, isUnstorable } from "./trouble";

/** More than any record holds, bytes. */
export const MAX_BODY_BYTES = 2_000_000;

const ourDatabase = () => database((error) => log.warn({ error }, "an idle connection to the database broke"));

/** The crew that acts in a request: until accounts exist, the local one. */
export function actingCrew(): Promise<ActingCrew> {
  return localCrew(ourDatabase());
}

function checkSite(request: Request): void {
  const site = request.headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin" && site !== "none")
    throw new Fault("forbidden", { code: "request.otherSite" });
}

/** Refuses changes that another site makes a browser send. */
function checkOrigin(request: Request): void {
  const site = request.headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin") throw new Fault("forbidden", { code: "request.otherSite" });
  const origin = request.headers.get("origin");
  const host = request.headers.get("host");
  if (!isAllowedHost(host) || (origin !== null && !isOwnOrigin(origin, host)))
    throw new Fault("forbidden", { code: "request.otherSite" });
  if (request.headers.get("content-type")?.split(";")[0] !== "application/json")
    throw new Fault("forbidden", { code: "request.noJson" });
}

async function readBody(request: Request): Promise<unknown> {
  const tooLarge = () => new Fault("tooLarge", { code: "request.tooLarge" });
  if (Number(request.headers.get("content-length") ?? 0) > MAX_BODY_BYTES) throw tooLarge();
  const decoder = new TextDecoder("utf-8", { fatal: true });
  let [text, size] = ["", 0];
  const reader = request.body?.getReader();
  try {
    for (let part = await reader?.read(); part && !part.done; part = await reader!.read()) {
      size += part.value.length;
      if (size > MAX_BODY_BYTES) throw tooLarge();
      text += decoder.decode(part.value, { stream: true });
    }
    text += decoder.decode();
    return text === "" ? {} : (JSON.parse(text) as unknown);
  } catch (error) {
    // What is still on its way is not waited for.
    reader?.cancel().catch(() => undefined);
    throw error instanceof Fault ? error : new Fault("invalid", { code: "request.noJson" });
  }
}

/** Answers are read by our own pages only, and are no pages. */
const HEADERS = {
  "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  "cache-control": "no-store",
};

/** Which database this is: a device holds one's records apart from another's. Asked once a process. */
let known: string | undefined;

async function installationId(): Promise<string> {
  known ??= (await ourDatabase().select({ id: installation.id }).from(installation))[0]!.id;
  return known;
}

const answerWith = (body: unknown, status = 200, own: Record<string, string> = {}): Response =>
  Response.json(body, { status, headers: { ...HEADERS, ...own } });

/** Answers with lists longer than this are written bit by bit. */
const LONG_LIST = 300;
const isLarge = (body: unknown): body is object =>
  typeof body === "object" &&
  body !== null &&
  !Array.isArray(body) &&
  Object.values(body).some((value) => Array.isArray(value) && value.length > LONG_LIST);

async function answerFine(body: unknown, requestId: string): Promise<Response> {
  const own = { "x-request-id": requestId, "x-hypophon-installation": await installationId() };
  if (!isLarge(body)) return answerWith(body, 200, own);
  return new Response(jsonStream(body), { headers: { ...HEADERS, ...own, "content-type": "application/json" } });
}

/** Whether the database answers; nothing is written. */
export async function answerHealth(): Promise<Response> {
  try {
    const id = await installationId();
    await ourDatabase().execute(sql`select 1`);
    return answerWith({ ok: true }, 200, { "x-hypophon-installation": id });
  } catch {
    return answerWith({ ok: false }, 503);
  }
}

/** A fault as it is answered: its code and figures, and in words for whoever reads the answer itself. */
const inWords = (code: FaultCode, says: FaultMessage) => ({ code, says, message: say(says) });

function answerTrouble(error: unknown, requestId: string): Response {
  const own = { "x-request-id": requestId };
  if (error instanceof Fault)
    return answerWith({ ...inWords(error.code, error.says), ...error.detail }, FAULT_STATUS[error.code], own);
  if (isUnstorable(error))
    return answerWith(inWords("invalid", { code: "record.unstorable" }), FAULT_STATUS.invalid, own);
  const away = isAway(error);
  if (away) log.warn({ requestId, error }, "the database is away");
  else log.error({ requestId, error }, "a request failed");
  const says: FaultMessage = away ? { code: "request.databaseAway" } : { code: "record.failed", requestId };
  return answerWith({ ...inWords("unavailable", says), requestId }, away ? 503 : 500, own);
}

/** Answers a change: origin checked, body read, faults told with their status. */
export async function answerChange(
  request: Request,
  work: (acting: ActingCrew, body: unknown, requestId: string) => Promise<unknown>,
): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkOrigin(request);
    const body = await readBody(request);
    return await answerFine((await work(await actingCrew(), body, requestId)) ?? {}, requestId);
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

/** Answers a question; other sites cannot read the answer, and are refused. */
export async function answerRead(request: Request, work: (acting: ActingCrew) => Promise<unknown>): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkSite(request);
    return await answerFine(await work(await actingCrew()), requestId);
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

/** Answers with a document to look at or to keep; `work` gives null where there is nothing to make one of. */
export async function answerDocument(
  type: string,
  name: string,
  work: (acting: ActingCrew) => Promise<Uint8Array | null>,
): Promise<Response> {
  try {
    const document = await work(await actingCrew());
    if (!document) throw new Fault("missing", { code: "request.noDocument" });
    return new Response(new Uint8Array(document), {
      headers: { "content-type": type, "content-disposition": `inline; filename="${name}"` },
    });
  } catch (error) {
    if (error instanceof Fault) return new Response(say(error.says), { status: FAULT_STATUS[error.code] });
    throw error;
  }
}

/** Answers with events that go on until the page is left. */
export async function answerEvents(request: Request): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkSite(request);
    const { crewId } = await actingCrew();
    return new Response(eventStream(crewId, request.signal), {
      headers: {
        ...HEADERS,
        "content-type": "text/event-stream",
        // Nothing between may gather or change it.
        "cache-control": "no-store, no-transform",
        "x-accel-buffering": "no",
      },
    });
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}
