import { browserSupportsWebAuthn, startAuthentication, startRegistration } from "@simplewebauthn/browser";
import { askAccounts, askAccountsFor } from "./server";

/** Keys of devices belong to a name over TLS, or to this machine by its name; not to an address of numbers. */
export const canUsePasskeys = (): boolean =>
  browserSupportsWebAuthn() && !/^[\d.]+$|^\[/.test(window.location.hostname);

const NOT_DONE = "The device gave no key: try again.";

/** What went wrong, in words; null where it is done. */
type Refusal = string | null;

/** Signs in with a key of this device. */
export async function signInByPasskey(): Promise<Refusal> {
  const options = await askAccountsFor<never>("passkey/generate-authenticate-options").catch(() => null);
  if (!options) return "The server is away: try again.";
  const response = await startAuthentication({ optionsJSON: options }).catch(() => null);
  if (!response) return NOT_DONE;
  return (await askAccounts("passkey/verify-authentication", { response })).refusal;
}

/** Makes a key on this device for whoever is signed in. */
export async function addPasskey(name: string): Promise<Refusal> {
  const options = await askAccountsFor<never>("passkey/generate-register-options").catch(() => null);
  if (!options) return "Sign in again first: a new key is made soon after signing in only.";
  const response = await startRegistration({ optionsJSON: options }).catch(() => null);
  if (!response) return NOT_DONE;
  return (await askAccounts("passkey/verify-registration", { response, name })).refusal;
}

export interface Passkey {
  id: string;
  name: string | null;
  createdAt: string;
}
export const askPasskeys = (): Promise<Passkey[]> => askAccountsFor("passkey/list-user-passkeys");
export const deletePasskey = async (id: string): Promise<Refusal> =>
  (await askAccounts("passkey/delete-passkey", { id })).refusal;
