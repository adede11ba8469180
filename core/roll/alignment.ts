/** What it costs to put lines of a log and files of a card together. */
export interface Costs {
  lines: number;
  files: number;
  /** Of `count` lines from `at` with `some` files from `from`. */
  line(at: number, count: number, from: number, some: number): number;
  /** Of a line without a file, and of a file without a line. */
  lineLeft(at: number): number;
  fileLeft(at: number): number;
  /** Files that a group which begins with a line may begin with: from one up to before another. */
  reach(at: number): readonly [from: number, to: number];
}

export interface Group {
  line: number;
  lineCount: number;
  file: number;
  fileCount: number;
  cost: number;
  /** How much worse the best is in which its first line goes elsewhere. */
  margin: number;
}

export interface Aligned {
  total: number;
  groups: readonly Group[];
}

/** Groups of lines and files that may be one: several of one against one of the other. */
function sizes(mostLines: number, mostFiles: number): (readonly [number, number])[] {
  const several = Array.from({ length: mostFiles }, (_, at) => [1, at + 1] as const);
  return [...several, ...Array.from({ length: mostLines - 1 }, (_, at) => [at + 2, 1] as const)];
}

/**
 * The cheapest way to put lines and files together with both in order, and by how much each group is better than anything else:
 * the cheapest from the front and from the back to every place give the cheapest of all that goes through a group.
 */
export function alignments(costs: Costs, mostLines: number, mostFiles: number): Aligned {
  const { lines, files } = costs;
  const wide = files + 1;
  const groupSizes = sizes(mostLines, mostFiles);
  const at = (line: number, file: number): number => line * wide + file;
  const before = new Float64Array((lines + 1) * wide).fill(Infinity);
  const after = new Float64Array((lines + 1) * wide).fill(Infinity);
  const known = new Float64Array((lines + 1) * wide * groupSizes.length).fill(NaN);
  const costOf = (line: number, file: number, size: number): number => {
    const key = at(line, file) * groupSizes.length + size;
    if (Number.isNaN(known[key]!)) known[key] = costs.line(line, groupSizes[size]![0], file, groupSizes[size]![1]);
    return known[key]!;
  };
  const reaches = Array.from({ length: lines }, (_, line) => costs.reach(line));
  const isNear = (line: number, file: number): boolean =>
    line < lines && file >= reaches[line]![0] && file < reaches[line]![1];
  const fits = (line: number, file: number, size: number): boolean =>
    line + groupSizes[size]![0] <= lines && file + groupSizes[size]![1] <= files;
  before[0] = 0;
  for (let line = 0; line <= lines; line += 1)
    for (let file = 0; file <= files; file += 1) {
      const here = before[at(line, file)]!;
      if (line < lines) lower(before, at(line + 1, file), here + costs.lineLeft(line));
      if (file < files) lower(before, at(line, file + 1), here + costs.fileLeft(file));
      for (let size = 0; isNear(line, file) && size < groupSizes.length; size += 1)
        if (fits(line, file, size)) {
          const [some, many] = groupSizes[size]!;
          lower(before, at(line + some, file + many), here + costOf(line, file, size));
        }
    }
  after[at(lines, files)] = 0;
  for (let line = lines; line >= 0; line -= 1)
    for (let file = files; file >= 0; file -= 1) {
      let best = after[at(line, file)]!;
      if (line < lines) best = Math.min(best, after[at(line + 1, file)]! + costs.lineLeft(line));
      if (file < files) best = Math.min(best, after[at(line, file + 1)]! + costs.fileLeft(file));
      for (let size = 0; isNear(line, file) && size < groupSizes.length; size += 1)
        if (fits(line, file, size)) {
          const [some, many] = groupSizes[size]!;
          best = Math.min(best, after[at(line + some, file + many)]! + costOf(line, file, size));
        }
      after[at(line, file)] = best;
    }
  return { total: before[at(lines, files)]!, groups: followed() };

  /** Walks along the cheapest. */
  function followed(): Group[] {
    const groups: Group[] = [];
    let [line, file] = [0, 0];
    const total = after[0]!;
    while (line < lines || file < files) {
      const rest = after[at(line, file)]!;
      const size = groupSizes.findIndex((_, index) => {
        if (!isNear(line, file) || !fits(line, file, index)) return false;
        const [some, many] = groupSizes[index]!;
        return isSame(after[at(line + some, file + many)]! + costOf(line, file, index), rest);
      });
      if (size >= 0) {
        const [lineCount, fileCount] = groupSizes[size]!;
        const cost = costOf(line, file, size);
        const other = elsewhere(line, file, fileCount);
        groups.push({ line, lineCount, file, fileCount, cost, margin: other - total });
        [line, file] = [line + lineCount, file + fileCount];
      } else if (line < lines && isSame(after[at(line + 1, file)]! + costs.lineLeft(line), rest)) line += 1;
      else file += 1;
    }
    return groups;
  }

  /** The cheapest of all in which a line is not with these files. */
  function elsewhere(line: number, file: number, fileCount: number): number {
    let best = Infinity;
    for (let from = 0; from <= files; from += 1)
      best = Math.min(best, before[at(line, from)]! + costs.lineLeft(line) + after[at(line + 1, from)]!);
    // Groups of several lines that begin before this one hold it too.
    for (let back = 0; back < mostLines && line - back >= 0; back += 1) {
      const first = line - back;
      const [near, far] = reaches[first]!;
      for (let from = near; from < Math.min(far, files); from += 1)
        for (let size = 0; size < groupSizes.length; size += 1) {
          const [some, many] = groupSizes[size]!;
          if (some <= back || !fits(first, from, size) || (from === file && many === fileCount)) continue;
          const through = before[at(first, from)]! + costOf(first, from, size) + after[at(first + some, from + many)]!;
          best = Math.min(best, through);
        }
    }
    return best;
  }
}

const isSame = (one: number, other: number): boolean => Math.abs(one - other) < 1e-9 * Math.max(1, Math.abs(other));

function lower(values: Float64Array, at: number, to: number): void {
  if (to < values[at]!) values[at] = to;
}
