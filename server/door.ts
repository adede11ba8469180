import { sql } from "drizzle-orm";
import { database } from "../db/client";
import { localCrew, type ActingCrew } from "./crew";
import { FAULT_STATUS, Fault } from "./faults";
import { isAllowedHost, isOwnOrigin } from "./hosts";

/** More than any record holds, bytes. */
export const MAX_BODY_BYTES = 2_000_000;

/** The crew that acts in a request: until accounts exist, the local one. */
export function actingCrew(): Promise<ActingCrew> {
  return localCrew(database());
}

/** Refuses changes that another site makes a browser send. */
function checkOrigin(request: Request): void {
  const site = request.headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin") throw new Fault("forbidden", "This came from another site.");
  const origin = request.headers.get("origin");
  const host = request.headers.get("host");
  if (!isAllowedHost(host) || (origin !== null && !isOwnOrigin(origin, host)))
    throw new Fault("forbidden", "This came from another site.");
  if (request.headers.get("content-type")?.split(";")[0] !== "application/json")
    throw new Fault("forbidden", "Changes are sent as application/json.");
}

async function readBody(request: Request): Promise<unknown> {
  const tooLarge = () => new Fault("tooLarge", "That is too much to save at once.");
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
    throw error instanceof Fault ? error : new Fault("invalid", "The request is no JSON.");
  }
}

/** The code that the database, or the way to it, gave an error. */
function codeOf(error: unknown): string {
  const code: unknown = (error as { code?: unknown }).code ?? (error as { cause?: { code?: unknown } }).cause?.code;
  return typeof code === "string" ? code : "";
}

const isConnectionTrouble = (error: unknown): boolean => /^(ECONN|57P0|08|53)/.test(codeOf(error));
/** A value that the database cannot hold, whatever let it through. */
const isUnstorable = (error: unknown): boolean => codeOf(error).startsWith("22");

/** Answers are read by our own pages only, and are no pages. */
const HEADERS = {
  "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  "cache-control": "no-store",
};

const answerWith = (body: unknown, status = 200): Response => Response.json(body, { status, headers: HEADERS });

/** Whether the database answers; nothing is read or written. */
export async function answerHealth(): Promise<Response> {
  try {
    await database().execute(sql`select 1`);
    return answerWith({ ok: true });
  } catch {
    return answerWith({ ok: false }, 503);
  }
}

/** Answers a change: origin checked, body read, faults told with their status. */
export async function answerChange(
  request: Request,
  work: (acting: ActingCrew, body: unknown) => Promise<unknown>,
): Promise<Response> {
  try {
    checkOrigin(request);
    const body = await readBody(request);
    return answerWith((await work(await actingCrew(), body)) ?? {});
  } catch (error) {
    if (error instanceof Fault)
      return answerWith({ code: error.code, message: error.message, ...error.detail }, FAULT_STATUS[error.code]);
    console.error(error);
    if (isUnstorable(error))
      return answerWith(
        { code: "invalid", message: "It holds something that cannot be stored." },
        FAULT_STATUS.invalid,
      );
    const isAway = isConnectionTrouble(error);
    const message = isAway ? "The database is away." : "Something went wrong here; nothing was changed.";
    return answerWith({ code: "unavailable", message }, isAway ? 503 : 500);
  }
}
