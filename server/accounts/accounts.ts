import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { APIError, createAuthMiddleware } from "better-auth/api";
import { twoFactor } from "better-auth/plugins";
import { passkey as passkeys } from "@better-auth/passkey";
import type { Database } from "../../db/client";
import { askedOften, mailedLink, passkey, person, secondFactor, signedIn, signInMethod } from "../../db/schema";
import { newPasswordMail, say, tooManyTries } from "../../messages";
import { ADDRESS_HEADER } from "../asker";
import { Fault } from "../faults";
import { isOwnOrigin } from "../hosts";
import { log } from "../log";
import { dayPass } from "./dayPass";
import { guessedRight, guessedWrong, waitMs } from "./guesses";
import { leaveCrews } from "./leaving";
import { sendMail } from "./mail";
import { hashPassword, isPassword } from "./passwords";

const SIGN_IN = "/sign-in/email";
const emailOf = (body: unknown): string | null =>
  typeof body === "object" && body !== null && "email" in body && typeof body.email === "string" ? body.email : null;

const A_DAY_S = 24 * 3600;

/** How a browser reaches it: over TLS, and by which name. */
export interface Line {
  isSecure: boolean;
  host: string;
}

/** Accounts, sessions, keys of devices and second factors, on the application's own database. */
function makeAccounts(database: Database, { isSecure, host }: Line) {
  const secret = process.env["HYPOPHON_SECRET"];
  if (!secret) throw new Error("HYPOPHON_SECRET is not set: start with ./hypophon start --accounts.");
  // Links in mails begin with it; without it with the address that was asked for.
  const origin = process.env["HYPOPHON_ORIGIN"] ?? "";
  return betterAuth({
    appName: "Hypophon",
    secret,
    basePath: "/api/accounts",
    ...(origin !== "" && { baseURL: origin }),
    database: drizzleAdapter(database, {
      provider: "pg",
      schema: {
        user: person,
        session: signedIn,
        account: signInMethod,
        verification: mailedLink,
        rateLimit: askedOften,
        twoFactor: secondFactor,
        passkey,
      },
    }),
    trustedOrigins: (request) => {
      const origin = request?.headers.get("origin") ?? null;
      return origin !== null && isOwnOrigin(origin, request!.headers.get("host")) ? [origin] : [];
    },
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 200,
      autoSignIn: true,
      revokeSessionsOnPasswordReset: true,
      password: { hash: hashPassword, verify: isPassword },
      sendResetPassword: async ({ user, url }) => {
        // Who asks is not told whether there is such an account: what goes wrong is told to the log.
        await sendMail({ to: user.email, ...newPasswordMail(user.email, url) }).catch((error: unknown) =>
          log.error({ error }, "a mail could not be sent"),
        );
      },
    },
    user: {
      deleteUser: {
        enabled: true,
        beforeDelete: async ({ id }) => {
          await leaveCrews(database, id).catch((error: unknown) => {
            throw error instanceof Fault ? new APIError("BAD_REQUEST", { message: say(error.says) }) : error;
          });
        },
      },
    },
    session: { expiresIn: 30 * A_DAY_S, updateAge: A_DAY_S, cookieCache: { enabled: false } },
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 200,
      // A crew shares one address of a network: guesses are counted by account instead (guesses.ts).
      customRules: {
        "/sign-in/email": { window: 60, max: 300 },
        "/sign-up/email": { window: 3600, max: 60 },
        "/request-password-reset": { window: 3600, max: 20 },
      },
    },
    advanced: {
      // Over TLS a cookie is of this very host, and no other host or line without TLS can set it.
      cookiePrefix: isSecure ? "__Host-hypophon" : "hypophon",
      useSecureCookies: false,
      defaultCookieAttributes: { httpOnly: true, sameSite: "lax", path: "/", secure: isSecure },
      ipAddress: { ipAddressHeaders: [ADDRESS_HEADER] },
    },
    plugins: [twoFactor({ issuer: "Hypophon" }), passkeys({ rpID: host, rpName: "Hypophon" }), dayPass(database)],
    telemetry: { enabled: false },
    logger: { disabled: true },
    hooks: {
      before: createAuthMiddleware(async ({ path, body }) => {
        const email = path === SIGN_IN ? emailOf(body) : null;
        if (email === null) return;
        const waits = await waitMs(database, email, Date.now());
        if (waits <= 0) return;
        log.warn({ waits }, "a password was guessed too often");
        throw new APIError("TOO_MANY_REQUESTS", { message: tooManyTries(Math.ceil(waits / 1000)) });
      }),
      after: createAuthMiddleware(async ({ path, body, context }) => {
        const email = path === SIGN_IN ? emailOf(body) : null;
        if (email === null) return;
        if (context.returned instanceof APIError) await guessedWrong(database, email, Date.now());
        else await guessedRight(database, email);
      }),
    },
  });
}

export type Accounts = ReturnType<typeof makeAccounts>;

declare global {
  var hypophonAccounts: Map<string, Accounts> | undefined;
}

/** The process's accounts, for each kind of line; made when somebody first asks. */
export function accounts(database: Database, line: Line): Accounts {
  const known = (globalThis.hypophonAccounts ??= new Map<string, Accounts>());
  // As many as there are names that may be asked for.
  const key = `${line.isSecure} ${line.host}`;
  const found = known.get(key) ?? makeAccounts(database, line);
  known.set(key, found);
  return found;
}
