import { join } from "node:path";
import type { DatabaseUrls } from "./postgres";
import { ROOT, say } from "./state";

export const MIGRATIONS = join(ROOT, "db", "migrations");

export type WebMode = "demo" | "start" | "dev";

export const DATABASE_NAMES: Record<WebMode, string> = {
  demo: "hypophon_demo",
  start: "hypophon",
  dev: "hypophon_dev",
};

/** A managed database: DATABASE_URL is who serves, DATABASE_OWNER_URL who may change the schema, where that is another. */
export function managedUrls(): DatabaseUrls | null {
  const web = process.env["DATABASE_URL"];
  if (!web) return null;
  const owner = process.env["DATABASE_OWNER_URL"];
  if (!owner)
    say(
      "DATABASE_OWNER_URL is not set: the schema is changed as who serves. Give the owner's address to keep them apart.",
    );
  return { owner: owner ?? web, web };
}
