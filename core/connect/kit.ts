import { findPath, type FoundPath } from "./findPath";
import type { Input, Part, Source } from "../devices";

/** The way in a sentence. */
export function pathWords(path: FoundPath | null, source: Source, input: Input | null): string {
  if (!input) return "It has no sound input: record beside it, and clap at the head of each take.";
  if (!path) return `Nothing here connects ${source.name} to ${input.name}.`;
  const way = path.parts.length === 0 ? "straight in" : path.parts.map(({ name }) => name).join(", then ");
  if (path.verdict === "works") return `Works: ${way}.`;
  if (path.verdict === "worksIfSet") return `Works: ${way}. Set: ${path.settings.join("; ")}.`;
  const bad = path.verdict === "damage" ? "Can do damage" : "Silently wrong";
  return `${bad}: ${way}. ${path.because[0] ?? ""}`.trim();
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
