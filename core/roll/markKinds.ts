/** What a mark at a moment of a take tells. */
export const MARK_KINDS = [
  "aircraft",
  "vehicle",
  "voices",
  "rustle",
  "handling",
  "offMic",
  "radioHit",
  "clipped",
  "wind",
  "pop",
  "hum",
  "phone",
  "animal",
  "door",
  "fluffed",
  "overlap",
  "laugh",
  "dropOut",
  "best",
  "cut",
  "clap",
  "slate",
  "endSlate",
  "note",
] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

export const isMarkKind = (kind: string): kind is MarkKind => (MARK_KINDS as readonly string[]).includes(kind);

/** What spoils the words under it, so that they are wanted again. Common practice. */
const SPOILS: ReadonlySet<string> = new Set<MarkKind>([
  "aircraft",
  "vehicle",
  "voices",
  "rustle",
  "handling",
  "radioHit",
  "clipped",
  "wind",
  "phone",
  "animal",
  "door",
  "dropOut",
]);
export const spoils = (kind: string): boolean => SPOILS.has(kind);

/** What joins sound and picture. */
const JOINS: ReadonlySet<string> = new Set<MarkKind>(["clap", "slate", "endSlate"]);
export const joinsPicture = (kind: string): boolean => JOINS.has(kind);

/** Kinds that nobody presses: they come from the slate. */
const MADE_BY_SLATE: ReadonlySet<string> = new Set<MarkKind>(["slate", "endSlate"]);

/** Kinds on the keys while nobody has used any. Common practice. */
const USUAL: readonly MarkKind[] = [
  "aircraft",
  "vehicle",
  "voices",
  "rustle",
  "handling",
  "offMic",
  "radioHit",
  "fluffed",
  "best",
  "clap",
];
export const KEYS = 10;

/**
 * The ten kinds that stand first, on the number keys: those used most, then the usual ones. Kinds that were used equally often
 * keep the order they have, so that keys do not change places while one works. `own`: kinds that somebody has named.
 */
export function keyKinds(used: readonly string[], own: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const kind of used) if (!MADE_BY_SLATE.has(kind)) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const all = [...USUAL, ...own, ...MARK_KINDS.filter((kind) => !USUAL.includes(kind) && !MADE_BY_SLATE.has(kind))];
  const known = [...all, ...[...counts.keys()].filter((kind) => !all.includes(kind))];
  return known
    .map((kind, at) => ({ kind, at, count: counts.get(kind) ?? 0 }))
    .toSorted((one, other) => other.count - one.count || one.at - other.at)
    .slice(0, KEYS)
    .map(({ kind }) => kind);
}

/** Every kind that can be pressed, those on the keys first. */
export function allKinds(used: readonly string[], own: readonly string[]): string[] {
  const first = keyKinds(used, own);
  const rest = [...own, ...MARK_KINDS.filter((kind) => !MADE_BY_SLATE.has(kind))];
  return [...first, ...rest.filter((kind) => !first.includes(kind))];
}
