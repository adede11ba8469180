import { hash, verify } from "@node-rs/argon2";

/** Argon2id with 19 MiB, two passes, one lane. Source: OWASP Password Storage Cheat Sheet, from memory. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** A password as it is kept; worked out beside the main thread. */
export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Whether a password is the one that was kept; false also for what is no hash. */
export const isPassword = ({ hash: kept, password }: { hash: string; password: string }): Promise<boolean> =>
  verify(kept, password).catch(() => false);
