import { isCounted, type CardFileFacts, type LogLine, type RollMessage, spoils } from "../roll";
import { isDropRate, timecodeAt } from "../timecode";
import { type RollBody, rememberReads, type ShootBundle, type Stored } from "../records";
import { bytesOf, marksByRoll, rollsInOrder, wallSeconds } from "./rolling";

/** One take as the sound report has it. */
export interface ReportRow {
  roll: Stored<"roll">;
  scene: Stored<"scene"> | null;
  marks: readonly Stored<"mark">[];
  /** Seconds after midnight on the wall, and as timecode at the shoot's frame rate. */
  startS: number;
  timecode: string;
  /** What was measured of its files. */
  measured: readonly Stored<"measurement">[];
  /** Where what was noted and what was measured are at odds. */
  disagreements: readonly RollMessage[];
}

export interface ReportTotals {
  takes: number;
  good: number;
  minutes: number;
  /** Minutes rolled for each minute of good takes; null without one. */
  ratio: number | null;
  gigabytes: number;
}

export interface Report {
  rows: readonly ReportRow[];
  totals: ReportTotals;
}

const baseName = (path: string): string => path.replace(/^.*[\\/]/, "").toLowerCase();

/** What was noted against what was measured. */
export function disagreementsOf(
  { rating }: Pick<RollBody, "rating">,
  marks: readonly Stored<"mark">[],
  measured: readonly Stored<"measurement">[],
): RollMessage[] {
  if (measured.length === 0) return [];
  const isRedo = measured.some(({ body }) => body.grade === "redo");
  const clipped = measured.filter(({ body }) => (body.measured.peakDbfs ?? -100) >= -0.1).length;
  const isNotedClean = rating === "good" && !marks.some(({ body }) => spoils(body.kind));
  if (isNotedClean && clipped > 0) return [{ code: "disagree.notedClean", clipped }];
  if (rating === "good" && isRedo) return [{ code: "disagree.notedGood" }];
  if (
    rating === "noGood" &&
    measured.every(({ body }) => body.grade === "good") &&
    !marks.some(({ body }) => spoils(body.kind))
  )
    return [{ code: "disagree.notedBad" }];
  return [];
}

const measuredByName = rememberReads((bundle) => {
  const byName = new Map<string, Stored<"measurement">[]>();
  for (const each of bundle.measurements) {
    const name = baseName(each.body.file.name);
    byName.set(name, [...(byName.get(name) ?? []), each]);
  }
  return byName;
});

/** Every take of a shoot, in order, with its marks and what was measured of it. */
export const reportRows = rememberReads((bundle): readonly ReportRow[] => {
  const scenes = new Map(bundle.scenes.map((scene) => [scene.id, scene]));
  const marks = marksByRoll(bundle);
  const { frameRate } = bundle.shoot.body;
  return rollsInOrder(bundle).map((roll): ReportRow => {
    const own = marks.get(roll.id) ?? [];
    const startS = wallSeconds(roll.body.startedAt, roll.body.zoneMin);
    const measured = roll.body.files.flatMap(({ name }) => measuredByName(bundle).get(baseName(name)) ?? []);
    return {
      roll,
      scene: roll.body.sceneId === null ? null : (scenes.get(roll.body.sceneId) ?? null),
      marks: own,
      startS,
      timecode: timecodeAt(startS, frameRate, isDropRate(frameRate)),
      measured,
      disagreements: disagreementsOf(roll.body, own, measured),
    };
  });
});

/** The sound report of a day, or of all days. */
export function reportOf(bundle: ShootBundle, day: number | null): Report {
  const rows = reportRows(bundle).filter(({ roll }) => day === null || roll.body.day === day);
  const counted = rows.filter(({ roll }) => isCounted(roll.body.type));
  const good = counted.filter(({ roll }) => roll.body.rating === "good");
  const minutesOf = (some: readonly ReportRow[]) =>
    some.reduce((sum, { roll }) => sum + (roll.body.lengthS ?? 0), 0) / 60;
  const [all, kept] = [minutesOf(rows), minutesOf(good)];
  return {
    rows,
    totals: {
      takes: counted.length,
      good: good.length,
      minutes: all,
      ratio: kept > 0 ? all / kept : null,
      gigabytes:
        bytesOf(
          bundle,
          rows.map(({ roll }) => roll),
        ) / 1e9,
    },
  };
}

/** What is delivered of a day: takes that are good or held, and wild lines and room tones that nobody rated. */
export const isDelivered = ({ rating, type }: Pick<RollBody, "rating" | "type">): boolean =>
  rating === "good" || rating === "hold" || (rating === "none" && (type === "wild" || type === "roomTone"));

/** The log of some takes as lines that a card is matched with; no sound was recorded of silent ones. */
export const logLinesOf = (rolls: readonly Stored<"roll">[]): LogLine[] =>
  rolls
    .filter(({ body }) => body.type !== "noSound")
    .map(({ id, body: { startedAt, zoneMin, lengthS } }) => ({
      id,
      startS: wallSeconds(startedAt, zoneMin),
      lengthS: lengthS || null,
    }));

/** A file of a card as it is known before it is measured. */
export interface FoundFile {
  id: string;
  name: string;
  lengthS: number;
  /** Seconds after midnight by the recorder, from a broadcast chunk; null: it does not say. */
  startedAtS: number | null;
}

/** Files in the order they were recorded: by the recorder's clock where every one has it, else by the numbers in their names. */
export function filesInOrder(files: readonly FoundFile[]): CardFileFacts[] {
  const hasTimes = files.every(({ startedAtS }) => startedAtS !== null);
  const byName = new Intl.Collator("en", { numeric: true });
  return files
    .toSorted((one, other) =>
      hasTimes && one.startedAtS !== other.startedAtS
        ? one.startedAtS! - other.startedAtS!
        : byName.compare(one.name, other.name),
    )
    .map(({ id, lengthS, startedAtS }) => ({ id, lengthS, startS: startedAtS }));
}
