import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import PQueue from "p-queue";
import { database, type Database } from "../db/client";
import { installation } from "../db/schema";
import type { FaultMessage } from "../core/records";
import { say } from "../messages";
import { accountsOf, forgetSessions, hasAccounts, isStillIn, requireRight, signedInCrew, whoIs } from "./accounts";
import { localCrew, type ActingCrew } from "./crew";
import { eventStream, requestHere } from "./events";
import { FAULT_STATUS, Fault, type FaultCode } from "./faults";
import { isAllowedHost, isOwnOrigin } from "./hosts";
import { jsonStream } from "./jsonStream";
import { log } from "./log";
import { isAway, isUnstorable } from "./trouble";

/** More than any record holds, bytes. */
export const MAX_BODY_BYTES = 2_000_000;

const ourDatabase = () => database((error) => log.warn({ error }, "an idle connection to the database broke"));

/** The crew that acts in a request: of whoever is signed in, or the local one where there are no accounts. */
export async function actingCrew(request: Request): Promise<ActingCrew> {
  if (!hasAccounts()) return localCrew(ourDatabase());
  return signedInCrew(ourDatabase(), request.headers);
}

/** Somebody who is signed in, in a crew or not yet. */
export async function signedInPerson(request: Request): Promise<{ id: string; name: string }> {
  if (!isAllowedHost(request.headers.get("host"))) throw new Fault("forbidden", { code: "request.otherSite" });
  return whoIs(ourDatabase(), request.headers);
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

/** What a device keeps is of one database, and of one crew where there are several. */
const ownedName = async ({ crewId }: ActingCrew): Promise<string> =>
  hasAccounts() ? `${await installationId()}.${crewId}` : installationId();

const answerWith = (body: unknown, status = 200, own: Record<string, string> = {}): Response =>
  Response.json(body, { status, headers: { ...HEADERS, ...own } });

/** Answers with lists longer than this are written bit by bit. */
const LONG_LIST = 300;
const isLarge = (body: unknown): body is object =>
  typeof body === "object" &&
  body !== null &&
  !Array.isArray(body) &&
  Object.values(body).some((value) => Array.isArray(value) && value.length > LONG_LIST);

async function answerFine(acting: ActingCrew, body: unknown, requestId: string): Promise<Response> {
  const own = { "x-request-id": requestId, "x-hypophon-installation": await ownedName(acting) };
  if (!isLarge(body)) return answerWith(body, 200, own);
  return new Response(jsonStream(body), { headers: { ...HEADERS, ...own, "content-type": "application/json" } });
}

/** Whether the database answers; nothing is written. */
export async function answerHealth(): Promise<Response> {
  try {
    const id = await installationId();
    await ourDatabase().execute(sql`select 1`);
    return answerWith({ ok: true }, 200, hasAccounts() ? {} : { "x-hypophon-installation": id });
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
    const acting = await actingCrew(request);
    return await answerFine(acting, (await work(acting, body, requestId)) ?? {}, requestId);
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

/** What there is only where people sign in. */
export const withAccounts =
  <Args extends unknown[], Answer>(work: (...args: Args) => Promise<Answer>) =>
  async (...args: Args): Promise<Answer> => {
    if (!hasAccounts()) throw new Fault("missing", { code: "crew.noAccounts" });
    return work(...args);
  };

/** Answers a question; other sites cannot read the answer, and are refused. */
export async function answerRead(request: Request, work: (acting: ActingCrew) => Promise<unknown>): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkSite(request);
    const acting = await actingCrew(request);
    requireRight(acting, "read");
    return await answerFine(acting, await work(acting), requestId);
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

const documentAnswer = (document: Uint8Array, type: string, name: string): Response =>
  new Response(new Uint8Array(document), {
    headers: { "content-type": type, "content-disposition": `inline; filename="${name}"`, "cache-control": "no-store" },
  });

/** Answers with a document to look at or to keep; `work` gives null where there is nothing to make one of. */
export async function answerDocument(
  request: Request,
  type: string,
  name: string,
  work: (acting: ActingCrew) => Promise<Uint8Array | null>,
): Promise<Response> {
  try {
    const acting = await actingCrew(request);
    requireRight(acting, "read");
    const document = await work(acting);
    if (!document) throw new Fault("missing", { code: "request.noDocument" });
    return documentAnswer(document, type, name);
  } catch (error) {
    if (error instanceof Fault) return new Response(say(error.says), { status: FAULT_STATUS[error.code] });
    return answerTrouble(error, randomUUID());
  }
}

/** Answers whoever has a link with a document. */
export async function answerSharedDocument(
  request: Request,
  type: string,
  name: string,
  work: (database: Database) => Promise<Uint8Array>,
): Promise<Response> {
  try {
    if (!isAllowedHost(request.headers.get("host"))) throw new Fault("forbidden", { code: "request.otherSite" });
    return documentAnswer(await work(ourDatabase()), type, name);
  } catch (error) {
    if (error instanceof Fault) return new Response(say(error.says), { status: FAULT_STATUS[error.code] });
    return answerTrouble(error, randomUUID());
  }
}

/** Answers with events that go on until the page is left. */
export async function answerEvents(request: Request): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkSite(request);
    const signedIn = hasAccounts() ? await signedInCrew(ourDatabase(), request.headers) : null;
    const acting = signedIn ?? (await actingCrew(request));
    requireRight(acting, "read");
    const asked = new URL(request.url).searchParams.get("page") ?? "";
    const page = /^[0-9a-f-]{36}$/.test(asked) ? asked : randomUUID();
    const name = signedIn?.name ?? "";
    const stays = async () => {
      if (!signedIn) return true;
      // Where the database is away, nobody is sent away for it.
      return isStillIn(ourDatabase(), signedIn.sessionId, signedIn.crewId).catch(() => true);
    };
    return new Response(eventStream({ ...acting, page, name, isStillIn: stays }, request.signal), {
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

/** Tells the crew what is open on a page. */
export const answerHere = (request: Request): Promise<Response> =>
  answerChange(request, (acting, body) => {
    requireRight(acting, "read");
    return requestHere(acting, body);
  });

/** Answers a change by somebody who may be in no crew yet. */
export async function answerPerson(
  request: Request,
  work: (database: Database, person: { id: string; name: string }, body: unknown) => Promise<unknown>,
): Promise<Response> {
  const requestId = randomUUID();
  try {
    checkOrigin(request);
    const body = await readBody(request);
    const person = await withAccounts(signedInPerson)(request);
    const answer = await work(ourDatabase(), person, body);
    // They may work in another crew now.
    forgetSessions(ourDatabase());
    return answerWith(answer ?? {});
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

/** So many sign in at a time in a process: a hundred at once wait for each other, and nobody who is at work for them. */
const signingIn = new PQueue({ concurrency: 3 });

/** Hands a request on to what keeps accounts, after the same checks as everywhere. */
export async function answerAccounts(request: Request): Promise<Response> {
  const requestId = randomUUID();
  try {
    if (!hasAccounts()) throw new Fault("missing", { code: "crew.noAccounts" });
    if (request.method === "GET") checkSite(request);
    else checkOrigin(request);
    if (Number(request.headers.get("content-length") ?? 0) > MAX_BODY_BYTES)
      throw new Fault("tooLarge", { code: "request.tooLarge" });
    const accounts = await accountsOf(ourDatabase(), request.headers);
    const isSigningIn = /\/sign-(in|up)\//.test(new URL(request.url).pathname);
    const handle = () => accounts.handler(request);
    const answer = await (isSigningIn ? signingIn.add(handle, { throwOnTimeout: true }) : handle());
    answer.headers.set("cache-control", "no-store");
    if (request.method !== "GET" && answer.ok && !isSigningIn) forgetSessions(ourDatabase());
    return answer;
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}

/** Answers whoever has a link: nobody need be signed in, and no device keeps anything of it. */
export async function answerShared(
  request: Request,
  work: (database: Database, body: unknown) => Promise<unknown>,
): Promise<Response> {
  const requestId = randomUUID();
  try {
    const isRead = request.method === "GET";
    if (isRead) checkSite(request);
    else checkOrigin(request);
    const body = isRead ? null : await readBody(request);
    return answerWith(await work(ourDatabase(), body), 200, { "x-request-id": requestId });
  } catch (error) {
    return answerTrouble(error, requestId);
  }
}
