import { database } from "../db/client";
import { localCrew, type ActingCrew } from "./crew";
import { FAULT_STATUS, Fault } from "./faults";

const MAX_BODY_BYTES = 2_000_000;

/** The crew that acts in a request: until accounts exist, the local one. */
export function actingCrew(): Promise<ActingCrew> {
  return localCrew(database());
}

/** Refuses changes that another site makes a browser send. */
function checkOrigin(request: Request): void {
  const site = request.headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin") throw new Fault("forbidden", "This came from another site.");
  const origin = request.headers.get("origin");
  if (origin !== null && new URL(origin).host !== request.headers.get("host"))
    throw new Fault("forbidden", "This came from another site.");
  if (request.headers.get("content-type")?.split(";")[0] !== "application/json")
    throw new Fault("forbidden", "Changes are sent as application/json.");
}

async function readBody(request: Request): Promise<unknown> {
  if (Number(request.headers.get("content-length") ?? 0) > MAX_BODY_BYTES)
    throw new Fault("tooLarge", "That is too much to save at once.");
  const text = await request.text();
  if (text.length > MAX_BODY_BYTES) throw new Fault("tooLarge", "That is too much to save at once.");
  try {
    return text === "" ? {} : (JSON.parse(text) as unknown);
  } catch {
    throw new Fault("invalid", "The request is no JSON.");
  }
}

function isConnectionTrouble(error: unknown): boolean {
  const code: unknown = (error as { code?: unknown }).code ?? (error as { cause?: { code?: unknown } }).cause?.code;
  return typeof code === "string" && /^(ECONN|57P0|08|53)/.test(code);
}

/** Answers a change: origin checked, body read, faults told with their status. */
export async function answerChange(
  request: Request,
  work: (acting: ActingCrew, body: unknown) => Promise<unknown>,
): Promise<Response> {
  try {
    checkOrigin(request);
    const body = await readBody(request);
    return Response.json((await work(await actingCrew(), body)) ?? {});
  } catch (error) {
    if (error instanceof Fault)
      return Response.json(
        { code: error.code, message: error.message, ...error.detail },
        { status: FAULT_STATUS[error.code] },
      );
    console.error(error);
    const isAway = isConnectionTrouble(error);
    return Response.json(
      {
        code: "unavailable",
        message: isAway ? "The database is away." : "Something went wrong here; nothing was changed.",
      },
      { status: isAway ? 503 : 500 },
    );
  }
}
