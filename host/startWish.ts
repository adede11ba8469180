import { allowedHosts, LOOPBACK } from "../server/hosts";

/** What start is asked for: that people sign in, and that phones of the local network may come. */
export interface StartWish {
  hasAccounts: boolean;
  isOnLan: boolean;
}

const KNOWN = ["--accounts", "--lan"];

/** What the command says; others than those at this machine must sign in. */
export function startWish(args: readonly string[]): StartWish {
  const unknown = args.find((arg) => !KNOWN.includes(arg));
  if (unknown !== undefined) throw new Error(`start knows ${KNOWN.join(" and ")} only, not ${unknown}.`);
  const isOnLan = args.includes("--lan");
  const hasAccounts = isOnLan || args.includes("--accounts");
  const others = [...allowedHosts()].filter((name) => !LOOPBACK.includes(name));
  if (others.length > 0 && !hasAccounts)
    throw new Error(`HYPOPHON_HOSTS lets others in (${others.join(", ")}), so people must sign in: start --accounts.`);
  const listens = process.env["HYPOPHON_LISTEN"] ?? "127.0.0.1";
  if (!LOOPBACK.includes(listens) && !hasAccounts)
    throw new Error(`HYPOPHON_LISTEN opens it to others (${listens}), so people must sign in: start --accounts.`);
  return { hasAccounts, isOnLan };
}
