/** How others reach this machine over the local network, as it is now. */
export interface LanNow {
  /** Names and addresses it is asked for under. */
  hosts: readonly string[];
  /** The first groups of the root certificate's fingerprint. */
  fingerprint: string;
  /** Where phones open it, and where they take the certificate, one a network. */
  doors: readonly { address: string; trust: string }[];
}

declare global {
  var hypophonLan: LanNow | null | undefined;
}

/** Says how others reach this machine; null where nobody does. */
export function setLan(now: LanNow | null): void {
  globalThis.hypophonLan = now;
}

export const lanNow = (): LanNow | null => globalThis.hypophonLan ?? null;

/** What links for others begin with: the local network or the address people open; null where only this machine's own is known. */
export const linksFrom = (): string | null => lanNow()?.doors[0]?.address ?? process.env["HYPOPHON_ORIGIN"] ?? null;
