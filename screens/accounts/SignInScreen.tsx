"use client";

import { useState, useSyncExternalStore } from "react";
import styled from "styled-components";
import { canUsePasskeys, signInByPasskey } from "@/data/passkeys";
import { askAccounts, joinCrew, Refused } from "@/data/server";
import { say } from "@/messages";
import { Button } from "@/ui/Button";
import { Piece, Row, Soft, Stack } from "@/ui/layout";
import { TextField } from "@/ui/TextField";

const Door = styled.main`
  display: grid;
  place-items: start center;
  padding: 12vh 1rem 2rem;
  form {
    width: min(26rem, calc(100vw - 2rem));
  }
`;

type Mode = "in" | "up" | "forgot" | "reset" | "code" | "day";

const TITLES: Record<Mode, string> = {
  in: "Sign in",
  up: "New account",
  forgot: "New password",
  reset: "New password",
  code: "Code of your second device",
  day: "Sign in for the day",
};
const DOES: Record<Mode, string> = {
  in: "Sign in",
  up: "Make account",
  forgot: "Send me a link",
  reset: "Set password",
  code: "Go on",
  day: "Sign in",
};

/** Pages of this origin only: nobody is sent elsewhere after signing in. */
export function pageAfter(to: string | null): string {
  if (!to?.startsWith("/") || to.startsWith("//") || to.includes("\\")) return "/";
  return to.startsWith("/sign-in") ? "/" : to;
}

const nothing = () => () => undefined;
/** The address as it is in the browser; empty while the server draws. */
const useQuery = (): URLSearchParams =>
  new URLSearchParams(
    useSyncExternalStore(
      nothing,
      () => window.location.search,
      () => "",
    ),
  );

/** The first refusal of what is typed; null where it can be sent. */
export function typedFault(
  mode: Mode,
  typed: { name: string; email: string; password: string; code: string },
): string | null {
  if ((mode === "up" || mode === "day") && typed.name.trim() === "") return "Tell the crew your name.";
  if ((mode === "in" || mode === "up" || mode === "forgot") && !/^\S+@\S+$/.test(typed.email.trim()))
    return "An e-mail address, such as you@example.org.";
  if ((mode === "up" || mode === "reset") && typed.password.length < 10) return "A password of ten characters or more.";
  if (mode === "code" && !/^\d{6}$/.test(typed.code.trim())) return "Six digits.";
  return null;
}

const anything = () => null;

/** The door: sign in, make an account, take up an invitation, get a new password. */
export function SignInScreen() {
  const query = useQuery();
  const [invited, resetToken, day] = [query.get("join"), query.get("token"), query.get("day")];
  const [chosen, setMode] = useState<Mode | null>(null);
  const mode = chosen ?? (day ? "day" : resetToken ? "reset" : invited ? "up" : "in");
  const [typed, setTyped] = useState({ name: "", email: "", password: "", code: "" });
  const [says, setSays] = useState<string | null>(null);
  const [isBusy, setIsBusy] = useState(false);
  const set = (field: keyof typeof typed) => (value: string) => setTyped((before) => ({ ...before, [field]: value }));
  const go = (next: Mode) => {
    setMode(next);
    setSays(null);
  };

  async function enter(): Promise<void> {
    try {
      if (invited) await joinCrew(invited);
    } catch (error) {
      setSays(error instanceof Refused ? say(error.says) : "The server is away: try again.");
      return;
    }
    window.location.assign(pageAfter(query.get("to")));
  }

  async function send(): Promise<void> {
    const fault = typedFault(mode, typed);
    setSays(fault);
    if (fault) return;
    const email = typed.email.trim();
    const { password } = typed;
    if (mode === "in") {
      const { refusal, answer } = await askAccounts("sign-in/email", { email, password });
      if (refusal) setSays(refusal);
      else if ((answer as { twoFactorRedirect?: boolean } | null)?.twoFactorRedirect) go("code");
      else await enter();
    } else if (mode === "up") {
      const { refusal } = await askAccounts("sign-up/email", { name: typed.name.trim(), email, password });
      if (refusal) setSays(refusal);
      else await enter();
    } else if (mode === "code") {
      const { refusal } = await askAccounts("two-factor/verify-totp", { code: typed.code.trim() });
      if (refusal) setSays(refusal);
      else await enter();
    } else if (mode === "day") {
      const { refusal } = await askAccounts("sign-in/day", { token: day, name: typed.name.trim() });
      if (refusal) setSays(refusal);
      else await enter();
    } else if (mode === "forgot") {
      const { refusal } = await askAccounts("request-password-reset", { email, redirectTo: "/sign-in" });
      setSays(refusal ?? "If there is such an account, a link is on its way.");
    } else {
      const { refusal } = await askAccounts("reset-password", { newPassword: password, token: resetToken });
      if (refusal) setSays(refusal);
      else {
        go("in");
        setSays("The password is set: sign in with it.");
      }
    }
  }

  return (
    <Door>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (isBusy) return;
          setIsBusy(true);
          void send().finally(() => setIsBusy(false));
        }}
      >
        <Piece>
          <Stack>
            <h1>{TITLES[mode]}</h1>
            {invited && (mode === "in" || mode === "up") && <Soft>You are invited to a crew.</Soft>}
            {mode === "day" && <Soft>No account, no password: it ends with the day.</Soft>}
            {(mode === "up" || mode === "day") && (
              <TextField
                label="Name"
                value={typed.name}
                maxLength={60}
                autoComplete="name"
                fault={anything}
                onChange={set("name")}
              />
            )}
            {(mode === "in" || mode === "up" || mode === "forgot") && (
              <TextField
                label="E-mail"
                type="email"
                autoComplete="username"
                value={typed.email}
                maxLength={200}
                fault={anything}
                onChange={set("email")}
              />
            )}
            {(mode === "in" || mode === "up" || mode === "reset") && (
              <TextField
                label="Password"
                type="password"
                autoComplete={mode === "in" ? "current-password" : "new-password"}
                value={typed.password}
                maxLength={200}
                fault={anything}
                onChange={set("password")}
                {...(mode === "in" ? {} : { hint: "Ten characters or more." })}
              />
            )}
            {mode === "code" && (
              <TextField
                label="Code"
                autoComplete="one-time-code"
                value={typed.code}
                maxLength={6}
                fault={anything}
                onChange={set("code")}
              />
            )}
            {says && <p role="alert">{says}</p>}
            <Row>
              <Button type="submit" look="main" isPending={isBusy}>
                {DOES[mode]}
              </Button>
              {mode === "in" && (
                <Button look="quiet" onPress={() => go("up")}>
                  New account
                </Button>
              )}
              {mode !== "in" && mode !== "day" && (
                <Button look="quiet" onPress={() => go("in")}>
                  Sign in
                </Button>
              )}
            </Row>
            {mode === "in" && (
              <div>
                {canUsePasskeys() && (
                  <Button
                    onPress={() => void signInByPasskey().then((refusal) => (refusal ? setSays(refusal) : enter()))}
                  >
                    Use a passkey
                  </Button>
                )}
                <Button look="quiet" onPress={() => go("forgot")}>
                  Forgot the password?
                </Button>
              </div>
            )}
          </Stack>
        </Piece>
      </form>
    </Door>
  );
}
