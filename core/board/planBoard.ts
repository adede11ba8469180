import { boardLines, boardRow, lineId, type BoardLine, type Risk, type Stitch } from "./board";
import type { RecordKind, ShootBundle, Stored } from "../records";
import type { StationId } from "./stations";

/** What the board shows of one line, beside who it is. */
export interface PlannedLine {
  id: string;
  stitches: Record<StationId, Stitch>;
  /** What weighs most against it, worst first. */
  risks: readonly Risk[];
}

/** So many risks of a line are told. */
const MOST_RISKS = 4;

export interface BoardPlanning {
  /** Lines that are looked at now: they come first. */
  first: readonly string[];
  /** Whether nothing but these is planned. */
  isOnlyFirst?: boolean;
  /** Whether the answer is still wanted. */
  isWanted: () => boolean;
  report: (lines: PlannedLine[], left: number) => void;
  /** Lets others have their turn. */
  pause: () => Promise<void>;
  now: () => number;
}

/** So long is planned before others have their turn, ms. */
const TURN_MS = 30;

/** The lines of a board, those first that are looked at. */
export function inOrder(lines: readonly BoardLine[], first: readonly string[]): BoardLine[] {
  const isFirst = new Set(first);
  return [...lines.filter((line) => isFirst.has(lineId(line))), ...lines.filter((line) => !isFirst.has(lineId(line)))];
}

/** Plans every line of a board bit by bit, and tells of each bit. */
export async function planBoard(bundle: ShootBundle, options: BoardPlanning): Promise<void> {
  const { isWanted, report, pause, now } = options;
  const ordered = inOrder(boardLines(bundle), options.first);
  const isFirst = new Set(options.first);
  const lines = options.isOnlyFirst ? ordered.filter((line) => isFirst.has(lineId(line))) : ordered;
  let bit: PlannedLine[] = [];
  let began = now();
  for (const [at, line] of lines.entries()) {
    const { stitches, risks } = boardRow(bundle, line);
    bit.push({ id: lineId(line), stitches, risks: risks.slice(0, MOST_RISKS) });
    const left = lines.length - at - 1;
    if (left > 0 && now() - began < TURN_MS) continue;
    report(bit, left);
    bit = [];
    await pause();
    if (!isWanted()) return;
    began = now();
  }
  if (lines.length === 0) report([], 0);
}

type Lists = Omit<ShootBundle, "shoot">;
type Part = keyof ShootBundle;

/** What is different in one part of a shoot: the order of its records, and those that are others. */
export interface PartNews {
  part: Part;
  ids: readonly string[];
  records: readonly Stored<RecordKind>[];
}

const listOf = (bundle: ShootBundle, part: Part): readonly Stored<RecordKind>[] =>
  part === "shoot" ? [bundle.shoot] : bundle[part];

/** What no plan reads, and of which a day has thousands. */
const UNREAD: readonly Part[] = ["marks"];

/** What of a shoot is different from before, so that not all of it crosses to a worker for one change. */
export function newsOf(before: ShootBundle | null, now: ShootBundle): PartNews[] {
  return (Object.keys(now) as Part[])
    .filter((part) => !UNREAD.includes(part) && before?.[part] !== now[part])
    .map((part) => {
      const known = new Set(before ? listOf(before, part) : []);
      const records = listOf(now, part);
      return { part, ids: records.map(({ id }) => id), records: records.filter((record) => !known.has(record)) };
    });
}

/** A shoot with its news; what did not change are the same records and lists. */
export function withPartNews(before: ShootBundle | null, news: readonly PartNews[]): ShootBundle {
  const parts = news.map(({ part, ids, records }) => {
    const known = new Map((before ? listOf(before, part) : []).map((record) => [record.id, record]));
    for (const record of records) known.set(record.id, record);
    const list = ids.flatMap((id) => known.get(id) ?? []);
    return [part, part === "shoot" ? list[0] : list];
  });
  const known: Partial<ShootBundle> = before ?? { marks: [] };
  return { ...(known as ShootBundle & Lists), ...(Object.fromEntries(parts) as Partial<ShootBundle>) };
}
