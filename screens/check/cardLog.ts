import { filesInOrder, logLinesOf, type FoundFile } from "@/core/planning";
import type { ShootBundle, Stored } from "@/core/records";
import { clockWords, matchCard, type Match, type RollMessage } from "@/core/roll";
import { type CardFile, factsOf } from "./useCard";

/** A match of the log with files of the card. */
export interface LogMatch {
  takes: readonly Stored<"roll">[];
  files: readonly CardFile[];
  isSure: boolean;
  longerByS: number | null;
}

export interface CardLog {
  matches: readonly LogMatch[];
  /** Takes of the days that the card is of, without a file. */
  takesLeft: readonly Stored<"roll">[];
  filesLeft: readonly { file: CardFile; isFalseStart: boolean }[];
  clock: readonly RollMessage[];
}

const baseName = (path: string): string => path.replace(/^.*[\\/]/, "");

/** The date that a file was last written on, by the clock of this device. */
function dateOf({ file }: CardFile): string {
  const at = new Date(file.lastModified);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

function foundOf(item: CardFile): FoundFile | null {
  const facts = factsOf(item);
  return (
    facts && {
      ...{ id: String(item.id), name: baseName(item.path) },
      ...{ lengthS: facts.durationS, startedAtS: facts.startedAtS },
    }
  );
}

/** Dates of the shoot's days. */
function datesOf({ shoot: { body } }: ShootBundle): string[] {
  return Array.from({ length: body.days }, (_, at) =>
    new Date(Date.parse(`${body.firstDay}T00:00:00Z`) + at * 86_400_000).toISOString().slice(0, 10),
  );
}

/** The log of every day against the files of a card; a file goes to the day that explains it best. */
export function cardLogOf(bundle: ShootBundle, files: readonly CardFile[]): CardLog | null {
  const known = files.filter((item) => factsOf(item) !== null);
  if (bundle.rolls.length === 0 || known.length === 0) return null;
  const dates = datesOf(bundle);
  const byId = new Map(known.map((item) => [String(item.id), item]));
  const takeOf = new Map(bundle.rolls.map((roll) => [roll.id, roll]));
  const all: { day: number; match: Match }[] = [];
  const clock = new Map<string, RollMessage>();
  for (const day of new Set(bundle.rolls.map(({ body }) => body.day))) {
    // Files whose date is another day of the shoot are of that day.
    const own = known.filter((item) => {
      const date = dateOf(item);
      return !dates.includes(date) || date === dates[day - 1];
    });
    const found = own.flatMap((item) => foundOf(item) ?? []);
    const lines = logLinesOf(
      bundle.rolls
        .filter(({ body }) => body.day === day)
        .toSorted((one, other) => (one.body.startedAt < other.body.startedAt ? -1 : 1)),
    );
    const result = matchCard(lines, filesInOrder(found));
    all.push(...result.matches.map((match) => ({ day, match })));
    if (result.matches.some(({ isSure }) => isSure))
      for (const says of clockWords(result.clock)) clock.set(JSON.stringify(says), says);
  }
  const taken = new Set<string>();
  const kept = all
    .toSorted(
      (one, other) => Number(other.match.isSure) - Number(one.match.isSure) || other.match.margin - one.match.margin,
    )
    .filter(({ match }) => {
      if (match.fileIds.some((id) => taken.has(id))) return false;
      match.fileIds.forEach((id) => taken.add(id));
      return true;
    });
  const days = new Set(kept.filter(({ match }) => match.isSure).map(({ day }) => day));
  // Where a day is not on the card at all, what fits it by chance is none.
  const shown = kept.filter(({ day, match }) => match.isSure || days.has(day) || days.size === 0);
  const used = new Set(shown.flatMap(({ match }) => match.fileIds));
  const matched = new Set(shown.flatMap(({ match }) => match.lineIds));
  return {
    matches: shown
      .map(({ match }) => ({
        takes: match.lineIds.map((id) => takeOf.get(id)!),
        files: match.fileIds.map((id) => byId.get(id)!),
        isSure: match.isSure,
        longerByS: match.longerByS,
      }))
      .toSorted((one, other) => (one.takes[0]!.body.startedAt < other.takes[0]!.body.startedAt ? -1 : 1)),
    takesLeft: bundle.rolls.filter(
      ({ id, body }) => days.has(body.day) && !matched.has(id) && body.type !== "noSound" && body.files.length === 0,
    ),
    filesLeft: known
      .filter(({ id }) => !used.has(String(id)))
      .map((file) => ({ file, isFalseStart: (foundOf(file)?.lengthS ?? 99) <= 12 })),
    clock: [...clock.values()],
  };
}
