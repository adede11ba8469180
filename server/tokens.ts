import { createHash, randomBytes } from "node:crypto";

/** A token of a link: 24 random bytes, of which the database keeps the hash only. */
export const newToken = (): string => randomBytes(24).toString("base64url");

/** What is kept of a token, SHA-256. */
export const hashOfToken = (token: string): string => createHash("sha256").update(token).digest("hex");
