import { isCounted, type TakeType } from "./takeTypes";

/** What of a logged take counts for numbers. */
export interface Numbered {
  id: string;
  sceneId: string | null;
  slate: string;
  take: number;
  type: TakeType;
  /** ISO time. */
  startedAt: string;
  isDeleted?: boolean;
}

const groupOf = ({ sceneId, slate, type }: Pick<Numbered, "sceneId" | "slate" | "type">): string =>
  `${sceneId ?? ""}\n${slate.trim().toLowerCase()}\n${isCounted(type) ? "take" : type}`;

export const LAST_TAKE = 9999;

/** The number of the next take of a slate: one more than the highest. False starts have none of their own. */
export function nextTake(takes: readonly Numbered[], of: Pick<Numbered, "sceneId" | "slate" | "type">): number {
  const group = groupOf(of);
  const highest = takes.reduce((most, each) => (groupOf(each) === group ? Math.max(most, each.take) : most), 0);
  return Math.min(LAST_TAKE, highest + 1);
}

/** Takes of the same slate, in the order they were recorded. */
export const sameSlate = <Take extends Numbered>(takes: readonly Take[], of: Numbered): Take[] =>
  takes
    .filter((each) => groupOf(each) === groupOf(of))
    .toSorted((one, other) => (one.startedAt < other.startedAt ? -1 : one.startedAt > other.startedAt ? 1 : 0));

/**
 * Numbers after one take is given another: those recorded after it on the same slate follow it by as much as it was moved.
 * Empty where a number would leave 1…9999.
 */
export function renumbered(takes: readonly Numbered[], id: string, take: number): Map<string, number> {
  const chosen = takes.find((each) => each.id === id);
  if (!chosen || chosen.take === take) return new Map();
  const by = take - chosen.take;
  const row = sameSlate(takes, chosen);
  const moved = row.slice(row.findIndex((each) => each.id === id)).map((each) => [each.id, each.take + by] as const);
  return moved.every(([, number]) => number >= 1 && number <= LAST_TAKE) ? new Map(moved) : new Map<string, number>();
}

/** Numbers that two takes of one slate share, by the id of the later one. */
export function sharedNumbers(takes: readonly Numbered[]): Set<string> {
  const seen = new Set<string>();
  const shared = new Set<string>();
  const byTime = takes.toSorted((one, other) => (one.startedAt < other.startedAt ? -1 : 1));
  for (const each of byTime) {
    if (each.type === "falseStart") continue;
    const key = `${groupOf(each)}\n${each.take}`;
    if (seen.has(key)) shared.add(each.id);
    seen.add(key);
  }
  return shared;
}
