import type { Input, Part, Source } from "../devices";
import { findPath, type FoundPath } from "./findPath";
import type { ConnectMessage } from "./messages";

/** What is to be said of a way as a whole. */
export function pathMessage(path: FoundPath | null, source: Source, input: Input | null): ConnectMessage {
  if (!input) return { code: "connect.noInput" };
  if (!path && source.carriage === "network") return { code: "connect.askAnalogue", source: source.name };
  if (!path) return { code: "connect.noWay", source: source.name, input: input.name };
  const parts = path.parts.map(({ name }) => name);
  const { verdict, settings, because } = path;
  if (verdict === "works") return { code: "connect.works", parts, settings: [] };
  if (verdict === "worksIfSet") return { code: "connect.works", parts, settings };
  return { code: "connect.fails", parts, canDamage: verdict === "damage", because: because[0] ?? null };
}

/** One way for each of several sources into an input, and every part that is needed for any of them. */
export function leadsForAll(
  sources: readonly Source[],
  input: Input,
  parts: readonly Part[],
): { ways: readonly { source: Source; path: FoundPath | null }[]; needed: readonly Part[]; missing: readonly Part[] } {
  const ways = sources.map((source) => ({ source, path: findPath(source, input, parts) }));
  const needed = [...new Set(ways.flatMap(({ path }) => path?.parts ?? []))];
  return { ways, needed, missing: needed.filter(({ isOwned }) => !isOwned) };
}
