import { type HistoryPage, type Role, ROLES, type SheetKind, type TalentCard } from "@/core/crew";
import type { Change, Changes, Command, FaultMessage, Outcome } from "@/core/records";

/** The server could not be reached, or could not answer; what was asked may have been done. */
export class Away extends Error {
  override readonly name: string = "Away";
}

/** The server answered that it failed: at what was asked, or at everything. */
export class Broken extends Away {
  override readonly name = "Broken";
}

/** The server said no. */
export class Refused extends Error {
  override readonly name = "Refused";

  constructor(
    readonly status: number,
    readonly says: FaultMessage,
  ) {
    super(says.code);
  }
}

/** Nobody is signed in on this device: what is typed is kept until somebody is. */
export class SignedOut extends Away {
  override readonly name = "SignedOut";
}

/** Goes to where one signs in, and back here after it. */
export function goSignIn(): void {
  const { pathname, search } = window.location;
  if (pathname !== "/sign-in") window.location.assign(`/sign-in?to=${encodeURIComponent(pathname + search)}`);
}

const PATIENCE_MS = 10_000;
const INSTALLATION = "hypophon.installation";

/** The database of the server that this browser knew last; empty before the first visit. */
export function knownInstallation(): string {
  try {
    return window.localStorage.getItem(INSTALLATION) ?? "";
  } catch {
    return "";
  }
}

function meetInstallation(response: Response): void {
  const named = response.headers.get("x-hypophon-installation");
  if (!named || named === knownInstallation()) return;
  try {
    window.localStorage.setItem(INSTALLATION, named);
  } catch {
    return;
  }
  // What this device holds is of another database: that one's is looked at instead.
  if (isBound) window.location.reload();
}

let isBound = false;
/** From now on this page works on the database it knows. */
export const bind = (): void => {
  isBound = true;
};

async function ask<Answer>(path: string, init: RequestInit = {}): Promise<Answer> {
  let response: Response;
  try {
    response = await fetch(path, { signal: AbortSignal.timeout(PATIENCE_MS), ...init });
  } catch {
    throw new Away("no answer");
  }
  meetInstallation(response);
  const answer = (await response.json().catch(() => null)) as (Answer & { says?: FaultMessage }) | null;
  if (response.ok && answer !== null) return answer;
  const says = answer?.says ?? ({ code: "request.unreadable" } as const);
  if (response.status === 401) {
    goSignIn();
    throw new SignedOut(says.code);
  }
  if (response.status >= 500) throw new Broken(says.code);
  if (response.ok || response.status === 429) throw new Away(says.code);
  throw new Refused(response.status, says);
}

const asJson = (body: unknown): RequestInit => ({
  method: "POST",
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

/** Who acts on this page. */
export interface Me {
  hasAccounts: boolean;
  me: string;
  role: Role;
}
const ROLE = "hypophon.role";

/** The role that somebody had here last; without a signal it is gone by. */
export function knownRole(): Role {
  try {
    const kept = window.localStorage.getItem(ROLE);
    return ROLES.find((role) => role === kept) ?? "owner";
  } catch {
    return "owner";
  }
}

/** Who acts, and by the way which database the server has; asked for on every visit. */
export async function askMe(): Promise<Me> {
  const me = await ask<Me>("/api/me");
  try {
    window.localStorage.setItem(ROLE, me.role);
  } catch {
    // Then it is the server that refuses.
  }
  return me;
}

/** Says what is open on this page; nobody waits for it. */
export const sayWhere = (page: string, at: string): Promise<unknown> =>
  ask("/api/here", asJson({ page, at })).catch(() => undefined);

export interface CrewMember {
  personId: string;
  name: string;
  role: Role;
  devices: number;
  /** Until when somebody is in who came by the pass of a day. */
  until: string | null;
  email?: string;
}
/** How phones of the local network reach the machine, one door a network. */
export interface LanDoors {
  fingerprint: string;
  doors: { address: string; trust: string }[];
}
export interface CrewNow {
  crewId: string;
  name: string;
  me: string;
  role: Role;
  members: CrewMember[];
  invitations: { id: string; role: Role; kind: "member" | "day"; expiresAt: string }[];
  crews: { id: string; name: string }[];
  lan: LanDoors | null;
}
/** A link that was made: its token, and what it begins with where that is not the address of this page. */
export interface MadeLink {
  token: string;
  expiresAt: string;
  from: string | null;
}
export const linkOf = ({ token, from }: MadeLink, path: string): string =>
  `${from ?? window.location.origin}${path}${token}`;
export const askCrew = (): Promise<CrewNow> => ask("/api/crew");
export const changeCrew = <Answer = unknown>(deed: object): Promise<Answer> => ask("/api/crew", asJson(deed));
export const chooseCrew = (crewId: string): Promise<object> => ask("/api/crew/choose", asJson({ crewId }));
export const joinCrew = (token: string): Promise<{ crewId: string }> => ask("/api/crew/join", asJson({ token }));

/** Signs somebody in or up, or out; what the server says where it refuses. */
export async function askAccounts(
  path: string,
  body: object = {},
): Promise<{ refusal: string | null; answer: unknown }> {
  const response = await fetch(`/api/accounts/${path}`, asJson(body)).catch(() => null);
  if (!response) return { refusal: "The server is away: try again.", answer: null };
  const answer = (await response.json().catch(() => null)) as { message?: string; code?: string } | null;
  return { refusal: response.ok ? null : (answer?.message ?? "This did not work."), answer };
}

/** What the accounts know, for whoever asks. */
export const askAccountsFor = <Answer>(path: string): Promise<Answer> => ask(`/api/accounts/${path}`);

/** A device on which the person who asks is signed in. */
export interface OwnSession {
  token: string;
  userAgent: string | null;
  updatedAt: string;
}
export const askSessions = (): Promise<OwnSession[]> => askAccountsFor("list-sessions");
export const askAccount = (): Promise<{
  session: { token: string };
  user: { name: string; email: string; twoFactorEnabled?: boolean };
}> => askAccountsFor("get-session");

/** What this device knows belongs to whoever was signed in: the next one begins anew. */
export function forgetInstallation(): void {
  try {
    window.localStorage.removeItem(INSTALLATION);
    window.localStorage.removeItem(ROLE);
  } catch {
    // Nothing was kept.
  }
}

let early: { shootId: string; changes: Promise<Changes> } | null = null;

/** Asks a browser's first shoot of the server while the rest of the application is loading: nothing of it is kept here yet. */
export function askEarly(shootId: string): void {
  if (knownInstallation() !== "" || early) return;
  early = { shootId, changes: ask(`/api/shoots/${shootId}/records?since=0`) };
  early.changes.catch(() => undefined);
}

export function askChanges(shootId: string, since: number): Promise<Changes> {
  if (since === 0 && early?.shootId === shootId) {
    const { changes } = early;
    early = null;
    return changes;
  }
  return ask(`/api/shoots/${shootId}/records?since=${since}`);
}

const MOST_TAKES_AT_ONCE = 50;
let asked: { ids: Set<string>; answer: Promise<Change<"takeDetail">[]> } | null = null;

/** All that was measured of a take; null where there is none. Takes that are asked for together are fetched together. */
export async function askTakeDetail(measurementId: string): Promise<Change<"takeDetail"> | null> {
  if (!asked || asked.ids.size >= MOST_TAKES_AT_ONCE) {
    const ids = new Set<string>();
    const answer = Promise.resolve().then(() => {
      if (asked?.ids === ids) asked = null;
      return ask<Change<"takeDetail">[]>(`/api/takes?of=${[...ids].join(",")}`);
    });
    asked = { ids, answer };
  }
  asked.ids.add(measurementId);
  return (await asked.answer).find(({ body }) => body.measurementId === measurementId) ?? null;
}

export const sendCommands = async (commands: readonly Command[]): Promise<Outcome[]> =>
  (await ask<{ outcomes: Outcome[] }>("/api/commands", asJson({ commands }))).outcomes;

/** Sends while the page goes away; nobody hears what comes of it. */
export function sendLeaving(commands: readonly Command[]): void {
  void fetch("/api/commands", { ...asJson({ commands }), keepalive: true }).catch(() => undefined);
}

/** What was changed in a shoot and may be asked about; `before` where the page before ended. */
export const askHistory = (shootId: string, before: number | null): Promise<HistoryPage> =>
  ask(`/api/history?shoot=${shootId}${before === null ? "" : `&before=${before}`}`);

export interface ShootList {
  shoots: Change<"shoot">[];
  bin: { id: string; title: string; deletedAt: string }[];
}
export const askShoots = (): Promise<ShootList> => ask("/api/shoots");

/** Recordings that come with a shoot that shows what Hypophon does: its own, and none of anybody's. */
export interface Samples {
  shootId: string;
  /** A card of recordings, and where they lie on it. */
  card: { folder: string; files: readonly string[] };
  recordings: readonly { file: string; title: string; rigId: string }[];
  claps: readonly { file: string; title: string; placeId: string }[];
  /** What the cameras took. */
  pictures: readonly string[];
}
export const askSamples = (): Promise<Samples> => ask("/api/demo");

export const askDemo = (): Promise<{ id: string }> => ask("/api/demo", asJson({}));

/** A link by which one talent sees their placement and answers. */
export const askTalentLink = (shootId: string, rigId: string): Promise<MadeLink> =>
  ask("/api/talent/link", asJson({ shootId, rigId }));

/** Shares a sheet of a day, or of all days where that is null. */
export const shareSheet = (shootId: string, kind: SheetKind, day: number | null): Promise<MadeLink> =>
  ask("/api/links", asJson({ do: "share", shootId, kind, day }));
export interface OpenLink {
  id: string;
  kind: SheetKind | "talent";
  day: number | null;
  expiresAt: string;
}
export const askLinks = async (shootId: string): Promise<OpenLink[]> =>
  (await ask<{ links: OpenLink[] }>(`/api/links?shoot=${encodeURIComponent(shootId)}`)).links;
export const takeBackLink = (id: string): Promise<object> => ask("/api/links", asJson({ do: "revoke", id }));

/** What a talent's link shows, and what was answered by it. */
export const askTalentCard = (token: string): Promise<TalentCard> =>
  ask(`/api/talent?token=${encodeURIComponent(token)}`);
export const sendTalentAnswer = (token: string, answer: TalentCard["answer"], at: string): Promise<TalentCard> =>
  ask("/api/talent", asJson({ token, answer, at }));
