import { hash, verify } from "@node-rs/argon2";
import PQueue from "p-queue";

/** Argon2id with 19 MiB, two passes, one lane. Source: OWASP Password Storage Cheat Sheet, from memory. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** One takes some 40 ms of a core; further ones wait so long for each other, and everybody else does not wait for them, ms. */
const APART_MS = 150;
const oneByOne = new PQueue({ concurrency: 1, interval: APART_MS, intervalCap: 1 });

/** A password as it is kept; worked out beside the main thread. */
export const hashPassword = (password: string): Promise<string> =>
  oneByOne.add(() => hash(password, COST)) as Promise<string>;

/** Whether a password is the one that was kept; false also for what is no hash. */
export const isPassword = ({ hash: kept, password }: { hash: string; password: string }): Promise<boolean> =>
  oneByOne.add(() => verify(kept, password).catch(() => false)) as Promise<boolean>;
