"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { addPasskey, askPasskeys, canUsePasskeys, deletePasskey } from "@/data/passkeys";
import { forgetAll } from "@/data/device";
import { askAccount, askAccounts, askSessions, forgetInstallation } from "@/data/server";
import { Button } from "@/ui/Button";
import { Dialog } from "@/ui/Dialog";
import { Disclosure } from "@/ui/Disclosure";
import { Piece, Row, Soft, Stack } from "@/ui/layout";
import { TextField } from "@/ui/TextField";
import { showToast } from "@/ui/toasts";
import { upperFirst } from "../dress/words";
import { deviceName } from "./device";
import { QrCode } from "./LinkCode";

const anything = () => null;

/** Does something with one's own account, says how it went, and shows it as it is then. */
function useOwnDeeds() {
  const queries = useQueryClient();
  return async <Answer,>(path: string, body: object, done: string | null): Promise<Answer | null> => {
    const { refusal, answer } = await askAccounts(path, body);
    if (refusal ?? done) showToast({ says: refusal ?? done! });
    await queries.invalidateQueries({ queryKey: ["own"] });
    return refusal ? null : (answer as Answer);
  };
}

function Devices() {
  const account = useQuery({ queryKey: ["own", "account"], queryFn: askAccount });
  const sessions = useQuery({ queryKey: ["own", "sessions"], queryFn: askSessions });
  const act = useOwnDeeds();
  const own = account.data?.session.token;
  return (
    <Stack $gap={0.4} role="group" aria-label="Your devices">
      {sessions.data?.map(({ token, userAgent, updatedAt }) => (
        <Row key={token} $between>
          <span>
            {upperFirst(deviceName(userAgent))}, last used {updatedAt.slice(0, 10)}
            {token === own && " (this one)"}
          </span>
          {token !== own && (
            <Button look="quiet" onPress={() => void act("revoke-session", { token }, "Signed out there.")}>
              Sign out there
            </Button>
          )}
        </Row>
      ))}
    </Stack>
  );
}

/** Keys that devices keep, and sign in with instead of a password. */
function Passkeys() {
  const queries = useQueryClient();
  const keys = useQuery({ queryKey: ["own", "passkeys"], queryFn: askPasskeys });
  const act = async (deed: () => Promise<string | null>, done: string) => {
    showToast({ says: (await deed()) ?? done });
    await queries.invalidateQueries({ queryKey: ["own"] });
  };
  return (
    <Stack $gap={0.4} role="group" aria-label="Passkeys">
      {keys.data?.map(({ id, name, createdAt }) => (
        <Row key={id} $between>
          <span>
            {name || "Passkey"}, since {createdAt.slice(0, 10)}
          </span>
          <Button look="quiet" onPress={() => void act(() => deletePasskey(id), "Passkey removed.")}>
            Remove
          </Button>
        </Row>
      ))}
      {canUsePasskeys() ? (
        <div>
          <Button
            onPress={() => void act(() => addPasskey(upperFirst(deviceName(navigator.userAgent))), "Passkey added.")}
          >
            Add a passkey of this device
          </Button>
        </div>
      ) : (
        <Soft>A passkey needs a name in the address, such as localhost, not a number.</Soft>
      )}
    </Stack>
  );
}

/** One's own password, before something that not everybody at this device may do. */
function OwnPassword(props: { label: string; value: string; onChange: (value: string) => void }) {
  return <TextField type="password" autoComplete="current-password" maxLength={200} fault={anything} {...props} />;
}

interface Enabling {
  totpURI: string;
  backupCodes: string[];
}

/** A second device that shows a code, asked for beside the password. */
function SecondFactor() {
  const account = useQuery({ queryKey: ["own", "account"], queryFn: askAccount });
  const act = useOwnDeeds();
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const [enabling, setEnabling] = useState<Enabling | null>(null);
  if (!account.data) return null;
  const isOn = account.data.user.twoFactorEnabled === true;
  const begin = async () => {
    const answer = await act<Enabling>(
      isOn ? "two-factor/disable" : "two-factor/enable",
      { password },
      isOn ? "Only the password is asked for." : null,
    );
    setPassword("");
    if (answer && !isOn) setEnabling(answer);
  };
  const confirm = async () => {
    const answer = await act("two-factor/verify-totp", { code: code.trim() }, "The code is asked for from now on.");
    if (!answer) return;
    setEnabling(null);
    setCode("");
  };
  if (enabling)
    return (
      <Stack>
        <p>Scan this with the app that shows codes, then type the code it shows.</p>
        <QrCode text={enabling.totpURI} label="The secret as a QR code" />
        <TextField
          label="Code"
          value={code}
          maxLength={6}
          autoComplete="one-time-code"
          fault={anything}
          onChange={setCode}
        />
        <Button look="main" onPress={() => void confirm()}>
          Ask for the code
        </Button>
        <Soft>
          If the device is lost, each of these lets you in once. Write them down: {enabling.backupCodes.join(" ")}
        </Soft>
      </Stack>
    );
  return (
    <Stack $gap={0.5}>
      <Soft>{isOn ? "A code is asked for beside your password." : "Only your password is asked for."}</Soft>
      <Row $low>
        <OwnPassword label="Your password" value={password} onChange={setPassword} />
        <Button isDisabled={password === ""} onPress={() => void begin()}>
          {isOn ? "No code any more" : "Set up a code"}
        </Button>
      </Row>
    </Stack>
  );
}

/** Deletes the account; what was written about consent stays, without the name. */
function Leaving() {
  const [password, setPassword] = useState("");
  const [isAsking, setIsAsking] = useState(false);
  const leave = async () => {
    const { refusal } = await askAccounts("delete-user", { password });
    if (refusal) {
      showToast({ says: refusal });
      return;
    }
    forgetInstallation();
    await forgetAll().catch(() => undefined);
    window.location.assign("/sign-in");
  };
  return (
    <Stack $gap={0.5}>
      <Soft>
        Your name, address and devices are deleted at once. Shoots of a crew that only you are in go with it after 30
        days. The history of consent, takes and verifications stays, as the law may ask of the production, without your
        name.
      </Soft>
      <Row $low>
        <OwnPassword label="Password of this account" value={password} onChange={setPassword} />
        <Button isDisabled={password === ""} onPress={() => setIsAsking(true)}>
          Delete my account
        </Button>
      </Row>
      <Dialog title="Delete your account?" isOpen={isAsking} onClose={() => setIsAsking(false)}>
        <Stack>
          <p>This cannot be undone. Save your shoots as files first if you want to keep them.</p>
          <Row $gap={0.6}>
            <Button look="main" onPress={() => setIsAsking(false)}>
              Keep it
            </Button>
            <Button onPress={() => void leave()}>Delete for good</Button>
          </Row>
        </Stack>
      </Dialog>
    </Stack>
  );
}

/** What belongs to the person who is signed in: devices, and how they sign in. */
export function YourAccount() {
  return (
    <Piece aria-label="Your account">
      <Stack $gap={0.6}>
        <h2>Your account</h2>
        <Devices />
        <Disclosure title="Passkeys">
          <Passkeys />
        </Disclosure>
        <Disclosure title="A code beside the password">
          <SecondFactor />
        </Disclosure>
        <Disclosure title="Delete the account">
          <Leaving />
        </Disclosure>
      </Stack>
    </Piece>
  );
}
