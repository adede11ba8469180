import { randomUUID } from "node:crypto";
import * as Type from "@sinclair/typebox";
import type { BetterAuthPlugin } from "better-auth";
import { APIError, createAuthEndpoint } from "better-auth/api";
import { setSessionCookie } from "better-auth/cookies";
import type { Database } from "../../db/client";
import { say } from "../../messages";
import { Fault } from "../faults";
import { accept } from "../validate";
import { joinForDay, openPass } from "./members";

export const DayEntry = Type.Object(
  {
    token: Type.String({ minLength: 20, maxLength: 100 }),
    name: Type.String({ minLength: 1, maxLength: 60, pattern: "\\S" }),
  },
  { additionalProperties: false },
);

/** Nobody reads mail there. Source: RFC 2606, "invalid". */
const NO_MAIL = "day.invalid";

/** Lets a phone in by the pass of a day: with a name, without an account, until the pass ends. */
export const dayPass = (database: Database) =>
  ({
    id: "day-pass",
    endpoints: {
      signInForDay: createAuthEndpoint("/sign-in/day", { method: "POST" }, async (context) => {
        const { internalAdapter } = context.context;
        try {
          const { token, name } = accept(DayEntry, context.body);
          const pass = await openPass(database, token);
          const email = `${randomUUID()}@${NO_MAIL}`;
          const user = await internalAdapter.createUser(
            { email, name: name.trim(), emailVerified: false },
            { method: "day-pass" },
          );
          await joinForDay(database, user.id, pass);
          const session = await internalAdapter.createSession(user.id, false, { expiresAt: pass.expiresAt }, true);
          const maxAge = Math.round((pass.expiresAt.getTime() - Date.now()) / 1000);
          // "Not to be remembered": it is not made longer while it is used.
          await setSessionCookie(context, { session, user }, true, { maxAge });
          return context.json({ name: user.name });
        } catch (error) {
          if (!(error instanceof Fault)) throw error;
          throw new APIError(error.code === "missing" ? "NOT_FOUND" : "BAD_REQUEST", { message: say(error.says) });
        }
      }),
    },
    rateLimit: [{ pathMatcher: (path) => path === "/sign-in/day", window: 3600, max: 120 }],
  }) satisfies BetterAuthPlugin;
