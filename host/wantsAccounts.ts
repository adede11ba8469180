import { allowedHosts, LOOPBACK } from "../server/hosts";

const ACCOUNTS = "--accounts";

/** Whether people sign in, as the command says; others than those at this machine must. */
export function wantsAccounts(args: readonly string[]): boolean {
  const unknown = args.find((arg) => arg !== ACCOUNTS);
  if (unknown !== undefined) throw new Error(`start knows ${ACCOUNTS} only, not ${unknown}.`);
  const isWanted = args.includes(ACCOUNTS);
  const others = [...allowedHosts()].filter((name) => !LOOPBACK.includes(name));
  if (others.length > 0 && !isWanted)
    throw new Error(`HYPOPHON_HOSTS lets others in (${others.join(", ")}), so people must sign in: start ${ACCOUNTS}.`);
  return isWanted;
}
